import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import FormControl from '@mui/material/FormControl'
import FormControlLabel from '@mui/material/FormControlLabel'
import FormLabel from '@mui/material/FormLabel'
import MenuItem from '@mui/material/MenuItem'
import Radio from '@mui/material/Radio'
import RadioGroup from '@mui/material/RadioGroup'
import TextField from '@mui/material/TextField'
import { useMutation } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { useNavigate } from 'react-router'
import { call } from '../api/client'
import { queryClient, type StoredJob, useShelf } from '../api/queries'

/** Title, vehicle and units: enough to start; everything else can be changed later. */
export function NewJobDialog({ onClose }: { onClose: () => void }) {
  const vehicles = useShelf('vehicles')
  const navigate = useNavigate()
  const [title, setTitle] = useState('')
  const [vehicleId, setVehicleId] = useState('')
  const shop = useShelf('shop')
  const [chosen, setUnits] = useState<'metric' | 'inch' | null>(null)
  const units = chosen ?? shop.data?.document.units ?? 'metric'
  const [asked, setAsked] = useState(false)
  const make = useMutation({
    mutationFn: () => call<StoredJob>('/jobs', { method: 'POST', json: { title, vehicleId, units } }),
    onSuccess: (made) => {
      void queryClient.invalidateQueries({ queryKey: ['jobs'] })
      void navigate(`/jobs/${made.id}/brief`)
    },
  })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    setAsked(true)
    if (title.trim() && vehicleId) make.mutate()
  }
  return (
    <Dialog open onClose={onClose} maxWidth="xs" aria-labelledby="new-job">
      <form onSubmit={submit} noValidate>
        <DialogTitle id="new-job">New job</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
          <TextField
            autoFocus
            label="What is it?"
            placeholder="Pole and case rack"
            value={title}
            onChange={(e) => setTitle(e.target.value)}
            error={asked && !title.trim()}
            helperText={asked && !title.trim() ? 'give the job a title' : ' '}
            slotProps={{ htmlInput: { maxLength: 120 } }}
          />
          <TextField
            select
            label="Vehicle"
            value={vehicleId}
            onChange={(e) => setVehicleId(e.target.value)}
            error={asked && !vehicleId}
            helperText={
              asked && !vehicleId
                ? 'choose the nearest one; its figures can be measured afresh'
                : 'the nearest one on the shelf; measure afresh later'
            }
          >
            {!vehicles.data && (
              <MenuItem value="" disabled>
                Fetching the vehicles…
              </MenuItem>
            )}
            {(vehicles.data?.document ?? []).map((v) => (
              <MenuItem key={v.id} value={v.id}>
                {v.name}
              </MenuItem>
            ))}
          </TextField>
          <FormControl>
            <FormLabel id="new-units">Units</FormLabel>
            <RadioGroup row aria-labelledby="new-units" value={units} onChange={(e) => setUnits(e.target.value as 'metric')}>
              <FormControlLabel value="metric" control={<Radio />} label="Metric" />
              <FormControlLabel value="inch" control={<Radio />} label="Inch" />
            </RadioGroup>
          </FormControl>
          {vehicles.error && <Alert severity="error">The vehicle shelf could not be loaded. {vehicles.error.message}</Alert>}
          {make.error && <Alert severity="error">{make.error.message}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={make.isPending}>
            Start
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
