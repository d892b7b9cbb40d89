import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoJobs } from '../core/job/demoJobs'
import { ask, bodyOf, ended, serving } from './child'

export type WriterReport = { writers: number; saved: number; refused: number; overwritten: number }

/** Many writers on one job, each adding its own word: every word whose save was acknowledged is in the job at the end. */
export async function writersAgainstEachOther(writers: number, savesEach: number): Promise<WriterReport> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-endure-'))
  const { child, address } = await serving(join(folder, 'shop.sqlite'))
  const text = JSON.stringify({ ...demoJobs[0], notes: '' })
  const { id } = await bodyOf<{ id: string }>(address, 'POST', '/api/jobs/import', text, 'application/octet-stream')
  const kept: string[] = []
  let refused = 0
  await Promise.all(
    Array.from({ length: writers }, async (_, w) => {
      for (let n = 0; n < savesEach; ) {
        const now = await bodyOf<{ revision: number; job: { notes: string } }>(address, 'GET', `/api/jobs/${id}`)
        const word = `w${w}n${n}.`
        const job = { ...now.job, notes: now.job.notes + word }
        const saved = await ask(address, 'PUT', `/api/jobs/${id}`, JSON.stringify({ revision: now.revision, job }))
        if (saved?.status === 200) {
          kept.push(word)
          n++
        } else if (saved?.status === 409) refused++
        else throw new Error(`a save was answered ${saved?.status}`)
      }
    }),
  )
  const end = await bodyOf<{ job: { notes: string } }>(address, 'GET', `/api/jobs/${id}`)
  child.kill('SIGTERM')
  await ended(child)
  rmSync(folder, { recursive: true })
  return { writers, saved: kept.length, refused, overwritten: kept.filter((word) => !end.job.notes.includes(word)).length }
}
