import Box from '@mui/material/Box'
import type { Cargo } from '../../../core/brief/cargo'
import type { Job } from '../../../core/job/job'
import { useView } from '../../drawing/DrawingPane'
import { editJob } from '../../job/jobStore'
import { QuantityInput } from '../../quantity/QuantityInput'
import { Group } from '../Group'

/** Where each load lies, typed exactly, with its centre of mass where it is not in the middle. */
export function CargoPlaces({ job }: { job: Job }) {
  const select = useView((s) => s.select)
  if (!job.brief.cargo.length) return null
  const set = (id: string, patch: Partial<Cargo>) =>
    editJob((j) => ({ ...j, brief: { ...j.brief, cargo: j.brief.cargo.map((c) => (c.id === id ? { ...c, ...patch } : c)) } }))
  return (
    <Group title="Cargo places">
      {job.brief.cargo.map((c) => (
        <Box
          key={c.id}
          component="fieldset"
          onFocus={() => select(`cargo:${c.id}`)}
          sx={{
            border: 1,
            borderColor: 'divider',
            m: 0,
            p: 1,
            display: 'grid',
            gap: 1,
            gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)',
          }}
        >
          <Box component="legend" sx={{ fontSize: 14, fontWeight: 600, px: 0.5 }}>
            {c.name}
          </Box>
          <QuantityInput
            label="Middle, forward"
            min={-20_000}
            max={20_000}
            value={c.xMm}
            onChange={(v) => v !== null && set(c.id, { xMm: v })}
          />
          <QuantityInput label="Middle, left" min={-5000} max={5000} value={c.yMm} onChange={(v) => v !== null && set(c.id, { yMm: v })} />
          <QuantityInput
            label="Mass ahead of it"
            min={-10_000}
            max={10_000}
            value={c.centreForwardMm}
            onChange={(v) => v !== null && set(c.id, { centreForwardMm: v })}
          />
          <QuantityInput
            label="Mass left of it"
            min={-5000}
            max={5000}
            value={c.centreLeftMm}
            onChange={(v) => v !== null && set(c.id, { centreLeftMm: v })}
          />
        </Box>
      ))}
    </Group>
  )
}
