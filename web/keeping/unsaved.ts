import { z } from 'zod'
import { readJob } from '../../core/exchange/jobFile'
import type { Job } from '../../core/job/job'
import { forget, keysOf, recall, remember } from './browserCopy'
import { livingTabs, ownTab } from './tabs'

const PREFIX = 'tideline.unsaved.'
const Kept = z.object({ revision: z.number().int(), at: z.string().default(''), job: z.unknown() })

/** Work that was typed and never acknowledged, left by a window that is gone. `job` is null where this release cannot read it. */
export type LeftBehind = { key: string; at: string; revision: number; job: Job | null; text: string }

const ownKey = (jobId: string) => `${PREFIX}${jobId}.${ownTab}`

/** Keeps what was typed and not yet acknowledged, so that a closed window loses nothing. False where this browser keeps nothing. */
export const keepUnsaved = (jobId: string, revision: number, job: Job): boolean =>
  remember(ownKey(jobId), JSON.stringify({ revision, at: new Date().toISOString(), job }))
export const dropUnsaved = (jobId: string): void => forget(ownKey(jobId))

/** What windows that are gone left of a job, the newest first. A window that is still open keeps its own. */
export async function leftBehind(jobId: string): Promise<LeftBehind[]> {
  const keys = keysOf(PREFIX + jobId)
  if (!keys.length) return []
  const living = await livingTabs()
  return keys
    .filter((key) => {
      const tab = key.slice(PREFIX.length + jobId.length)
      return tab === '' || (tab.startsWith('.') && !living.has(tab.slice(1)))
    })
    .map(readLeft)
    .sort((a, b) => b.at.localeCompare(a.at))
}

function readLeft(key: string): LeftBehind {
  const text = recall(key) ?? ''
  const none = { key, at: '', revision: 0, job: null, text }
  try {
    const kept = Kept.parse(JSON.parse(text))
    const read = readJob(kept.job)
    return { ...none, at: kept.at, revision: kept.revision, job: read.ok ? read.value : null }
  } catch {
    return none
  }
}
