import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { HitchCarrier, Vehicle } from '../../core/vehicle/vehicle'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { Group } from '../stations/Group'

/** A carrier in the receiver and what hangs on it: both weigh on the tongue, the axles and the departure angle. */
export function CarrierForm({ vehicle, onChange }: { vehicle: Vehicle; onChange: (change: (v: Vehicle) => Vehicle) => void }) {
  const c = vehicle.carrier
  const set = (patch: Partial<HitchCarrier>) => onChange((v) => (v.carrier ? { ...v, carrier: { ...v.carrier, ...patch } } : v))
  const load = (i: number, patch: Partial<HitchCarrier['loads'][number]>) =>
    c && set({ loads: c.loads.map((l, k) => (k === i ? { ...l, ...patch } : l)) })
  const fit = () =>
    onChange((v) => ({
      ...v,
      carrier: { pinXMm: null, massKg: null, centreBehindMm: null, zMm: null, endBehindMm: null, bottomZMm: null, loads: [] },
    }))
  return (
    <Group
      title="Carrier in the receiver"
      action={
        c ? <Button onClick={() => onChange((v) => ({ ...v, carrier: null }))}>Take it off</Button> : <Button onClick={fit}>Fit one</Button>
      }
    >
      {!c && <Box sx={{ fontSize: 14, color: 'text.secondary' }}>None.</Box>}
      {c && (
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)' }}>
          <QuantityInput
            label="Pin, forward of rear axle"
            min={-20_000}
            max={0}
            optional
            value={c.pinXMm}
            onChange={(pinXMm) => set({ pinXMm })}
          />
          <QuantityInput
            label="Carrier itself"
            dimension="mass"
            optional
            placeholder="unknown"
            min={0}
            max={2000}
            value={c.massKg}
            onChange={(massKg) => set({ massKg })}
          />
          <QuantityInput
            label="Its centre behind the pin"
            min={0}
            max={5000}
            optional
            value={c.centreBehindMm}
            onChange={(centreBehindMm) => set({ centreBehindMm })}
          />
          <QuantityInput label="Its centre above ground" min={0} max={5000} optional value={c.zMm} onChange={(zMm) => set({ zMm })} />
          <QuantityInput
            label="Its end behind the pin"
            min={1}
            max={5000}
            optional
            value={c.endBehindMm}
            onChange={(endBehindMm) => set({ endBehindMm })}
          />
          <QuantityInput
            label="Lowest part above ground"
            min={0}
            max={3000}
            optional
            value={c.bottomZMm}
            onChange={(bottomZMm) => set({ bottomZMm })}
          />
          {c.loads.map((l, i) => (
            <Box
              key={i}
              sx={{
                gridColumn: '1 / 3',
                border: 1,
                borderColor: 'divider',
                p: 1,
                display: 'grid',
                gap: 1,
                gridTemplateColumns: 'repeat(3, minmax(0,1fr))',
              }}
            >
              <Box sx={{ gridColumn: '1 / 4', display: 'flex', gap: 0.5 }}>
                <TextInput
                  label="What hangs on it"
                  value={l.name}
                  required="say what it is"
                  maxLength={80}
                  onChange={(name) => load(i, { name })}
                />
                <RemoveButton of={l.name} onClick={() => set({ loads: c.loads.filter((_, k) => k !== i) })} />
              </Box>
              <QuantityInput
                label="Mass"
                dimension="mass"
                optional
                placeholder="unknown"
                min={0}
                max={2000}
                value={l.massKg}
                onChange={(massKg) => load(i, { massKg })}
              />
              <QuantityInput
                label="Behind pin"
                min={-2000}
                max={5000}
                optional
                value={l.behindMm}
                onChange={(behindMm) => load(i, { behindMm })}
              />
              <QuantityInput label="Height" min={0} max={5000} optional value={l.zMm} onChange={(zMm) => load(i, { zMm })} />
            </Box>
          ))}
          <Button
            sx={{ gridColumn: '1 / 3' }}
            disabled={c.loads.length >= 20}
            onClick={() => set({ loads: [...c.loads, { name: 'load', massKg: null, behindMm: null, zMm: null }] })}
          >
            Hang something on it
          </Button>
        </Box>
      )}
    </Group>
  )
}
