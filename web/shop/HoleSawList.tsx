import Box from '@mui/material/Box'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { Kind, type WorkshopPart } from './listParts'

export function HoleSawList({ workshop: w, put }: WorkshopPart) {
  return (
    <Kind title="Hole saws and notcher" add="Add a hole saw" onAdd={() => put({ holeSawsMm: [...w.holeSawsMm, 32] })}>
      <FormControlLabel
        control={<Switch checked={w.notcher} onChange={(_, notcher) => put({ notcher })} />}
        label="A notcher that cuts any saddle"
      />
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', maxWidth: 760 }}>
        {w.holeSawsMm.map((d, i) => (
          <Box key={i} sx={{ display: 'flex', gap: 0.5 }}>
            <QuantityInput
              label={`Hole saw ${i + 1}`}
              exact
              min={5}
              max={300}
              value={d}
              onChange={(v) => v !== null && put({ holeSawsMm: w.holeSawsMm.map((o, k) => (k === i ? v : o)) })}
            />
            <RemoveButton of={`hole saw ${i + 1}`} onClick={() => put({ holeSawsMm: w.holeSawsMm.filter((_, k) => k !== i) })} />
          </Box>
        ))}
      </Box>
    </Kind>
  )
}
