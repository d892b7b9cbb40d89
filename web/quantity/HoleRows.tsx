import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { QuantityInput } from './QuantityInput'
import { RemoveButton } from './RemoveButton'

type Hole = { xMm: number; yMm: number; diameterMm: number }

/** Holes of a part by their places from its own corner, one line each. */
export function HoleRows({
  holes,
  most,
  least,
  next,
  onChange,
}: {
  holes: Hole[]
  most: number
  least: number
  next: Hole
  onChange: (holes: Hole[]) => void
}) {
  const hole = (i: number, patch: Partial<Hole>) => onChange(holes.map((h, k) => (k === i ? { ...h, ...patch } : h)))
  return (
    <Box sx={{ display: 'grid', gap: 1, mt: 1 }}>
      {holes.map((h, i) => (
        <Box key={i} sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'repeat(3, minmax(0,1fr)) 32px' }}>
          <QuantityInput
            exact
            label={`Hole ${i + 1}, along`}
            min={-5000}
            max={5000}
            value={h.xMm}
            onChange={(v) => v !== null && hole(i, { xMm: v })}
          />
          <QuantityInput exact label="across" min={-5000} max={5000} value={h.yMm} onChange={(v) => v !== null && hole(i, { yMm: v })} />
          <QuantityInput
            exact
            label="Diameter"
            min={0.5}
            max={200}
            value={h.diameterMm}
            onChange={(v) => v !== null && hole(i, { diameterMm: v })}
          />
          {holes.length > least && <RemoveButton of={`hole ${i + 1}`} onClick={() => onChange(holes.filter((_, k) => k !== i))} />}
        </Box>
      ))}
      <Button variant="outlined" disabled={holes.length >= most} onClick={() => onChange([...holes, next])}>
        Add a hole
      </Button>
    </Box>
  )
}
