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

test('the server is killed while saves come in: every save that was answered is there', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-kill-'))
  const database = join(folder, 'shop.sqlite')
  let server = await startServer(database)
  const { rows } = (await (await fetch(`${server.address}/api/jobs`)).json()) as { rows: { id: string }[] }
  const { id } = rows[0]
  const get = async () => (await (await fetch(`${server.address}/api/jobs/${id}`)).json()) as { revision: number; job: { notes: string } }
  for (let round = 1; round <= 4; round++) {
    let { revision, job } = await get()
    const answered: { revision: number; notes: string }[] = [{ revision, notes: job.notes }]
    const killed = new Promise<void>((resolve) => setTimeout(() => stopServer(server, 'SIGKILL').then(resolve), 60 * round))
    for (let n = 0; n < 500; n++) {
      const notes = `round ${round}, save ${n}`
      try {
        const answer = await fetch(`${server.address}/api/jobs/${id}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ revision, job: { ...job, notes } }),
        })
        if (!answer.ok) break
        ;({ revision } = (await answer.json()) as { revision: number })
        answered.push({ revision, notes })
      } catch {
        break
      }
    }
    await killed
    server = await startServer(database, 'serve')
    ;({ revision, job } = await get())
    const last = answered[answered.length - 1]
    // one save more may have reached the disk unanswered; none that was answered may be missing
    expect(revision === last.revision ? job.notes === last.notes : revision === last.revision + 1).toBe(true)
  }
  await stopServer(server)
  rmSync(folder, { recursive: true })
})

test('the server goes away while typing: the work stays, and is saved when it is back', async ({ page, context }) => {
  await openDemoJob(page, 'Spar carrier', 'hand-over')
  await context.setOffline(true)
  await page.getByLabel('For the file').fill('typed while the line was down')
  await page.getByLabel('For the file').blur()
  await expect(page.getByText('not saved')).toBeVisible()
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
