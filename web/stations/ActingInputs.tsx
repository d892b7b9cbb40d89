import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import type { Brief } from '../../core/brief/brief'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'

/** Roads, speed and people on the roof: asked at the brief, and again beside the loads they make. */
export function ActingInputs({ brief, set }: { brief: Brief; set: (patch: Partial<Brief>) => void }) {
  return (
    <>
      <ChoiceInput
        label="Roads"
        value={brief.road}
        options={[
          { value: 'road', label: 'Road' },
          { value: 'rough track', label: 'Rough track' },
        ]}
        onChange={(road) => set({ road })}
      />
      <QuantityInput
        label="Speed with the load on"
        dimension="speed"
        optional
        min={0}
        max={250}
        value={brief.speedKmh}
        onChange={(speedKmh) => set({ speedKmh })}
      />
      <QuantityInput
        label="Snow or water on it when parked, kg/m²"
        dimension="number"
        min={0}
        max={600}
        value={brief.snowKgM2}
        onChange={(v) => v !== null && set({ snowKgM2: v })}
        help={brief.snowKgM2 > 0 ? 'take it from the local snow map' : '0 = none is reckoned with'}
      />
      <FormControlLabel
        control={<Switch checked={brief.someoneStands} onChange={(_, someoneStands) => set({ someoneStands })} />}
        label="Someone stands on it when parked"
      />
      <FormControlLabel
        control={<Switch checked={brief.someoneClimbs} onChange={(_, someoneClimbs) => set({ someoneClimbs })} />}
        label="Someone climbs up by a bar’s end"
      />
    </>
  )
}
