import { useTheme } from '@mui/material/styles'
import type { WindowEnds } from '../../../core/fit/heightBounds'
import { figureText } from '../../../core/quantity/figureText'
import { useUnits } from '../../quantity/units'

const [WIDE, LINE, TICK] = [300, 26, 9]

/** Lowest, now and highest on one line: where the mark stands in its window is seen before a number is read. */
export function HeightScale({ topMm, ends: { lowestMm, highestMm } }: { topMm: number; ends: WindowEnds }) {
  const { inks, palette } = useTheme()
  const units = useUnits()
  const at = [topMm, lowestMm, highestMm].flatMap((mm) => mm ?? [])
  const [low, high] = [Math.min(...at) - 20, Math.max(...at) + 20]
  const x = (mm: number) => 12 + ((mm - low) / (high - low)) * (WIDE - 24)
  const out = (lowestMm !== null && topMm < lowestMm - 0.05) || (highestMm !== null && topMm > highestMm + 0.05)
  const mark = out ? inks.signal : inks.clear
  const words = [
    lowestMm === null ? 'nothing below' : `lowest ${figureText(lowestMm, 'mm', units)}`,
    `now ${figureText(topMm, 'mm', units)}`,
    highestMm === null ? 'nothing above' : `highest ${figureText(highestMm, 'mm', units)}`,
  ]
  const label = (mm: number, text: string, anchor: 'start' | 'end') => (
    <text x={x(mm)} y={LINE + 22} textAnchor={anchor} fontSize={13} fill={palette.text.secondary}>
      {text}
    </text>
  )
  return (
    <svg viewBox={`0 0 ${WIDE} 54`} role="img" aria-label={words.join(', ')} style={{ width: '100%', maxWidth: 420, display: 'block' }}>
      <line
        x1={x(lowestMm ?? low)}
        x2={x(highestMm ?? high)}
        y1={LINE}
        y2={LINE}
        stroke={inks.line}
        strokeWidth={3}
        strokeDasharray={lowestMm === null || highestMm === null ? '6 4' : undefined}
      />
      {[lowestMm, highestMm].map((mm) =>
        mm === null ? null : <line key={mm} x1={x(mm)} x2={x(mm)} y1={LINE - TICK} y2={LINE + TICK} stroke={inks.line} strokeWidth={2} />,
      )}
      <path d={`M${x(topMm)} ${LINE - 3}l-6 -12h12z`} fill={mark} />
      {lowestMm !== null &&
        label(lowestMm, `${figureText(lowestMm, 'mm', units)} lowest`, lowestMm <= (highestMm ?? lowestMm) ? 'start' : 'end')}
      {highestMm !== null &&
        label(highestMm, `highest ${figureText(highestMm, 'mm', units)}`, lowestMm !== null && lowestMm > highestMm ? 'start' : 'end')}
    </svg>
  )
}
