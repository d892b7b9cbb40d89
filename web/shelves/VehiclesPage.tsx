import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useTheme } from '@mui/material/styles'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { emptyAssembly } from '../../core/assembly/assembly'
import { BriefSchema } from '../../core/brief/brief'
import { drawView } from '../../core/drawing/views'
import { writeVehicleFile } from '../../core/exchange/vehicleFile'
import { type Vehicle, vehicleFields } from '../../core/vehicle/vehicle'
import { SheetView } from '../drawing/SheetView'
import { FileButton } from '../quantity/FileButton'
import { VehicleForm } from '../vehicle/VehicleForm'
import { EarlierRevisions } from './EarlierRevisions'
import { ShelfFrame } from './ShelfFrame'
import { useVehicleShelf } from './useVehicleShelf'

const nothing = BriefSchema.parse({})

/** Vehicles that jobs start from. A job takes a copy, so changing one here changes no job. */
export default function VehiclesPage() {
  const { shelf, save, vehicles, editing, setEditing, removed, setRemoved, broken, setBroken, ...act } = useVehicleShelf()
  const [find, setFind] = useState('')
  return (
    <ShelfFrame
      shelf="vehicles"
      title="Vehicles"
      about="Figures that jobs start from. A job keeps its own copy and is measured there; nothing changed here changes a job."
      error={shelf.error ?? save.error}
      retry={() => {
        save.reset()
        void shelf.refetch()
      }}
      actions={
        <>
          <TextField label="Find a vehicle" value={find} onChange={(e) => setFind(e.target.value)} sx={{ width: 220 }} />
          <FileButton named="Vehicle file" accept=".json,application/json" onFile={(f) => void act.open(f)} disabled={!vehicles}>
            Open a vehicle file
          </FileButton>
          <Button variant="contained" onClick={act.blank} disabled={!vehicles}>
            New vehicle
          </Button>
        </>
      }
    >
      {broken && (
        <Alert severity="error" onClose={() => setBroken(null)} sx={{ mb: 2 }}>
          Nothing was imported. {broken.join('; ')}
        </Alert>
      )}
      {removed && (
        <Alert
          severity="success"
          sx={{ mb: 2 }}
          onClose={() => setRemoved(null)}
          action={<Button onClick={() => void act.putBack(removed)}>Undo</Button>}
        >
          {removed.name} is off the shelf. Jobs that began from it keep their own copy.
        </Alert>
      )}
      {!vehicles && !shelf.error && <Typography role="status">Fetching the vehicles…</Typography>}
      {vehicles?.length === 0 && <Typography sx={{ color: 'text.secondary' }}>No vehicle yet: add one, or open a file of one.</Typography>}
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 360px), 1fr))' }}>
        {(vehicles ?? [])
          .filter((v) => `${v.name} ${v.note}`.toLowerCase().includes(find.toLowerCase()))
          .map((v) => (
            <VehicleCard
              key={v.id}
              vehicle={v}
              edit={() => setEditing(v)}
              copy={() => act.copy(v)}
              remove={() => void act.remove(v)}
              bringBack={(earlier) => setEditing({ ...earlier, revision: v.revision })}
            />
          ))}
      </Box>
      {editing && (
        <EditVehicle
          vehicle={editing}
          set={setEditing}
          keep={() => void act.keep()}
          busy={save.isPending}
          fault={save.error?.message ?? null}
        />
      )}
    </ShelfFrame>
  )
}

type EditProps = { vehicle: Vehicle; set: (v: Vehicle | null) => void; keep: () => void; busy: boolean; fault: string | null }
function EditVehicle({ vehicle, set, keep, busy, fault }: EditProps) {
  return (
    <Dialog open onClose={() => set(null)} maxWidth="sm" aria-labelledby="vehicle-title">
      <DialogTitle id="vehicle-title">{vehicle.name || 'Vehicle'}</DialogTitle>
      <DialogContent>
        <VehicleForm vehicle={vehicle} onChange={(change) => set(change(vehicle))} />
      </DialogContent>
      <DialogActions>
        {fault && (
          <Typography color="error" variant="body2" role="alert" sx={{ mr: 'auto' }}>
            {fault}
          </Typography>
        )}
        <Button onClick={() => set(null)}>Cancel</Button>
        <Button variant="contained" onClick={keep} disabled={busy}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  )
}

type CardProps = { vehicle: Vehicle; edit: () => void; copy: () => void; remove: () => void; bringBack: (earlier: Vehicle) => void }
function VehicleCard({ vehicle, edit, copy, remove, bringBack }: CardProps) {
  const { inks } = useTheme()
  const [past, setPast] = useState(false)
  const unknown = vehicleFields.filter((f) => !f.optional && vehicle[f.key].value === null)
  const assumed = vehicleFields.filter((f) => vehicle[f.key].method === 'assumed')
  return (
    <Box
      component="article"
      aria-label={vehicle.name}
      sx={{ border: 1, borderColor: 'divider', bgcolor: 'background.paper', display: 'flex', flexDirection: 'column' }}
    >
      <Box sx={{ height: 190, bgcolor: inks.sheet, borderBottom: 1, borderColor: 'divider' }}>
        <SheetView
          sheet={drawView('side', emptyAssembly, vehicle, nothing)}
          handles={[]}
          marks={new Map()}
          selected={null}
          onSelect={() => undefined}
          actions={null}
        />
      </Box>
      <Box sx={{ p: 1.5, flex: 1 }}>
        <Typography variant="h2">
          {vehicle.name}{' '}
          <Box component="span" sx={{ fontWeight: 400, fontSize: 13, color: 'text.secondary' }}>
            revision {vehicle.revision}
          </Box>
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
          {vehicle.note}
        </Typography>
        <Typography variant="body2">{vehicle.mounts.map((m) => m.name).join('; ') || 'no mounts yet'}</Typography>
        {unknown.length > 0 && (
          <Typography variant="body2" sx={{ color: inks.unknown }}>
            ? unknown: {unknown.map((f) => f.label.toLowerCase()).join(', ')}
          </Typography>
        )}
        {assumed.length > 0 && (
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            assumed: {assumed.map((f) => f.label.toLowerCase()).join(', ')}
          </Typography>
        )}
      </Box>
      <Box sx={{ p: 1, pt: 0 }}>
        <Button onClick={edit}>Change</Button>
        <Button onClick={copy}>Copy, to measure again</Button>
        {vehicle.revision > 1 && <Button onClick={() => setPast(!past)}>{past ? 'Close earlier' : 'Earlier'}</Button>}
        <Button
          component="a"
          href={`data:application/json,${encodeURIComponent(writeVehicleFile(vehicle))}`}
          download={`${vehicle.id}.json`}
        >
          File
        </Button>
        <Button onClick={remove} aria-label={`Delete ${vehicle.name}`}>
          Delete
        </Button>
      </Box>
      {past && <EarlierRevisions vehicle={vehicle} bringBack={bringBack} />}
    </Box>
  )
}
