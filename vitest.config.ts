import { defineConfig } from 'vitest/config'

const testTimeout = 60_000
// the core is pure: its files share one world and need not be loaded anew for each
export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/**/*.test.ts'], isolate: false, testTimeout } },
      { test: { name: 'web', include: ['web/**/*.test.{ts,tsx}'], testTimeout } },
      // the server and the command line: these need the database driver
      { test: { name: 'shop', include: ['server/**/*.test.ts', 'bin/**/*.test.ts'], testTimeout } },
    ],
  },
})
