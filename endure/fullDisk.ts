import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoJobs } from '../core/job/demoJobs'
import { ask, bodyOf, ended, PIXEL, serving } from './child'

export type DiskReport = { ran: boolean; said: number[]; kept: boolean; removed: number | null; afterRoom: number | null }

/** A disk of 12 MB that is filled to the end while a job is saved: each save is taken or refused in words, and once there is room it goes on. */
export async function fullDisk(): Promise<DiskReport> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-endure-'))
  const none: DiskReport = { ran: false, said: [], kept: true, removed: null, afterRoom: null }
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=12m', 'tmpfs', folder]).status !== 0) return none
  try {
    const { child, address } = await serving(join(folder, 'shop.sqlite'))
    const text = JSON.stringify(demoJobs[0])
    const { id } = await bodyOf<{ id: string }>(address, 'POST', '/api/jobs/import', text, 'application/octet-stream')
    const photo = await bodyOf<{ id: string }>(address, 'POST', `/api/jobs/${id}/photos?name=p`, PIXEL, 'image/png')
    const ballast = join(folder, 'others')
    // what others leave on the disk: all of it but what the last write of this loop can still take
    for (let size = 4_000_000; size >= 4096; size = Math.floor(size / 2))
      for (let n = 0; ; n++) {
        try {
          writeFileSync(`${ballast}-${size}-${n}`, Buffer.alloc(size))
        } catch {
          rmSync(`${ballast}-${size}-${n}`, { force: true })
          break
        }
      }
    const said: number[] = []
    let revision = 1
    let acknowledged = ''
    for (let i = 0; i < 40; i++) {
      const notes = `${i} ${'x'.repeat(4000)}`
      const saved = await ask(address, 'PUT', `/api/jobs/${id}`, JSON.stringify({ revision, job: { ...demoJobs[0], notes } }))
      said.push(saved?.status ?? 0)
      if (saved?.status === 200) {
        revision = (saved.body as { revision: number }).revision
        acknowledged = notes
      }
    }
    const now = (await ask(address, 'GET', `/api/jobs/${id}`))?.body as { revision: number; job: { notes: string } } | undefined
    const kept = now?.revision === revision && (acknowledged === '' || now.job.notes === acknowledged)
    const removed = await ask(address, 'POST', `/api/jobs/${id}/photos/${photo.id}/remove`, '{}')
    spawnSync('sh', ['-c', `rm -f ${ballast}-*`])
    const after = await ask(address, 'PUT', `/api/jobs/${id}`, JSON.stringify({ revision, job: { ...demoJobs[0], notes: 'room again' } }))
    child.kill('SIGTERM')
    await ended(child)
    return { ran: true, said: [...new Set(said)], kept, removed: removed?.status ?? null, afterRoom: after?.status ?? null }
  } finally {
    spawnSync('umount', [folder])
    rmSync(folder, { recursive: true, force: true })
  }
}
