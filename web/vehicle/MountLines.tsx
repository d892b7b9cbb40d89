import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { footTypes, mountKinds } from '../../core/catalogue/mounts'
import { fieldRanges } from '../../core/vehicle/fieldRanges'
import { type MountLine, newMountLine, type Vehicle, withPoint } from '../../core/vehicle/vehicle'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { Group } from '../stations/Group'
import { MisfitForm } from './MisfitForm'
import { SourcedInput } from './SourcedInput'
import { TakenInput } from './TakenInput'

type Change = (change: (vehicle: Vehicle) => Vehicle) => void

/** One line more, along the roof as far as it is known. */
function withLine(v: Vehicle): Vehicle {
  const [from, to] = [v.roofFromXMm.value ?? -1000, v.roofToXMm.value ?? 2000]
  const half = Math.max(60, (v.roofWidthRearMm.value ?? 1400) / 2 - 40)
  let n = v.mounts.length + 1
  while (v.mounts.some((m) => m.id === `mount-${n}`)) n++
  return {
    ...v,
    mounts: [
      ...v.mounts,
      newMountLine({
        id: `mount-${n}`,
        name: 'Mounts',
        kind: 'gutter',
        fromXMm: Math.min(from, to) + 100,
        toXMm: Math.max(from, to, from + 300) - 100,
        halfWidthRearMm: half,
        halfWidthFrontMm: half,
        zMm: v.roofHeightMm.value ?? 1800,
        bodyId: v.bodies[0]?.id ?? null,
      }),
    ],
  }
}

/** Where feet may stand: lines and points, what each holds, what keeps feet off. */
export function MountLines({ vehicle, onChange }: { vehicle: Vehicle; onChange: Change }) {
  const set = (i: number, patch: Partial<MountLine>) =>
    onChange((v) => ({ ...v, mounts: v.mounts.map((m, k) => (k === i ? { ...m, ...patch } : m)) }))
  return (
    <Group
      title="Where feet may stand"
      action={
        <Button onClick={() => onChange(withLine)} disabled={vehicle.mounts.length >= 20}>
          Add
        </Button>
      }
    >
      {vehicle.mounts.map((m, i) => (
        <OneLine
          key={m.id}
          line={m}
          bodies={vehicle.bodies}
          set={(patch) => set(i, patch)}
          remove={() => onChange((v) => ({ ...v, mounts: v.mounts.filter((_, k) => k !== i) }))}
        />
      ))}
      {!vehicle.mounts.length && <Box sx={{ fontSize: 14, color: 'text.secondary' }}>None yet: without one no bar can stand.</Box>}
    </Group>
  )
}

type RowProps = { line: MountLine; set: (patch: Partial<MountLine>) => void }

function OneLine({ line: m, bodies, set, remove }: RowProps & { bodies: Vehicle['bodies']; remove: () => void }) {
  return (
    <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', border: 1, borderColor: 'divider', p: 1 }}>
      <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5 }}>
        <TextInput label="Name" value={m.name} required="give it a name" maxLength={80} onChange={(name) => set({ name })} />
        <RemoveButton of={m.name} onClick={remove} />
      </Box>
      <Box sx={{ gridColumn: '1 / 3' }}>
        <ChoiceInput
          label="Kind"
          value={m.kind}
          options={mountKinds.map((value) => ({ value, label: footTypes[value].name }))}
          onChange={(kind) => set({ kind })}
        />
      </Box>
      {bodies.length > 0 && (
        <Box sx={{ gridColumn: '1 / 3' }}>
          <ChoiceInput
            label="Stands on the body"
            value={m.bodyId}
            empty="not said"
            options={bodies.map((b) => ({ value: b.id, label: b.name }))}
            onChange={(bodyId) => set({ bodyId })}
            onEmpty={() => set({ bodyId: null })}
          />
        </Box>
      )}
      <Ends line={m} set={set} />
      <Box sx={{ fontSize: 13, color: 'text.secondary', alignSelf: 'center' }}>
        {m.pointsXMm?.length ? `${m.pointsXMm.length} fixed points` : 'anywhere along it'}
      </Box>
      <Box sx={{ gridColumn: '1 / 3' }}>
        <Points value={m.pointsXMm} onChange={(index, x) => set(withPoint(m, index, x))} />
      </Box>
      <Box sx={{ gridColumn: '1 / 3', display: 'grid', gap: 1.25 }}>
        <SourcedInput
          label="Its own rating per foot, down"
          dimension="mass"
          range={fieldRanges.footDownKg}
          value={m.footDownKg}
          onChange={(footDownKg) => set({ footDownKg })}
        />
        <SourcedInput
          label="Its own rating per foot, up"
          dimension="mass"
          range={fieldRanges.footUpKg}
          value={m.footUpKg}
          onChange={(footUpKg) => set({ footUpKg })}
        />
        <QuantityInput
          label="A foot can be set up and down by"
          optional
          min={0}
          max={200}
          value={m.adjustMm}
          onChange={(adjustMm) => set({ adjustMm })}
        />
        <KeepOuts line={m} set={set} />
      </Box>
      {footTypes[m.kind].drilled && <SkinInputs skin={m.skin} onChange={(skin) => set({ skin })} />}
      <TakenInput taken={m.taken} onChange={(taken) => set({ taken })} />
      <Box sx={{ gridColumn: '1 / 3' }}>
        <MisfitForm line={m} onChange={(misfit) => set({ misfit })} />
      </Box>
    </Box>
  )
}

