import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import Radio from '@mui/material/Radio'
import RadioGroup from '@mui/material/RadioGroup'
import type { Theme } from '@mui/material/styles'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import useMediaQuery from '@mui/material/useMediaQuery'
import { useMutation, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import { writeJobFile } from '../../core/exchange/jobFile'
import type { Job } from '../../core/job/job'
import type { Reused } from '../../core/reuse/reuse'
import { call } from '../api/client'
import { queryClient, type StoredJob, useShelf } from '../api/queries'
import { useRules } from '../job/useEvaluation'
import { useSearch } from '../job/useSearch'
import { WhatChanges } from './WhatChanges'

/** A job taken over for another vehicle: what becomes of it there is told before it is made. */
export function ReuseDialog({ jobId, onClose }: { jobId: string; onClose: () => void }) {
  const stored = useQuery({ queryKey: ['job to take over', jobId], queryFn: () => call<StoredJob>(`/jobs/${jobId}`), gcTime: 0 })
  const small = useMediaQuery((t: Theme) => t.breakpoints.down('sm'))
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth fullScreen={small} aria-labelledby="take-over">
      <DialogTitle id="take-over">For another vehicle</DialogTitle>
      {stored.data ? (
        <TakeOver job={stored.data.job} onClose={onClose} />
      ) : (
        <>
          <DialogContent>
            {stored.error ? (
              <Alert severity="error">{stored.error.message}</Alert>
            ) : (
              <Typography role="status">Opening the job…</Typography>
            )}
          </DialogContent>
          <DialogActions>
            <Button onClick={onClose}>Cancel</Button>
          </DialogActions>
        </>
      )}
    </Dialog>
  )
}

function TakeOver({ job, onClose }: { job: Job; onClose: () => void }) {
  const shelf = useShelf('vehicles')
  const vehicles = shelf.data?.document ?? []
  const rules = useRules()
  const navigate = useNavigate()
  const [title, setTitle] = useState(`${job.title.slice(0, 112)}, again`)
  const [vehicleId, setVehicleId] = useState('')
  const [unlike, setUnlike] = useState(true)
  const [found, setFound] = useState<{ reused: Reused; of: string } | null>(null)
  const { busy, fault, run } = useSearch()
  const vehicle = vehicles.find((v) => v.id === vehicleId)
  const asked = `${vehicleId} ${unlike}`
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked anew when another vehicle is chosen, not while its name is typed
  useEffect(() => {
    if (vehicle)
      void run(
        (bench) => bench.run((api) => api.reuse(job, { title: job.title, vehicle, unlike }, rules)),
        (reused) => setFound({ reused, of: asked }),
      )
  }, [asked])
  const reused = found?.of === asked ? found.reused : null
  const make = useMutation({
    mutationFn: (r: Reused) => call<StoredJob>('/jobs/import', { method: 'POST', text: writeJobFile({ ...r.job, title: title.trim() }) }),
    onSuccess: (made) => {
      void queryClient.invalidateQueries({ queryKey: ['jobs'] })
      onClose()
      void navigate(`/jobs/${made.id}/measure`)
    },
  })
  return (
    <>
      <DialogContent sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'minmax(0, 1fr)', pt: '8px !important' }}>
        <TextField
          label="What is it?"
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          error={!title.trim()}
          helperText={title.trim() ? undefined : 'give the job a title'}
          slotProps={{ htmlInput: { maxLength: 120 } }}
        />
        <TextField select label="Vehicle" value={vehicleId} onChange={(e) => setVehicleId(e.target.value)} autoFocus>
          {vehicles.map((v) => (
            <MenuItem key={v.id} value={v.id}>
              {v.name}
            </MenuItem>
          ))}
        </TextField>
        <RadioGroup value={unlike ? 'like' : 'same'} onChange={(_, v) => setUnlike(v === 'like')} aria-label="Whose figures these are">
          <FormControlLabel value="like" control={<Radio />} label="One like it: every figure is an assumption until it is measured" />
          <FormControlLabel value="same" control={<Radio />} label="This very vehicle was measured" />
        </RadioGroup>
        {shelf.error && <Alert severity="error">The vehicles could not be loaded. {shelf.error.message}</Alert>}
        {shelf.data && !vehicles.length && <Alert severity="info">No vehicle is on the shelf yet: add it under Vehicles first.</Alert>}
        {fault && <Alert severity="error">{fault}</Alert>}
        {busy && <Typography role="status">Taking it over…</Typography>}
        {reused && !busy && <WhatChanges reused={reused} units={job.units} />}
        {make.error && <Alert severity="error">{make.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={!reused || busy !== null || !title.trim() || make.isPending}
          onClick={() => reused && make.mutate(reused)}
        >
          Make the job
        </Button>
      </DialogActions>
    </>
  )
}
