import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, openDemoJob, saved, startServer, stopServer, test } from './shop'

test('two windows on one job: the second is told, sees both versions, and nothing is lost', async ({ page, context }) => {
  await openDemoJob(page, 'Panel and box bars', 'hand-over')
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.getByLabel('For the file')).toBeVisible()
  await page.getByLabel('For the file').fill('from window one')
  await page.getByLabel('For the file').blur()
  await saved(page)
  await other.getByLabel('For the file').fill('from window two')
  await other.getByLabel('For the file').blur()
  const dialog = other.getByRole('dialog', { name: 'Two versions of this job' })
  await expect(dialog).toContainText('from window one')
  await expect(dialog).toContainText('from window two')
  await dialog.getByRole('button', { name: 'keep mine as a new job' }).click()
  await expect(other.getByLabel('Job title')).toHaveValue('Panel and box bars, my version')
  await expect(other.getByLabel('For the file')).toHaveValue('from window two')
  await page.reload()
  await expect(page.getByLabel('For the file')).toHaveValue('from window one')
})

test('a browser that keeps nothing for itself: the shop opens, and what is typed is saved', async ({ page }) => {
  await page.addInitScript(() => {
    const forbidden = () => {
      throw new DOMException('The operation is insecure.', 'SecurityError')
    }
    Object.defineProperty(window, 'localStorage', { get: forbidden })
  })
  await openDemoJob(page, 'Basket crate bars', 'hand-over')
  await page.getByLabel('For the file').fill('kept by the server alone')
  await page.getByLabel('For the file').blur()
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('For the file')).toHaveValue('kept by the server alone')
})

test('unsaved work of a window that was closed goes on in the next one; one that is still open keeps its own', async ({
  page,
  context,
}) => {
  await openDemoJob(page, 'Basket crate bars', 'hand-over')
  const address = page.url()
  await context.setOffline(true)
  await page.getByLabel('For the file').fill('typed, and the window closed')
  await page.getByLabel('For the file').blur()
  await expect(page.getByText('not saved')).toBeVisible()
  await expect(page.getByRole('alert')).toContainText('Do not load this page anew before that')
  await context.setOffline(false)
  const second = await context.newPage()
  await page.close({ runBeforeUnload: false })
  await second.goto(address)
  await expect(second.getByLabel('For the file')).toHaveValue('typed, and the window closed')
  await saved(second)
})

test('a phone on the network is paired at the desk, measures and photographs, may not touch the design, and is put out', async ({
  browser,
}) => {
  test.slow()
  const folder = mkdtempSync(join(tmpdir(), 'tideline-pair-'))
  const server = await startServer(join(folder, 'shop.sqlite'), 'demo', ['--host', '0.0.0.0', '--allow-host', 'shop.localhost'])
  const { port } = new URL(server.address)
  const desk = await browser.newPage()
  await desk.goto(`http://localhost:${port}/shop`)
  await desk.getByRole('button', { name: 'Code for a floor device' }).click()
  const code = await desk.getByText(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/).textContent()
  // the same machine by another name is, to the server, a device on the network
  const phone = await browser.newPage({ viewport: { width: 360, height: 740 } })
  await phone.goto(`http://shop.localhost:${port}/`)
  await phone.getByLabel('Code from the desk').fill(code ?? '')
  await phone.getByLabel('What to call this device').fill('Bay phone')
  await phone.getByRole('button', { name: 'Pair', exact: true }).click()
  await phone.getByRole('link', { name: 'Spar carrier' }).click()
  await phone.goto(phone.url().replace(/\/[a-z-]+$/, '/hand-over'))
  await phone.getByLabel('For the file').fill('seen on the bay')
  await phone.getByLabel('For the file').blur()
  await saved(phone)
  await phone.getByLabel('Job title').fill('Not for the floor')
  await phone.getByLabel('Job title').press('Enter')
  await expect(phone.getByText(/title: the desk: a floor device measures/)).toBeVisible()
  await desk.getByRole('button', { name: 'Put out Bay phone' }).click()
  await expect(desk.getByText('No device is paired.')).toBeVisible()
  await phone.goto(`http://shop.localhost:${port}/`)
  await expect(phone.getByRole('heading', { name: 'Pair this device' })).toBeVisible()
  await desk.close()
  await phone.close()
  await stopServer(server)
  rmSync(folder, { recursive: true })
})

test('the server goes away while typing: the work stays, and is saved when it is back', async ({ page, context }) => {
  await openDemoJob(page, 'Spar carrier', 'hand-over')
  await context.setOffline(true)
  await page.getByLabel('For the file').fill('typed while the line was down')
  await page.getByLabel('For the file').blur()
  await expect(page.getByText('not saved')).toBeVisible()
  await expect(page.getByRole('alert')).toContainText('Do not load this page anew before that')
  await context.setOffline(false)
  await page.getByRole('button', { name: 'Save again' }).click()
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('For the file')).toHaveValue('typed while the line was down')
})

test('a broken job file is refused whole and says where', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('list', { name: 'Jobs' })).toBeVisible()
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Open a job file' }).click()
  await (await chooser).setFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"tide-line/job",\n"version":1,\n"title":}'),
  })
  await expect(page.getByRole('alert')).toContainText('Nothing was imported. line 3')
})
