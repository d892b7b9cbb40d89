import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TakenSchema, type Vehicle } from '../../core/vehicle/vehicle'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { Group } from '../stations/Group'
import { TakenInput } from './TakenInput'

type Change = (change: (vehicle: Vehicle) => Vehicle) => void

/** What is on the roof already, and how much air each needs to be opened. */
export function Obstacles({ vehicle, onChange }: { vehicle: Vehicle; onChange: Change }) {
  const set = (i: number, patch: Partial<Vehicle['obstacles'][number]>) =>
    onChange((v) => ({ ...v, obstacles: v.obstacles.map((o, k) => (k === i ? { ...o, ...patch } : o)) }))
  return (
    <Group
      title="On the roof already"
      action={
        <Button
          disabled={vehicle.obstacles.length >= 40}
          onClick={() =>
            onChange((v) => ({
              ...v,
              obstacles: [
                ...v.obstacles,
                {
                  name: 'obstacle',
                  taken: TakenSchema.parse({}),
                  accessMm: null,
                  xMm: 500,
                  yMm: 0,
                  lengthMm: 400,
                  widthMm: 400,
                  heightMm: 80,
                },
              ],
            }))
          }
        >
          Add
        </Button>
      }
    >
      {vehicle.obstacles.map((o, i) => (
        <Box
          key={i}
          sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(2, minmax(0,1fr))', border: 1, borderColor: 'divider', p: 1 }}
        >
          <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5 }}>
            <TextInput label="What" value={o.name} required="say what it is" maxLength={80} onChange={(name) => set(i, { name })} />
            <RemoveButton of={o.name} onClick={() => onChange((v) => ({ ...v, obstacles: v.obstacles.filter((_, k) => k !== i) }))} />
          </Box>
          <QuantityInput label="Forward" min={-20_000} max={20_000} value={o.xMm} onChange={(v) => v !== null && set(i, { xMm: v })} />
          <QuantityInput label="Left" min={-5000} max={5000} value={o.yMm} onChange={(v) => v !== null && set(i, { yMm: v })} />
          <QuantityInput label="Height" min={1} max={2000} value={o.heightMm} onChange={(v) => v !== null && set(i, { heightMm: v })} />
          <QuantityInput label="Length" min={1} max={10_000} value={o.lengthMm} onChange={(v) => v !== null && set(i, { lengthMm: v })} />
          <QuantityInput label="Width" min={1} max={5000} value={o.widthMm} onChange={(v) => v !== null && set(i, { widthMm: v })} />
          <QuantityInput
            label="Air to open or service"
            optional
            placeholder="none"
            min={0}
            max={3000}
            value={o.accessMm}
            onChange={(accessMm) => set(i, { accessMm })}
          />
          <TakenInput taken={o.taken} onChange={(taken) => set(i, { taken })} />
        </Box>
      ))}
    </Group>
  )
}
