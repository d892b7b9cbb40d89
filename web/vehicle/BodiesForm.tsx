import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { type Body, TakenSchema, unknownValue, type Vehicle } from '../../core/vehicle/vehicle'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { Group } from '../stations/Group'
import { SourcedInput } from './SourcedInput'
import { TakenInput } from './TakenInput'

const kinds = (['cab', 'bed', 'canopy', 'cover', 'box', 'tray'] as const).map((value) => ({ value, label: value }))

/** One body more: a cab first, then what is behind it. */
function withBody(v: Vehicle): Vehicle {
  let n = v.bodies.length + 1
  while (v.bodies.some((b) => b.id === `body-${n}`)) n++
  const last = v.bodies.length === 0
  return {
    ...v,
    bodies: [
      ...v.bodies,
      {
        id: `body-${n}`,
        name: last ? 'Cab' : 'Bed',
        kind: last ? 'cab' : 'bed',
        fromXMm: last ? 800 : -1200,
        toXMm: last ? 2200 : 760,
        bottomZMm: 420,
        topZMm: last ? (v.heightMm.value ?? 1800) : 1040,
        widthMm: v.widthMm.value ?? 1860,
        movesMm: last ? 0 : null,
        hinge: null,
        movingKg: unknownValue,
        parkedKg: unknownValue,
        taken: TakenSchema.parse({}),
      },
    ],
  }
}

/** The bodies of a vehicle, how far each moves against the cab, and the hinge it swings on. */
export function BodiesForm({ vehicle, onChange }: { vehicle: Vehicle; onChange: (change: (v: Vehicle) => Vehicle) => void }) {
  const set = (i: number, patch: Partial<Body>) =>
    onChange((v) => ({ ...v, bodies: v.bodies.map((b, k) => (k === i ? { ...b, ...patch } : b)) }))
  return (
    <Group
      title="Bodies that move against each other"
      action={
        <Button onClick={() => onChange(withBody)} disabled={vehicle.bodies.length >= 8}>
          Add
        </Button>
      }
    >
      {vehicle.bodies.length === 0 && (
        <Box sx={{ fontSize: 14, color: 'text.secondary' }}>
          One body. Add cab, bed, canopy or cover where the vehicle has more: a rack must stand on one of them only.
        </Box>
      )}
      {vehicle.bodies.map((b, i) => (
        <OneBody
          key={b.id}
          body={b}
          set={(patch) => set(i, patch)}
          remove={() => onChange((v) => ({ ...v, bodies: v.bodies.filter((_, k) => k !== i) }))}
        />
      ))}
    </Group>
  )
}

type RowProps = { body: Body; set: (patch: Partial<Body>) => void }

function OneBody({ body: b, set, remove }: RowProps & { remove: () => void }) {
  return (
    <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', border: 1, borderColor: 'divider', p: 1 }}>
      <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5 }}>
        <TextInput label="Name" value={b.name} required="give it a name" maxLength={80} onChange={(name) => set({ name })} />
        <RemoveButton of={b.name} onClick={remove} />
      </Box>
      <ChoiceInput label="Kind" value={b.kind} options={kinds} onChange={(kind) => set({ kind })} />
      <QuantityInput label="Moves against the cab" optional min={0} max={500} value={b.movesMm} onChange={(movesMm) => set({ movesMm })} />
      <Extent body={b} set={set} />
      <Hinge body={b} set={set} />
      {b.kind !== 'cab' && b.kind !== 'box' && (
        <Box sx={{ gridColumn: '1 / 3', display: 'grid', gap: 1 }}>
          <SourcedInput
            label={`${b.name}: limit, moving`}
            dimension="mass"
            range={{ min: 0, max: 20_000 }}
            value={b.movingKg}
            onChange={(movingKg) => set({ movingKg })}
          />
          <SourcedInput
            label={`${b.name}: limit, parked`}
            dimension="mass"
            range={{ min: 0, max: 20_000 }}
            value={b.parkedKg}
            onChange={(parkedKg) => set({ parkedKg })}
          />
        </Box>
      )}
      <TakenInput taken={b.taken} onChange={(taken) => set({ taken })} />
    </Box>
  )
}

function Extent({ body: b, set }: RowProps) {
  return (
    <>
      <QuantityInput
        label="Rear end, forward"
        min={-20_000}
        max={b.toXMm - 1}
        value={b.fromXMm}
        onChange={(v) => v !== null && set({ fromXMm: v })}
      />
      <QuantityInput
        label="Front end, forward"
        min={b.fromXMm + 1}
        max={20_000}
        value={b.toXMm}
        onChange={(v) => v !== null && set({ toXMm: v })}
      />
      <QuantityInput
        label="Bottom above ground"
        min={0}
        max={b.topZMm - 1}
        value={b.bottomZMm}
        onChange={(v) => v !== null && set({ bottomZMm: v })}
      />
      <QuantityInput
        label="Top above ground"
        min={b.bottomZMm + 1}
        max={6000}
        value={b.topZMm}
        onChange={(v) => v !== null && set({ topZMm: v })}
      />
      <QuantityInput label="Width" min={50} max={5000} value={b.widthMm} onChange={(v) => v !== null && set({ widthMm: v })} />
    </>
  )
}

/** Whether it swings, on what, and how far. */
function Hinge({ body: b, set }: RowProps) {
  return (
    <>
      <FormControlLabel
        control={
          <Switch
            checked={b.hinge !== null}
            onChange={(_, on) => set({ hinge: on ? { xMm: b.toXMm, zMm: b.topZMm, opensDeg: 45 } : null })}
          />
        }
        label="Swings"
      />
      {b.hinge && (
        <>
          <QuantityInput
            label="Hinge, forward"
            min={-20_000}
            max={20_000}
            value={b.hinge.xMm}
            onChange={(v) => v !== null && b.hinge && set({ hinge: { ...b.hinge, xMm: v } })}
          />
          <QuantityInput
            label="Hinge above ground"
            min={0}
            max={6000}
            value={b.hinge.zMm}
            onChange={(v) => v !== null && b.hinge && set({ hinge: { ...b.hinge, zMm: v } })}
          />
          <QuantityInput
            label="Opens by"
            dimension="angle"
            optional
            min={1}
            max={180}
            value={b.hinge.opensDeg}
            onChange={(opensDeg) => b.hinge && set({ hinge: { ...b.hinge, opensDeg } })}
          />
        </>
      )}
    </>
  )
}
