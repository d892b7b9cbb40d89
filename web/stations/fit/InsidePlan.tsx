import { useTheme } from '@mui/material/styles'
import { archesOf, type Block } from '../../../core/inside/blocks'
import type { Inside } from '../../../core/inside/inside'
import { InsideShape, type InsideSight, letterMm } from './InsideShape'
import { turned } from './inside'
import { RoomFrame } from './RoomFrame'
import { useInsideMoves } from './useInsideMoves'

type Props = InsideSight & { aisle: { widthMm: number; fromMm: number } | null }

/** The floor from above, front to the left: things are dragged, moved with the arrow keys and turned with T. */
export function InsidePlan({ inside, wrong, aisle, chosen, onChoose }: Props) {
  const { inks } = useTheme()
  const moves = useInsideMoves({
    drag: (from, by) => ({ ...from, xMm: from.xMm + by.x, yMm: from.yMm + by.y }),
    keys: (place, by) => ({
      ArrowRight: { ...place, xMm: place.xMm + by },
      ArrowLeft: { ...place, xMm: place.xMm - by },
      ArrowDown: { ...place, yMm: place.yMm + by },
      ArrowUp: { ...place, yMm: place.yMm - by },
      t: turned(place),
      T: turned(place),
    }),
  })
  return (
    <RoomFrame {...{ inside, moves }} label="The floor from above" deepMm={inside.widthMm ?? 0} corners={['front', 'rear doors']}>
      {aisle && aisle.widthMm > 1 && (
        <rect x={0} y={aisle.fromMm} width={inside.lengthMm ?? 0} height={aisle.widthMm} fill={inks.glass} opacity={0.8} />
      )}
      {archesOf(inside).map((b) => (
        <g key={b.of + b.part}>
          <Rect b={b} fill={inks.likeness} stroke={inks.vehicle} />
        </g>
      ))}
      <Door inside={inside} />
      {inside.things.map((t) => (
        <InsideShape key={t.id} t={t} {...{ inside, wrong, chosen, onChoose, moves }} seen={(b) => b} />
      ))}
    </RoomFrame>
  )
}

const Rect = ({ b, fill, stroke }: { b: Block; fill: string; stroke: string }) => (
  <rect x={b.x0} y={b.y0} width={b.x1 - b.x0} height={b.y1 - b.y0} fill={fill} stroke={stroke} strokeWidth={8} />
)

/** The side door as an opening in its wall. */
function Door({ inside }: { inside: Inside }) {
  const { inks } = useTheme()
  const { doorSide, doorFromMm, doorLengthMm, widthMm } = inside
  if (doorSide === 'none' || doorFromMm === null || doorLengthMm === null) return null
  const y = doorSide === 'left' ? 0 : (widthMm ?? 0)
  return (
    <g>
      <line x1={doorFromMm} x2={doorFromMm + doorLengthMm} y1={y} y2={y} stroke={inks.roofFill} strokeWidth={18} />
      <line x1={doorFromMm} x2={doorFromMm + doorLengthMm} y1={y} y2={y} stroke={inks.vehicle} strokeWidth={8} strokeDasharray="40 30" />
      <text
        x={doorFromMm + doorLengthMm / 2}
        y={y + (doorSide === 'left' ? -30 : letterMm(inside))}
        fontSize={letterMm(inside)}
        fill={inks.quiet}
        textAnchor="middle"
      >
        side door
      </text>
    </g>
  )
}
