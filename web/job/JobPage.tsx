import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense, useEffect } from 'react'
import { useNavigate, useParams } from 'react-router'
import { type Station, stations } from '../../core/job/stations'
import { ApiError, call } from '../api/client'
import type { StoredJob } from '../api/queries'
import { useView } from '../drawing/view'
import { LeftBehindNotice } from '../keeping/LeftBehindNotice'
import { leftBehind } from '../keeping/unsaved'
import { UnitsContext } from '../quantity/units'
import { isTyping } from '../shell/keys'
import { ConflictDialog } from './ConflictDialog'
import { JobBar } from './JobBar'
import { closeJob, editJob, openJob, redo, standAt, undo, useJob } from './jobStore'
import { StationPath } from './StationPath'
import { saveNow, useAutosave } from './useAutosave'
import { useLiveEvaluation } from './useEvaluation'
import { useLiveFit } from './useFit'

const screens: Record<Station, ReturnType<typeof lazy>> = {
  brief: lazy(() => import('../stations/brief/BriefStation')),
  measure: lazy(() => import('../stations/measure/MeasureStation')),
  layout: lazy(() => import('../stations/layout/LayoutStation')),
  loads: lazy(() => import('../stations/loads/LoadsStation')),
  fit: lazy(() => import('../stations/fit/FitStation')),
  cut: lazy(() => import('../stations/cut/CutStation')),
  'hand-over': lazy(() => import('../stations/handOver/HandOverStation')),
}

/** One job: fetched once, then worked on here and saved as you go. */
export default function JobPage() {
  const { id = '', station } = useParams()
  const fetched = useQuery({
    queryKey: ['job', id],
    queryFn: () => call<StoredJob>(`/jobs/${id}`),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })
  const openId = useJob((s) => s.id)
  const { data } = fetched
  useEffect(() => {
    if (!data) return
    let here = true
    void leftBehind(data.id).then((left) => {
      if (here) openJob(data, left)
    })
    return () => {
      here = false
    }
  }, [data])
  useEffect(() => () => closeJob(), [])

  if (fetched.error) {
    const gone = fetched.error instanceof ApiError && fetched.error.status === 404
    const unreadable = fetched.error instanceof ApiError && fetched.error.status === 409
    if (unreadable)
      return (
        <Alert severity="error" sx={{ m: 3 }} action={<Button href={`/api/jobs/${id}/file.json`}>Fetch it as it is kept</Button>}>
          {fetched.error.message} Put the file right and bring it in again on the <a href="/">Slipway</a>; the other jobs are not touched.
        </Alert>
      )
    return (
      <Alert
        severity="error"
        sx={{ m: 3 }}
        action={gone ? <Button href="/">Slipway</Button> : <Button onClick={() => void fetched.refetch()}>Try again</Button>}
      >
        {gone ? 'There is no such job.' : fetched.error.message}
      </Alert>
    )
  }
  if (!fetched.data || openId !== id)
    return (
      <Typography role="status" sx={{ p: 3, color: 'text.secondary' }}>
        Opening the job…
      </Typography>
    )
  const at = stations.find((s) => s === station) ?? fetched.data.job.station
  return <OpenJob id={id} at={at} />
}

function OpenJob({ id, at }: { id: string; at: Station }) {
  const job = useJob((s) => s.job)
  const navigate = useNavigate()
  useAutosave()
  useLiveEvaluation()
  useLiveFit()
  // where the job stands in the shop is the last station somebody worked at
  useEffect(() => {
    standAt(at)
    useView.getState().select(null)
  }, [at])
  useEffect(() => {
    if (job) document.title = `${job.title}, Tide Line`
  }, [job])
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const chord = event.ctrlKey || event.metaKey
      const key = event.key.toLowerCase()
      if (isTyping(event)) return
      if (chord && key === 'z') {
        event.preventDefault()
        if (event.shiftKey) redo()
        else undo()
      } else if (chord && key === 'y') {
        event.preventDefault()
        redo()
      } else if (chord && key === 's') {
        event.preventDefault()
        void saveNow()
      } else if (chord || event.altKey) return
      else if (/^[1-7]$/.test(key)) void navigate(`/jobs/${id}/${stations[Number(key) - 1]}`)
      else if (key === 'u') editJob((j) => ({ ...j, units: { ...j.units, system: j.units.system === 'inch' ? 'metric' : 'inch' } }))
      else if (key === 'v') {
        const views = ['all', 'plan', 'side', 'rear', '3d'] as const
        const { view, show } = useView.getState()
        show(views[(views.indexOf(view) + 1) % views.length])
      }
    }
    const warn = (event: BeforeUnloadEvent) => {
      if (useJob.getState().saveState === 'failed') event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    window.addEventListener('beforeunload', warn)
    return () => {
      window.removeEventListener('keydown', onKey)
      window.removeEventListener('beforeunload', warn)
    }
  }, [id, navigate])
  if (!job) return null
  const Screen = screens[at]
  return (
    <UnitsContext value={job.units}>
      <Box sx={{ display: 'flex', flexDirection: 'column', height: { md: '100%' } }}>
        <JobBar job={job} />
        <LeftBehindNotice />
        <StationPath id={id} at={at} job={job} />
        <Box sx={{ flex: 1, minHeight: 0 }}>
          <Suspense
            fallback={
              <Typography role="status" sx={{ p: 3 }}>
                Opening…
              </Typography>
            }
          >
            <Screen />
          </Suspense>
        </Box>
      </Box>
      <ConflictDialog />
    </UnitsContext>
  )
}
