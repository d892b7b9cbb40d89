import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { footTypes } from '../../core/catalogue/mounts'
import { placesOf } from '../../core/places/places'
import { unknownValue, type Vehicle } from '../../core/vehicle/vehicle'
import { Group } from '../stations/Group'
import { SkinInputs } from './MountLines'
import { SourcedInput } from './SourcedInput'

/** Where else something may stand, as the measuring sheets make it: what is rated there, and what a sheet still lacks for the rest. */
export function PlacesForm({ vehicle, onChange }: { vehicle: Vehicle; onChange: (change: (v: Vehicle) => Vehicle) => void }) {
  const { places, wanting } = placesOf(vehicle)
  const lines = new Set(vehicle.mounts.map((m) => m.id))
  const own = places.filter((p) => p.side !== 'right' && !lines.has(p.id))
  const rated = (id: string) => vehicle.placeRatings[id] ?? { downKg: unknownValue, upKg: unknownValue, skin: null }
  const set = (id: string, patch: Partial<ReturnType<typeof rated>>) =>
    onChange((v) => ({ ...v, placeRatings: { ...v.placeRatings, [id]: { ...(v.placeRatings[id] ?? rated(id)), ...patch } } }))
  if (!own.length && !wanting.length) return null
  return (
    <Group title="Places by the sheets">
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Made from what is measured: nothing is typed twice. A place that nobody rated holds nothing on paper.
      </Typography>
      {own.map((p) => (
        <Box key={p.id} component="fieldset" sx={{ border: 1, borderColor: 'divider', m: 0, p: 1, display: 'grid', gap: 1 }}>
          <Box component="legend" sx={{ fontSize: 14, fontWeight: 600, px: 0.5 }}>
            {p.name}
          </Box>
          {p.kind !== 'receiver' && (
            <>
              <SourcedInput
                label="One mount, pressed down"
                dimension="mass"
                range={{ min: 0, max: 5000 }}
                value={rated(p.id).downKg}
                onChange={(downKg) => set(p.id, { downKg })}
              />
              <SourcedInput
                label="One mount, pulled up"
                dimension="mass"
                range={{ min: 0, max: 5000 }}
                value={rated(p.id).upKg}
                onChange={(upKg) => set(p.id, { upKg })}
              />
            </>
          )}
          {p.mounts.some((k) => footTypes[k].drilled) && <SkinInputs skin={rated(p.id).skin} onChange={(skin) => set(p.id, { skin })} />}
          {p.kind === 'receiver' && <Typography variant="body2">Rated by its tongue and carrier load, under Ratings.</Typography>}
        </Box>
      ))}
      {wanting.map((w) => (
        <Typography key={w.name} variant="body2">
          <strong>{w.name}</strong>: still to measure: {w.lacks.join(', ')}.
        </Typography>
      ))}
    </Group>
  )
}
