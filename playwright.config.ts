import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/filled.ts',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  workers: 2,
  // the machine that runs this may be busy with something else: a second try tells a slow start from a fault
  retries: 1,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // nobody waits for a menu to glide
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        // pages are put together without the imitated graphics card, which 3D alone needs: a quarter of the time
        '--disable-gpu-compositing',
        '--use-angle=swiftshader',
        '--enable-unsafe-swiftshader',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
})
