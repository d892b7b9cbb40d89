import Box from '@mui/material/Box'
import type { Cargo } from '../../../core/brief/cargo'
import type { Job } from '../../../core/job/job'
import { useView } from '../../drawing/view'
import { editJob } from '../../job/jobStore'
import { useWhole } from '../../pieces/inHand'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { Group } from '../Group'

/** Where each load lies, typed exactly, with its centre of mass where it is not in the middle. */
export function CargoPlaces({ job }: { job: Job }) {
  const select = useView((s) => s.select)
  const { assembly } = useWhole(job)
  if (!job.brief.cargo.length) return null
  const supports = assembly.supports.map((s) => ({ value: s.id, label: s.name }))
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
          <LiesOn c={c} supports={supports} set={(on) => set(c.id, { on })} />
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

/** What an item lies on: one support, or two it bridges. One whose maker wants one body is never offered a second. */
function LiesOn({ c, supports, set }: { c: Cargo; supports: { value: string; label: string }[]; set: (on: string[]) => void }) {
  const [first, second] = c.on
  // what is gone stays named until another is chosen
  const known = (id: string | undefined) =>
    id === undefined || supports.some((s) => s.value === id) ? supports : [...supports, { value: id, label: 'something that is gone' }]
  return (
    <Box sx={{ gridColumn: '1 / 3', display: 'grid', gap: 1, gridTemplateColumns: first && !c.oneBody ? '1fr 1fr' : '1fr' }}>
      <ChoiceInput
        label="Lies on"
        value={first ?? null}
        empty="what is usual"
        options={known(first)}
        onChange={(id) => set(second && second !== id && !c.oneBody ? [id, second] : [id])}
        onEmpty={() => set([])}
      />
      {first && !c.oneBody && (
        <ChoiceInput
          label="and on"
          value={second ?? null}
          empty="nothing else"
          options={known(second).filter((s) => s.value !== first)}
          onChange={(id) => set([first, id])}
          onEmpty={() => set([first])}
        />
      )}
    </Box>
  )
}
