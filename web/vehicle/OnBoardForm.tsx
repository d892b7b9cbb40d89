import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { payloadBeforeRack } from '../../core/limits/payload'
import { figureText } from '../../core/quantity/figureText'
import { tyreDiameterMm } from '../../core/vehicle/masses'
import type { Vehicle } from '../../core/vehicle/vehicle'
import { FigureValue } from '../figure/Working'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { useUnits } from '../quantity/units'
import { Group } from '../stations/Group'

type Props = { vehicle: Vehicle; onChange: (change: (v: Vehicle) => Vehicle) => void }

/** What is on board before the rack, what that leaves, and how high other tyres would make it. */
export function OnBoardForm({ vehicle, onChange }: Props) {
  const set = (i: number, patch: Partial<Vehicle['onBoard'][number]>) =>
    onChange((v) => ({ ...v, onBoard: v.onBoard.map((o, k) => (k === i ? { ...o, ...patch } : o)) }))
  const left = payloadBeforeRack(vehicle)
  return (
    <>
      <Group
        title="On board already"
        action={
          <Button
            disabled={vehicle.onBoard.length >= 40}
            onClick={() => onChange((v) => ({ ...v, onBoard: [...v.onBoard, { name: 'water', massKg: null, xMm: null, zMm: null }] }))}
          >
            Add
          </Button>
        }
      >
        {vehicle.onBoard.map((o, i) => (
          <Box
            key={i}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr) 32px',
              border: 1,
              borderColor: 'divider',
              p: 1,
            }}
          >
            <TextInput label="What" value={o.name} required="say what it is" maxLength={80} onChange={(name) => set(i, { name })} />
            <QuantityInput
              label="Mass"
              dimension="mass"
              optional
              min={0}
              max={10_000}
              value={o.massKg}
              onChange={(massKg) => set(i, { massKg })}
            />
            <RemoveButton of={o.name} onClick={() => onChange((v) => ({ ...v, onBoard: v.onBoard.filter((_, k) => k !== i) }))} />
            <QuantityInput label="Forward" optional min={-20_000} max={20_000} value={o.xMm} onChange={(xMm) => set(i, { xMm })} />
            <QuantityInput label="Above ground" optional min={0} max={5000} value={o.zMm} onChange={(zMm) => set(i, { zMm })} />
          </Box>
        ))}
        <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto', gap: 0.5, fontSize: 14 }}>
          {left.map((f) => (
            <Box key={f.id} sx={{ display: 'contents' }}>
              <dt>{f.name}</dt>
              <Box component="dd" sx={{ m: 0, textAlign: 'right', color: f.value !== null && f.value < 0 ? 'error.main' : undefined }}>
                <FigureValue figure={f} />
              </Box>
            </Box>
          ))}
        </Box>
        {left.some((f) => f.value !== null && f.value < 0) && (
          <Typography role="alert" variant="body2" color="error">
            It carries more than its rating allows before any rack is on: something must come off first.
          </Typography>
        )}
      </Group>
      <Tyres vehicle={vehicle} onChange={onChange} />
    </>
  )
}

/** What is on it, what may come, and how much higher it would stand. */
function Tyres({ vehicle, onChange }: Props) {
  const units = useUnits()
  const [now, next] = [tyreDiameterMm(vehicle.tyres.now), tyreDiameterMm(vehicle.tyres.next)]
  const rise = now !== null && next !== null ? (next - now) / 2 : null
  const tyre = (key: 'now' | 'next', label: string) => {
    const bad = vehicle.tyres[key].trim() !== '' && tyreDiameterMm(vehicle.tyres[key]) === null
    return (
      <TextInput
        label={label}
        value={vehicle.tyres[key]}
        maxLength={30}
        help={bad ? 'write it as 235/65 R16' : ' '}
        onChange={(text) => onChange((v) => ({ ...v, tyres: { ...v.tyres, [key]: text } }))}
      />
    )
  }
  return (
    <>
      <Group title="Tyres" columns={2}>
        {tyre('now', 'Tyres now')}
        {tyre('next', 'Next tyres')}
      </Group>
      {rise !== null && (
        <Typography variant="body2" sx={{ mb: 2 }}>
          It would stand {figureText(Math.abs(rise), 'mm', units)} {rise >= 0 ? 'higher' : 'lower'}
          {vehicle.heightMm.value === null ? '' : `, ${figureText(vehicle.heightMm.value + rise, 'mm', units)} in all`}; the passages must
          still clear.
        </Typography>
      )}
    </>
  )
}
