import { defineConfig } from 'vitest/config'

const testTimeout = 60_000
// the core is pure: its files share one world and need not be loaded anew for each
export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/**/*.test.ts'], isolate: false, testTimeout } },
      { test: { name: 'rest', include: ['server/**/*.test.ts', 'web/**/*.test.{ts,tsx}', 'bin/**/*.test.ts'], testTimeout } },
    ],
  },
})
