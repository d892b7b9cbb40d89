import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { formatLength } from '../../core/quantity/formatQuantity'
import { learned } from '../../core/workshop/learned'
import { type Die, DieSchema } from '../../core/workshop/workshop'
import { QuantityInput } from '../quantity/QuantityInput'
import { useUnits } from '../quantity/units'
import { fresh, Kind, Row, row, type WorkshopPart, without } from './listParts'
import { type RowField, RowFigures } from './RowFigures'

const FIELDS: RowField<Die>[] = [
  { at: 'tubeMm', label: 'Tube, outside', exact: true, min: 5, max: 500 },
  { at: 'radiusMm', label: 'Centre-line radius', exact: true, min: 5, max: 5000 },
  { at: 'mostDeg', label: 'Bends up to', dimension: 'angle', min: 1, max: 180 },
  { at: 'straightBeforeMm', label: 'Straight before', min: 0, max: 2000 },
  { at: 'straightBetweenMm', label: 'Straight between', min: 0, max: 2000 },
]

/** The bender, its dies, and what trial bends taught of each. */
export function DieList({ workshop: w, put }: WorkshopPart) {
  const units = useUnits()
  const set = (id: string, patch: Partial<Die>) => put({ dies: row(w.dies, id, patch) })
  return (
    <Kind
      title="Bender and dies"
      add="Add a die"
      onAdd={() => put({ dies: [...w.dies, DieSchema.parse({ id: fresh(w.dies, 'die'), tubeMm: 32, radiusMm: 96 })] })}
    >
      <Box sx={{ maxWidth: 220, mb: 1 }}>
        <QuantityInput
          label="Tool above the floor"
          min={0}
          max={3000}
          value={w.benderHeightMm}
          onChange={(v) => v !== null && put({ benderHeightMm: v })}
        />
      </Box>
      {w.dies.map((d) => (
        <Row key={d.id} name={`die ${formatLength(d.tubeMm, units)}`} onRemove={() => put({ dies: without(w.dies, d.id) })}>
          <RowFigures of={d} fields={FIELDS} set={(patch) => set(d.id, patch)} />
          <Learned die={d} reject={() => set(d.id, { trials: d.trials.slice(0, -1) })} />
        </Row>
      ))}
    </Kind>
  )
}

function Learned({ die, reject }: { die: Die; reject: () => void }) {
  const known = learned(die)
  return (
    <Box sx={{ alignSelf: 'center', fontSize: 14, color: 'text.secondary' }}>
      {known
        ? `${known.trials} tried, last ${known.last}: back ${known.leastDeg.toFixed(1)}° to ${known.mostDeg.toFixed(1)}° at 90°`
        : 'not tried yet'}
      {known && (
        <Button size="small" onClick={reject}>
          Reject the last
        </Button>
      )}
    </Box>
  )
}
