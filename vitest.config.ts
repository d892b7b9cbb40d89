import { defineConfig } from 'vitest/config'

// a slow machine is no fault: the limit only ends what hangs
const shared = { testTimeout: 240_000, hookTimeout: 120_000, setupFiles: ['./vitest.setup.ts'] }
// the core is pure: its files share one world and need not be loaded anew for each
export default defineConfig({
  test: {
    // by itself it would leave one of two processors idle
    maxWorkers: 2,
    projects: [
      { test: { name: 'core', include: ['core/**/*.test.ts'], isolate: false, ...shared } },
      { test: { name: 'web', include: ['web/**/*.test.{ts,tsx}'], ...shared } },
      // the server and the command line: these need the database driver
      { test: { name: 'shop', include: ['server/**/*.test.ts', 'bin/**/*.test.ts', 'endure/**/*.test.ts'], ...shared } },
    ],
  },
})
