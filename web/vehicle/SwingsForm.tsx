import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { type Swing, swingKinds, TakenSchema, type Vehicle } from '../../core/vehicle/vehicle'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { Group } from '../stations/Group'
import { TakenInput } from './TakenInput'

const kinds = swingKinds.map((value) => ({ value, label: value }))
const named = (kind: Swing['kind']) => kind[0].toUpperCase() + kind.slice(1)

/** A leaf of the usual size where such a leaf usually hangs: the tape comes next. */
function usual(vehicle: Vehicle, kind: Swing['kind'], id: string): Swing {
  const half = (vehicle.widthMm.value ?? 1860) / 2
  const rear = -(vehicle.rearOverhangMm.value ?? 1150)
  const top = vehicle.heightMm.value ?? 1900
  const at: Record<Swing['kind'], [number, number, number, number, number]> = {
    tailgate: [rear, 0, 560, 460, 1400],
    hatch: [rear, 0, top - 80, 1000, 1300],
    cover: [700, 0, 1050, 1500, 1400],
    'pop-top': [0, 0, top, 2000, 1300],
    'left door': [2200, half, 950, 1000, 1100],
    'right door': [2200, -half, 950, 1000, 1100],
    'left rear door': [rear, half - 120, 1300, half - 120, 1500],
    'right rear door': [rear, 120 - half, 1300, half - 120, 1500],
  }
  const [xMm, yMm, zMm, reachMm, hingeLengthMm] = at[kind]
  return { id, name: named(kind), kind, xMm, yMm, zMm, reachMm, hingeLengthMm, opensDeg: null, taken: TakenSchema.parse({}) }
}

/** Doors, tailgate, hatch, pop-top: where each is hinged, how far it reaches and how far it opens. */
export function SwingsForm({ vehicle, onChange }: { vehicle: Vehicle; onChange: (change: (v: Vehicle) => Vehicle) => void }) {
  const set = (i: number, patch: Partial<Swing>) =>
    onChange((v) => ({ ...v, swings: v.swings.map((s, k) => (k === i ? { ...s, ...patch } : s)) }))
  const add = () =>
    onChange((v) => {
      let n = v.swings.length + 1
      while (v.swings.some((s) => s.id === `swing-${n}`)) n++
      const kind = swingKinds.find((k) => !v.swings.some((s) => s.kind === k)) ?? 'tailgate'
      return { ...v, swings: [...v.swings, usual(v, kind, `swing-${n}`)] }
    })
  return (
    <Group
      title="Doors, tailgate, hatch"
      action={
        <Button onClick={add} disabled={vehicle.swings.length >= 20}>
          Add
        </Button>
      }
    >
      {vehicle.swings.length === 0 && (
        <Box sx={{ fontSize: 14, color: 'text.secondary' }}>Add what swings: the rack and its load must leave it room to open.</Box>
      )}
      {vehicle.swings.map((s, i) => (
        <OneSwing
          key={s.id}
          swing={s}
          vehicle={vehicle}
          set={(patch) => set(i, patch)}
          remove={() => onChange((v) => ({ ...v, swings: v.swings.filter((_, k) => k !== i) }))}
        />
      ))}
    </Group>
  )
}

type RowProps = { swing: Swing; vehicle: Vehicle; set: (patch: Partial<Swing>) => void; remove: () => void }
function OneSwing({ swing: s, vehicle, set, remove }: RowProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', border: 1, borderColor: 'divider', p: 1 }}>
      <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5 }}>
        <TextInput label="Name" value={s.name} required="give it a name" maxLength={80} onChange={(name) => set({ name })} />
        <RemoveButton of={s.name} onClick={remove} />
      </Box>
      <ChoiceInput
        label="Kind"
        value={s.kind}
        options={kinds}
        onChange={(kind) => set({ ...usual(vehicle, kind, s.id), ...(s.name === named(s.kind) ? {} : { name: s.name }) })}
      />
      <QuantityInput
        label="Opens by"
        dimension="angle"
        optional
        min={1}
        max={270}
        value={s.opensDeg}
        onChange={(opensDeg) => set({ opensDeg })}
      />
      <QuantityInput label="Hinge, forward" min={-20_000} max={20_000} value={s.xMm} onChange={(v) => v !== null && set({ xMm: v })} />
      <QuantityInput label="Hinge, left" min={-5000} max={5000} value={s.yMm} onChange={(v) => v !== null && set({ yMm: v })} />
      <QuantityInput label="Hinge's middle, height" min={0} max={6000} value={s.zMm} onChange={(v) => v !== null && set({ zMm: v })} />
      <QuantityInput
        label="Hinge line, length"
        min={10}
        max={10_000}
        value={s.hingeLengthMm}
        onChange={(v) => v !== null && set({ hingeLengthMm: v })}
      />
      <QuantityInput
        label="Hinge to far edge"
        min={10}
        max={10_000}
        value={s.reachMm}
        onChange={(v) => v !== null && set({ reachMm: v })}
      />
      <Box />
      <TakenInput taken={s.taken} onChange={(taken) => set({ taken })} />
    </Box>
  )
}
