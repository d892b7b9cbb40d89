import { temporal } from 'zundo'
import { create } from 'zustand'
import type { Job } from '../../core/job/job'
import type { StoredJob } from '../api/queries'

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'failed' | 'conflict'
type State = {
  id: string | null
  revision: number
  job: Job | null
  /** the job as the server last acknowledged it */
  acknowledged: Job | null
  saveState: SaveState
  saveFault: string | null
  theirs: StoredJob | null
}
const empty: State = { id: null, revision: 0, job: null, acknowledged: null, saveState: 'saved', saveFault: null, theirs: null }

/** The job on the bench: what the person chose. Everything computed from it lives elsewhere. Undo and redo cover the whole job. */
export const useJob = create<State>()(
  temporal((): State => empty, { partialize: (s) => ({ job: s.job }), equality: (a, b) => a.job === b.job, limit: 300 }),
)
const history = () => useJob.temporal.getState()

const STASH = 'tideline.unsaved.'
type Stash = { revision: number; job: Job }
/** What was typed and not yet acknowledged is kept in the browser as well, so that a closed window loses nothing. */
export const stash = (id: string, kept: Stash | null): void => {
  if (kept) localStorage.setItem(STASH + id, JSON.stringify(kept))
  else localStorage.removeItem(STASH + id)
}
const stashed = (id: string): Stash | null => {
  try {
    return JSON.parse(localStorage.getItem(STASH + id) ?? 'null') as Stash | null
  } catch {
    return null
  }
}

export function openJob(stored: StoredJob): void {
  const kept = stashed(stored.id)
  const own = kept && kept.revision === stored.revision ? kept.job : stored.job
  useJob.setState({
    ...empty,
    id: stored.id,
    revision: stored.revision,
    acknowledged: stored.job,
    job: own,
    saveState: own === stored.job ? 'saved' : 'unsaved',
  })
  if (kept && kept.revision !== stored.revision) useJob.setState({ job: kept.job, saveState: 'conflict', theirs: stored })
  history().clear()
}
export function closeJob(): void {
  useJob.setState(empty)
  history().clear()
}

/** One change of the job. Functions get the newest job, so changes never overwrite each other. */
export function editJob(change: (job: Job) => Job): void {
  useJob.setState((s) => {
    if (!s.job) return s
    const job = change(s.job)
    if (job === s.job) return s
    return { job, saveState: s.saveState === 'conflict' || s.saveState === 'saving' ? s.saveState : 'unsaved' }
  })
}

/** Where the job stands in the shop follows the person; it is not a step that undo takes back. */
export function standAt(station: Job['station']): void {
  history().pause()
  editJob((j) => (j.station === station ? j : { ...j, station }))
  history().resume()
}

let beforeDrag: Job | null = null
/** A drag is one step for undo, however many places it passes. */
export function beginDrag(): void {
  beforeDrag = useJob.getState().job
  history().pause()
}
export function endDrag(): void {
  const after = useJob.getState().job
  if (beforeDrag && after !== beforeDrag) {
    useJob.setState({ job: beforeDrag })
    history().resume()
    useJob.setState({ job: after })
  } else history().resume()
  beforeDrag = null
}
export function cancelDrag(): void {
  if (beforeDrag) useJob.setState({ job: beforeDrag })
  history().resume()
  beforeDrag = null
}

const moved = () => {
  const s = useJob.getState()
  if (s.job && s.job !== s.acknowledged && s.saveState === 'saved') useJob.setState({ saveState: 'unsaved' })
}
export function undo(): void {
  history().undo()
  moved()
}
export function redo(): void {
  history().redo()
  moved()
}
