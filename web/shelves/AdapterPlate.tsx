import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { adapter, boltFor } from '../../core/adapter/adapter'
import { edgeFigure, pitchFigure } from '../../core/adapter/adapterFigures'
import { type ThreadName, threadNames } from '../../core/boltHoles/boltHoles'
import type { BoughtPart } from '../../core/catalogue/boughtParts'
import { materials } from '../../core/catalogue/materials'
import { adapterDrawing } from '../../core/drawing/adapterDrawing'
import { cuttingDxf } from '../../core/drawing/sheetDrawing'
import { type Turn, turns } from '../../core/geometry/quarterTurn'
import { counted } from '../../core/quantity/counted'
import { withLengths } from '../../core/quantity/figureText'
import { formatGauge } from '../../core/quantity/formatQuantity'
import { isCutHole } from '../../core/workshop/cutHole'
import { SheetView } from '../drawing/SheetView'
import { FigureValue } from '../figure/Working'
import { useRules } from '../job/useEvaluation'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { useUnits } from '../quantity/units'
import { OntoJob } from './OntoJob'

const still = { handles: [], marks: new Map(), selected: null, onSelect: () => undefined, actions: null }
const sizes = threadNames.map((value) => ({ value, label: value }))
const quarters = turns.map((t) => ({ value: String(t), label: t ? `${t}° to the left` : 'as it is' }))
const metals = materials.map((m) => ({ value: m.id, label: m.name }))

/** The second begins beside the first, past its upper edge. mm */
const besideMm = (p: BoughtPart): number => Math.round(Math.max(p.widthMm ?? 0, ...p.holes.map((h) => h.yMm)) + 20)

/** A plate that carries the second part on the first where their holes do not meet, with what is wrong with it, and its file for the table. */
export function AdapterPlate({ one, other }: { one: BoughtPart; other: BoughtPart }) {
  const units = useUnits()
  const rules = useRules()
  const [bolts, setBolts] = useState<{ boltOne: ThreadName; boltOther: ThreadName }>({
    boltOne: boltFor(one.holes),
    boltOther: boltFor(other.holes),
  })
  const [lies, setLies] = useState<{ turnDeg: Turn; shiftXMm: number; shiftYMm: number }>({
    turnDeg: 0,
    shiftXMm: 0,
    shiftYMm: besideMm(one),
  })
  const [sheet, setSheet] = useState({ materialId: 'steel', thicknessMm: 5 })
  const made = adapter({ one, other, ...bolts, ...lies })
  const drilled = made.holes.filter((h) => !isCutHole(h, sheet.thicknessMm, rules)).length
  const moved = (key: 'shiftXMm' | 'shiftYMm', label: string) => (
    <QuantityInput
      label={label}
      min={-2000}
      max={2000}
      value={lies[key]}
      onChange={(v) => v !== null && setLies((l) => ({ ...l, [key]: v }))}
    />
  )
  const file = () =>
    cuttingDxf(
      [
        {
          plate: {
            ...{ id: 'adapter', mark: 'AD', name: 'Adapter', ...sheet, bends: [], goodFace: 'either', air: 'sheltered' },
            ...{ outline: made.outline, holes: made.holes },
            pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
          },
          mark: 'AD',
          on: (p) => p,
        },
      ],
      rules,
    )
  return (
    <Box
      component="section"
      aria-label="Adapter between them"
      sx={{ display: 'grid', gap: 1.5, borderTop: 1, borderColor: 'divider', pt: 1.5 }}
    >
      <Typography variant="h3">Adapter between them</Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 150px), 1fr))' }}>
        {moved('shiftXMm', 'Second moved along')}
        {moved('shiftYMm', 'Second moved across')}
        <ChoiceInput
          label="Second turned"
          value={String(lies.turnDeg)}
          options={quarters}
          onChange={(t) => setLies((l) => ({ ...l, turnDeg: turns.find((x) => String(x) === t) ?? 0 }))}
        />
        <ChoiceInput
          label="Bolt of the first"
          value={bolts.boltOne}
          options={sizes}
          onChange={(boltOne) => setBolts((b) => ({ ...b, boltOne }))}
        />
        <ChoiceInput
          label="Bolt of the second"
          value={bolts.boltOther}
          options={sizes}
          onChange={(boltOther) => setBolts((b) => ({ ...b, boltOther }))}
        />
        <ChoiceInput
          label="Sheet"
          value={sheet.materialId}
          options={metals}
          onChange={(materialId) => setSheet((s) => ({ ...s, materialId }))}
        />
        <QuantityInput
          label="Thickness"
          dimension="gauge"
          min={1}
          max={25}
          value={sheet.thicknessMm}
          onChange={(v) => v !== null && setSheet((s) => ({ ...s, thicknessMm: v }))}
        />
      </Box>
      {made.faults.map((f) => (
        <Alert key={f} severity="warning" sx={{ py: 0 }}>
          {withLengths(f, units)}.
        </Alert>
      ))}
      <Box sx={{ height: 240 }}>
        <SheetView sheet={adapterDrawing(made)} {...still} />
      </Box>
      <Typography variant="body2">
        {formatGauge(made.lengthMm, units)} × {formatGauge(made.widthMm, units)}, {counted(made.holes.length, 'hole')}, those of the second
        by letters. {drilled ? `${counted(drilled, 'hole')} too small for the table: marked in the file, and drilled. ` : ''}
        {made.under === null
          ? 'Nobody measured the second part: whether it covers bolts of the first is not known.'
          : made.under.length
            ? `The second part covers ${counted(made.under.length, 'bolt')} of the first (${made.under.join(', ')}): flat heads, put in before it.`
            : 'No bolt of the first is covered by the second part.'}
      </Typography>
      <Typography variant="body2">
        From a hole to the edge <FigureValue figure={edgeFigure(bolts.boltOne)} /> at the first part’s,{' '}
        <FigureValue figure={edgeFigure(bolts.boltOther)} /> at the second’s; between two holes{' '}
        <FigureValue figure={pitchFigure([bolts.boltOne, bolts.boltOther])} />, by the larger.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          component="a"
          disabled={made.faults.length > 0}
          href={`data:application/dxf,${encodeURIComponent(file())}`}
          download="adapter.dxf"
        >
          Adapter as DXF
        </Button>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          What it may carry is not assessed here, but on a job: follow local codes, and have it judged where somebody can be hurt.
        </Typography>
      </Box>
      <OntoJob laid={{ one, other, ...bolts, ...lies, ...sheet }} disabled={made.faults.length > 0} />
    </Box>
  )
}
