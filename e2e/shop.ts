import { type ChildProcess, fork, spawn } from 'node:child_process'
import { once } from 'node:events'
import { copyFileSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test as base, expect, type Locator, type Page } from '@playwright/test'

/** The folder of the shop that was filled once, for all tests. */
export const FILLED = 'TIDELINE_E2E_FILLED'

export type Server = { address: string; process: ChildProcess }

/** The real server on a database of its own, as it is started in a shop. */
export async function startServer(database: string, command: 'demo' | 'serve' = 'demo', more: string[] = []): Promise<Server> {
  const child = spawn('bin/tideline', [command, '--data', database, '--port', '0', ...more], { stdio: ['ignore', 'pipe', 'inherit'] })
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout?.on('data', (text: Buffer) => {
      const found = /http:\/\/\S+/.exec(text.toString())
      if (found) resolve(found[0])
    })
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
  return { address, process: child }
}
export const stopServer = (server: Server, signal: NodeJS.Signals = 'SIGTERM') =>
  new Promise<void>((resolve) => {
    server.process.once('exit', () => resolve())
    server.process.kill(signal)
  })

/** A process that opens one shop after another; null closes the one that is open. */
type House = (database: string | null) => Promise<string>
async function answerOf(child: ChildProcess): Promise<string> {
  const [{ address }] = (await once(child, 'message')) as [{ address: string | null }]
  return address ?? ''
}

/**
 * Each test has a shop of its own, so that none depends on another: a copy of one that was filled with the demo data and judged once, as a shop is that has
 * been open for a while. An error on any page fails the test.
 */
export const test = base.extend<{ quiet: undefined; shop: { address: string } }, { house: House }>({
  house: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner reads the first parameter's names
    async ({}, use) => {
      const child = fork('e2e/house.mjs', { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
      await answerOf(child)
      await use((database) => {
        child.send({ database })
        return answerOf(child)
      })
      child.disconnect()
    },
    { scope: 'worker' },
  ],
  shop: async ({ house }, use) => {
    const filled = process.env[FILLED] ?? ''
    const folder = mkdtempSync(join(tmpdir(), 'tideline-e2e-'))
    for (const file of readdirSync(filled).filter((f) => f.startsWith('shop.sqlite'))) copyFileSync(join(filled, file), join(folder, file))
    await use({ address: await house(join(folder, 'shop.sqlite')) })
    await house(null)
    rmSync(folder, { recursive: true })
  },
  baseURL: async ({ shop }, use) => use(shop.address),
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = []
      page.on('pageerror', (e) => errors.push(e.message))
      await use(undefined)
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})
export { expect }

export async function jobPath(page: Page, title: string, station: string): Promise<string> {
  const { rows } = (await (await page.request.get('/api/jobs')).json()) as { rows: { id: string; title: string }[] }
  return `/jobs/${rows.find((r) => r.title === title)?.id}/${station}`
}
export const openDemoJob = async (page: Page, title: string, station: string) => {
  await page.goto(await jobPath(page, title, station))
  await expect(page.getByText('Governs')).toBeVisible()
}
/** A new job from the Slipway, on a vehicle of the shelf. */
export async function startJob(page: Page, title: string, vehicle: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  const dialog = page.getByRole('dialog', { name: 'New job' })
  await dialog.getByLabel('What is it?').fill(title)
  await dialog.getByLabel('Vehicle').click()
  await page.getByRole('option', { name: vehicle, exact: true }).click()
  await dialog.getByRole('button', { name: 'Start' }).click()
}
/** To another page of the application: loaded the first time, gone to inside it after that, as anybody does. */
export async function goOn(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto(path)
  else
    await page.evaluate((to) => {
      history.pushState(null, '', to)
      dispatchEvent(new PopStateEvent('popstate'))
    }, path)
}
export const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible()
export const gauge = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('complementary', { name: 'Tide gauge: limits' }).locator('li, [aria-label^="Governing"]').filter({ hasText: name })
export const type = async (field: Locator, text: string) => {
  await field.fill(text)
  await field.press('Enter')
}
