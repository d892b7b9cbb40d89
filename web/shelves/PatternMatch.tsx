import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { type ThreadName, threadNames, threads } from '../../core/boltHoles/boltHoles'
import type { BoughtPart } from '../../core/catalogue/boughtParts'
import { patternDrawing } from '../../core/drawing/patternDrawing'
import { playFigure } from '../../core/patternMatch/patternFigures'
import { type PatternMatch as Match, patternMatches } from '../../core/patternMatch/patternMatch'
import { counted } from '../../core/quantity/counted'
import { formatGauge } from '../../core/quantity/formatQuantity'
import { SheetView } from '../drawing/SheetView'
import { FigureValue } from '../figure/Working'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { useUnits } from '../quantity/units'
import { AdapterPlate } from './AdapterPlate'

const still = { handles: [], marks: new Map(), selected: null, onSelect: () => undefined, actions: null }
const sizes = threadNames.map((value) => ({ value, label: value }))
/** So many ways are shown at once. */
const MOST = 5

/** Which holes of two bought parts coincide, at which shift and turn, for a bolt. */
export function PatternMatch({ parts }: { parts: BoughtPart[] }) {
  const units = useUnits()
  const drilled = parts.filter((p) => p.holes.length > 1)
  const [ids, setIds] = useState<[string | null, string | null]>([null, null])
  const [bolt, setBolt] = useState<ThreadName>('M6')
  const [mayTurnOver, setOver] = useState(false)
  const [shown, setShown] = useState(0)
  const [one, other] = ids.map((id) => drilled.find((p) => p.id === id) ?? null)
  const found = useMemo(
    () => (one && other ? patternMatches({ one: one.holes, other: other.holes, boltMm: threads[bolt].nominalMm, mayTurnOver }) : []),
    [one, other, bolt, mayTurnOver],
  )
  if (drilled.length < 2) return null
  const options = drilled.map((p) => ({ value: p.id, label: `${p.number} ${p.name}`.trim() }))
  const pick = (i: 0 | 1) => (id: string) => {
    setIds((was) => (i === 0 ? [id, was[1]] : [was[0], id]))
    setShown(0)
  }
  const way = found[Math.min(shown, found.length - 1)]
  return (
    <Box component="section" aria-labelledby="pattern-match" sx={{ mt: 4, display: 'grid', gap: 1.5, maxWidth: 900 }}>
      <Typography variant="h2" id="pattern-match">
        Do two parts fit one another?
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 200px), 1fr))' }}>
        <ChoiceInput label="First part" value={ids[0]} options={options} onChange={pick(0)} empty="choose a drilled part" />
        <ChoiceInput label="Second part" value={ids[1]} options={options} onChange={pick(1)} empty="choose a drilled part" />
        <ChoiceInput label="Bolt" value={bolt} options={sizes} onChange={setBolt} />
        <FormControlLabel control={<Switch checked={mayTurnOver} onChange={(_, on) => setOver(on)} />} label="Second may be turned over" />
      </Box>
      {one && other && !way && (
        <Typography>
          At no shift do two bolts {bolt} pass holes of both, in quarter turns{mayTurnOver ? ' or turned over' : ''}: it takes an adapter,
          drilled for each.
        </Typography>
      )}
      {one && other && way && (
        <>
          <Box component="ul" aria-label="Ways it fits" sx={{ m: 0, pl: 0, listStyle: 'none', display: 'grid', gap: 0.5 }}>
            {found.slice(0, MOST).map((m, i) => (
              <li key={`${m.over} ${m.turnDeg} ${m.shiftXMm} ${m.shiftYMm}`}>
                <Button
                  aria-pressed={m === way}
                  variant={m === way ? 'outlined' : 'text'}
                  onClick={() => setShown(i)}
                  sx={{ textAlign: 'left' }}
                >
                  {wordsOf(m, (v) => formatGauge(v, units))}
                </Button>
              </li>
            ))}
          </Box>
          <Box sx={{ height: 220 }}>
            <SheetView sheet={patternDrawing(one, other, way)} {...still} />
          </Box>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Play left in the tightest pair: <FigureValue figure={playFigure(way, one.holes, other.holes, threads[bolt].nominalMm)} />. Holes
            of the first are drawn full, of the second dashed; {counted(way.pairs.length, 'hole')} with a bolt{' '}
            {way.pairs.length === 1 ? 'is' : 'are'} filled. Whether a spanner gets there is not looked at here.
          </Typography>
        </>
      )}
      {one && other && <AdapterPlate key={`${one.id} ${other.id}`} one={one} other={other} />}
    </Box>
  )
}

const signed = (mm: number, length: (mm: number) => string): string => `${mm < 0 ? '−' : '+'}${length(Math.abs(mm))}`
const wordsOf = (m: Match, length: (mm: number) => string): string =>
  [
    `${counted(m.pairs.length, 'bolt')}, ${length(m.spreadMm)} apart at most`,
    `along ${signed(m.shiftXMm, length)}, across ${signed(m.shiftYMm, length)}`,
    ...(m.over ? ['turned over'] : []),
    ...(m.turnDeg ? [`turned ${m.turnDeg}°`] : []),
  ].join(', ')