/** Where the line lies: its two ends, how far from the middle at each, and how high. */
function Ends({ line: m, set }: RowProps) {
  return (
    <>
      <QuantityInput
        label="From, rear end"
        min={-20_000}
        max={m.toXMm - 1}
        value={m.fromXMm}
        onChange={(v) => v !== null && set({ fromXMm: v })}
      />
      <QuantityInput
        label="To, front end"
        min={m.fromXMm + 1}
        max={20_000}
        value={m.toXMm}
        onChange={(v) => v !== null && set({ toXMm: v })}
      />
      <QuantityInput
        label="From middle, rear"
        min={50}
        max={2000}
        value={m.halfWidthRearMm}
        onChange={(v) => v !== null && set({ halfWidthRearMm: v })}
      />
      <QuantityInput
        label="From middle, front"
        min={50}
        max={2000}
        value={m.halfWidthFrontMm}
        onChange={(v) => v !== null && set({ halfWidthFrontMm: v })}
      />
      <QuantityInput label="Height above ground" min={100} max={5000} value={m.zMm} onChange={(v) => v !== null && set({ zMm: v })} />
    </>
  )
}

/** Stretches of it where no foot may stand. */
function KeepOuts({ line: m, set }: RowProps) {
  return (
    <>
      {m.keepOuts.map((k, n) => (
        <Box key={n} sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr) 32px' }}>
          <QuantityInput
            label="No foot from"
            min={-20_000}
            max={k.toXMm}
            value={k.fromXMm}
            onChange={(v) => v !== null && set({ keepOuts: m.keepOuts.map((o, q) => (q === n ? { ...o, fromXMm: v } : o)) })}
          />
          <QuantityInput
            label="to"
            min={k.fromXMm}
            max={20_000}
            value={k.toXMm}
            onChange={(v) => v !== null && set({ keepOuts: m.keepOuts.map((o, q) => (q === n ? { ...o, toXMm: v } : o)) })}
          />
          <RemoveButton of="the keep-out" onClick={() => set({ keepOuts: m.keepOuts.filter((_, q) => q !== n) })} />
        </Box>
      ))}
      <Button
        disabled={m.keepOuts.length >= 20}
        onClick={() =>
          set({
            keepOuts: [
              ...m.keepOuts,
              { fromXMm: Math.round((m.fromXMm + m.toXMm) / 2) - 50, toXMm: Math.round((m.fromXMm + m.toXMm) / 2) + 50 },
            ],
          })
        }
      >
        Keep feet off a stretch
      </Button>
    </>
  )
}

/** The sheet that a drilled foot hangs on: without it no such foot has a rating. */
export function SkinInputs({ skin, onChange }: { skin: MountLine['skin']; onChange: (skin: MountLine['skin']) => void }) {
  if (!skin)
    return (
      <Button sx={{ gridColumn: '1 / 3' }} onClick={() => onChange({ thicknessMm: null, yieldMPa: null, panelRadiusMm: null })}>
        Measure the sheet under the feet
      </Button>
    )
  return (
    <>
      <QuantityInput
        label="Sheet, thickness"
        min={0.3}
        max={20}
        optional
        placeholder="unknown"
        value={skin.thicknessMm}
        onChange={(thicknessMm) => onChange({ ...skin, thicknessMm })}
      />
      <QuantityInput
        label="To the nearest rib"
        min={20}
        max={1000}
        optional
        placeholder="unknown"
        value={skin.panelRadiusMm}
        onChange={(panelRadiusMm) => onChange({ ...skin, panelRadiusMm })}
      />
      <QuantityInput
        label="Sheet, yield, MPa"
        dimension="number"
        min={10}
        max={1000}
        optional
        placeholder="unknown"
        value={skin.yieldMPa}
        onChange={(yieldMPa) => onChange({ ...skin, yieldMPa })}
      />
      <Button onClick={() => onChange(null)}>Not measured</Button>
    </>
  )
}

function Points({ value, onChange }: { value: number[] | null; onChange: (index: number, xMm: number | null) => void }) {
  const points = value ?? []
  return (
    <Box sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'repeat(2, minmax(0,1fr))' }}>
      {points.map((x, i) => (
        <QuantityInput
          key={i}
          label={`Point ${i + 1}`}
          optional
          placeholder="empty removes it"
          min={-20_000}
          max={20_000}
          value={x}
          onChange={(v) => onChange(i, v)}
        />
      ))}
      <Button onClick={() => onChange(points.length, (points[points.length - 1] ?? 900) + 300)} disabled={points.length >= 200}>
        Add a fixed point
      </Button>
    </Box>
  )
}
