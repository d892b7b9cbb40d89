import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import type { Cargo } from '../../../core/brief/cargo'
import type { Securing, StrapWay } from '../../../core/brief/securing'
import type { Job } from '../../../core/job/job'
import { anchorsOf } from '../../../core/securing/anchors'
import { useRules } from '../../job/useEvaluation'
import { useWhole } from '../../pieces/inHand'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'

const ways: { value: StrapWay; label: string }[] = [
  { value: 'over', label: 'over the top' },
  { value: 'forward', label: 'stops it sliding forward' },
  { value: 'rear', label: 'stops it sliding rearward' },
  { value: 'left', label: 'stops it sliding to the left' },
  { value: 'right', label: 'stops it sliding to the right' },
]
type Strap = Securing['straps'][number]
type Given = { job: Job; cargo: Cargo; securing: Securing; put: (patch: Partial<Securing>) => void }

/** Friction, what stands in front, and each strap: its way, place, angle, limit and what it is hooked to. */
export function StrapList({ job, cargo: c, securing: s, put }: Given) {
  const rules = useRules()
  const set = (i: number, patch: Partial<Strap>) => put({ straps: s.straps.map((o, k) => (k === i ? { ...o, ...patch } : o)) })
  const fresh: Strap = { wllKg: null, anchorId: job.anchors[0]?.id ?? null, angleDeg: 60, way: 'over', atMm: null }
  return (
    <>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr', alignItems: 'center' }}>
        <QuantityInput
          label="Friction"
          dimension="number"
          optional
          placeholder={String(rules.friction)}
          min={0.05}
          max={1}
          value={s.friction}
          onChange={(friction) => put({ friction })}
        />
        <FormControlLabel
          control={<Switch checked={s.blockedForward} onChange={(_, blockedForward) => put({ blockedForward })} />}
          label="Held in front"
        />
        {s.blockedForward && (
          <QuantityInput
            label="What it rests against holds"
            dimension="force"
            optional
            placeholder="unknown"
            min={0}
            max={1_000_000}
            value={s.blockHoldsN}
            onChange={(blockHoldsN) => put({ blockHoldsN })}
          />
        )}
      </Box>
      {s.straps.map((strap, i) => (
        <OneStrap key={i} job={job} cargo={c} strap={strap} i={i} set={(patch) => set(i, patch)}>
          <RemoveButton of={`strap ${i + 1} of ${c.name}`} onClick={() => put({ straps: s.straps.filter((_, k) => k !== i) })} />
        </OneStrap>
      ))}
      <Button
        variant="outlined"
        disabled={s.straps.length >= 20}
        onClick={() => put({ straps: [...s.straps, { ...(s.straps.at(-1) ?? fresh), atMm: null }] })}
      >
        Add a strap
      </Button>
    </>
  )
}

function OneStrap({
  job,
  cargo: c,
  strap,
  i,
  set,
  children,
}: {
  job: Job
  cargo: Cargo
  strap: Strap
  i: number
  set: (patch: Partial<Strap>) => void
  children: React.ReactNode
}) {
  const { assembly } = useWhole(job)
  return (
    <Box
      role="group"
      aria-label={`Strap ${i + 1} of ${c.name}`}
      sx={{ border: 1, borderColor: 'divider', p: 1, display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr' }}
    >
      <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5 }}>
        <Box sx={{ flex: 1 }}>
          <ChoiceInput label={`Strap ${i + 1}`} value={strap.way} options={ways} onChange={(way) => set({ way })} />
        </Box>
        {children}
      </Box>
      <QuantityInput
        label="Forward of its middle"
        optional
        placeholder="not said"
        min={-c.lengthMm / 2}
        max={c.lengthMm / 2}
        value={strap.atMm}
        onChange={(atMm) => set({ atMm })}
      />
      <QuantityInput
        label="Angle to the deck"
        dimension="angle"
        min={0}
        max={90}
        value={strap.angleDeg}
        onChange={(v) => v !== null && set({ angleDeg: v })}
      />
      <QuantityInput
        label="Working load limit"
        dimension="mass"
        optional
        placeholder="unknown"
        min={0}
        max={20_000}
        value={strap.wllKg}
        onChange={(wllKg) => set({ wllKg })}
      />
      <ChoiceInput
        label="Hooked to"
        value={strap.anchorId}
        empty="no anchor"
        options={anchorsOf(job, assembly).map((a) => ({ value: a.id, label: a.name }))}
        onChange={(anchorId) => set({ anchorId })}
        onEmpty={() => set({ anchorId: null })}
      />
    </Box>
  )
}
