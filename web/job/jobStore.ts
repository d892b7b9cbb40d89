import { temporal } from 'zundo'
import { create } from 'zustand'
import { writeJobFile } from '../../core/exchange/jobFile'
import type { Job } from '../../core/job/job'
import type { StoredJob } from '../api/queries'
import { forget } from '../keeping/browserCopy'
import { keepUnsaved, type LeftBehind } from '../keeping/unsaved'

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
  /** what was sent and never answered: it may have arrived */
  sent: Job | null
  /** false where this browser keeps no copy of what is not saved yet */
  copyKept: boolean
  left: LeftBehind[]
}
const empty: State = {
  id: null,
  revision: 0,
  job: null,
  acknowledged: null,
  saveState: 'saved',
  saveFault: null,
  theirs: null,
  sent: null,
  copyKept: true,
  left: [],
}

/** The job on the bench: what the person chose. Everything computed from it lives elsewhere. Undo and redo cover the whole job. */
export const useJob = create<State>()(
  temporal((): State => empty, { partialize: (s) => ({ job: s.job }), equality: (a, b) => a.job === b.job, limit: 300 }),
)
const history = () => useJob.temporal.getState()

/** Opens a job as the server has it, or as a window that is gone left it unsaved; what else was left is offered beside it. */
export function openJob(stored: StoredJob, left: LeftBehind[] = []): void {
  const readable = left.find((l) => l.job !== null)
  const own = readable?.job && !sameJob(readable.job, stored.job) ? readable.job : stored.job
  const behind = readable !== undefined && own !== stored.job && readable.revision !== stored.revision
  if (readable?.job) {
    if (own !== stored.job) keepUnsaved(stored.id, readable.revision, readable.job)
    forget(readable.key)
  }
  useJob.setState({
    ...empty,
    id: stored.id,
    revision: stored.revision,
    acknowledged: stored.job,
    job: own,
    saveState: own === stored.job ? 'saved' : behind ? 'conflict' : 'unsaved',
    theirs: behind ? stored : null,
    left: left.filter((l) => l !== readable),
  })
  history().clear()
}
/** Whether two jobs are the same, in whatever order their parts were written. */
export const sameJob = (a: Job, b: Job): boolean => a === b || writeJobFile(a) === writeJobFile(b)

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

/** A change that goes with one outside the job, as of the rack: no undo takes it back, for that would take back half of it. */
export function editForGood(change: (job: Job) => Job): void {
  history().pause()
  editJob(change)
  history().resume()
  const also = <T extends { job?: Job | null }>(states: T[]): T[] => states.map((s) => (s.job ? { ...s, job: change(s.job) } : s))
  const { pastStates, futureStates } = history()
  useJob.temporal.setState({ pastStates: also(pastStates), futureStates: also(futureStates) })
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
