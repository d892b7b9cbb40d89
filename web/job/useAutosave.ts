import { useEffect } from 'react'
import { readJob } from '../../core/exchange/jobFile'
import { mergeChanges } from '../../core/job/merge'
import { ApiError, call } from '../api/client'
import { queryClient, type StoredJob } from '../api/queries'
import { dropUnsaved, keepUnsaved } from '../keeping/unsaved'
import { sameJob, useJob } from './jobStore'

const QUIET_MS = 500
const RETRY_MS = 4000
/** A page over plain HTTP cannot be kept by the browser for the time without a network, so whoever loads it anew then has nothing. */
const AWAY =
  'the server does not answer. Go on: what you do is kept here and saved when it answers again. Do not load this page anew before that: without HTTPS it cannot be opened while the server is away.'

/** Saves as you go: half a second after the last change, and when the window is left. One save is under way at a time. */
export function useAutosave(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const plan = (ms: number) => {
      clearTimeout(timer)
      timer = setTimeout(() => void saveNow(), ms)
    }
    const stop = useJob.subscribe((s, before) => {
      if (s.job === before.job && s.saveState === before.saveState) return
      if (s.id && s.job && s.saveState !== 'saved' && s.job !== s.acknowledged) {
        const copyKept = keepUnsaved(s.id, s.revision, s.job)
        if (copyKept !== s.copyKept) useJob.setState({ copyKept })
      }
      if (s.saveState === 'unsaved') plan(QUIET_MS)
      if (s.saveState === 'failed') plan(RETRY_MS)
    })
    if (useJob.getState().saveState === 'unsaved') plan(QUIET_MS)
    const leave = () => {
      if (document.visibilityState === 'hidden') void saveNow()
    }
    document.addEventListener('visibilitychange', leave)
    return () => {
      clearTimeout(timer)
      stop()
      document.removeEventListener('visibilitychange', leave)
      void saveNow()
    }
  }, [])
}

export async function saveNow(): Promise<void> {
  const { id, revision, job, saveState, acknowledged } = useJob.getState()
  if (!id || !job || saveState === 'saving' || saveState === 'conflict') return
  if (job === acknowledged) {
    useJob.setState({ saveState: 'saved', saveFault: null })
    return
  }
  useJob.setState({ saveState: 'saving' })
  try {
    const answer = await call<{ revision: number }>(`/jobs/${id}`, { method: 'PUT', json: { revision, job } })
    const now = useJob.getState()
    if (now.id !== id) {
      dropUnsaved(id)
      return
    }
    const more = now.job !== job
    if (!more) dropUnsaved(id)
    useJob.setState({ revision: answer.revision, acknowledged: job, saveState: more ? 'unsaved' : 'saved', saveFault: null, sent: null })
    for (const key of ['jobs', 'days', 'purchase']) void queryClient.invalidateQueries({ queryKey: [key] })
  } catch (error) {
    if (useJob.getState().id !== id) return
    const refused = error instanceof ApiError ? error : null
    if (refused?.status === 409) putTogether((refused.body as { theirs: StoredJob }).theirs)
    else {
      // without an answer nobody knows whether it arrived
      const sent = refused?.status === 0 ? job : useJob.getState().sent
      useJob.setState({
        sent,
        saveState: 'failed',
        saveFault: refused ? (refused.status === 0 ? AWAY : refused.message) : 'the job could not be saved',
      })
    }
  }
}

/** Somebody saved meanwhile. What only one of us changed is put together; where both changed the same thing the person is asked. */
function putTogether(theirs: StoredJob): void {
  const { job, sent } = useJob.getState()
  // what came in between was our own, its answer lost
  const acknowledged = sent && sameJob(sent, theirs.job) ? theirs.job : useJob.getState().acknowledged
  useJob.setState({ sent: null })
  const { merged, clashes } = mergeChanges(acknowledged, job, theirs.job)
  const read = readJob(merged)
  if (clashes.length || !read.ok) useJob.setState({ saveState: 'conflict', theirs })
  else useJob.setState({ job: read.value, acknowledged: theirs.job, revision: theirs.revision, saveState: 'unsaved' })
}

/** Whose version stays. Theirs replaces mine here; mine is saved on top of theirs; or mine goes on as a job of its own. */
export async function settleConflict(choice: 'mine' | 'theirs' | 'copy'): Promise<string | null> {
  const { id, job, theirs } = useJob.getState()
  if (!id || !job || !theirs) return null
  if (choice === 'mine') {
    useJob.setState({ revision: theirs.revision, acknowledged: theirs.job, theirs: null, saveState: 'unsaved' })
    await saveNow()
    return null
  }
  let copyId: string | null = null
  if (choice === 'copy') {
    const made = await call<StoredJob>('/jobs/import', {
      method: 'POST',
      text: JSON.stringify({ ...job, title: `${job.title.slice(0, 105)}, my version` }),
    })
    copyId = made.id
  }
  dropUnsaved(id)
  useJob.setState({ revision: theirs.revision, acknowledged: theirs.job, job: theirs.job, theirs: null, saveState: 'saved' })
  useJob.temporal.getState().clear()
  return copyId
}
