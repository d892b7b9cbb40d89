import { useTheme } from '@mui/material/styles'
import { type Block, blocksOf } from '../../../core/inside/blocks'
import type { Inside, InsideThing } from '../../../core/inside/inside'
import type { useInsideMoves } from './useInsideMoves'

/** Letters as high as can be read beside one another on a floor of that length. mm */
export const letterMm = (inside: Inside): number => (inside.lengthMm ?? 0) / 26
/** What both drawings of the room show and choose. */
export type InsideSight = { inside: Inside; wrong: ReadonlySet<string>; chosen: string | null; onChoose: (id: string) => void }
type Seen = { x0: number; x1: number; y0: number; y1: number }
type Props = InsideSight & { t: InsideThing; moves: ReturnType<typeof useInsideMoves>; seen: (b: Block) => Seen; clear?: boolean }

/** A name stands clear of handlebars and pedals: toward the rear wheel of a bicycle, in the middle of a box. */
function labelAt(t: InsideThing, b: Seen, size: number): { x: number; y: number } {
  const share = t.kind === 'box' ? 0.5 : t.place?.deg === 180 ? 0.18 : t.place?.deg === 0 ? 0.82 : 0.5
  return { x: b.x0 + share * (b.x1 - b.x0), y: (b.y0 + b.y1) / 2 + size / 3 }
}

/** A thing on a drawing of the room: chosen, dragged, and moved with keys. `clear` = seen from the side, where what stands behind shows through and names would lie on one another. */
export function InsideShape({ t, inside, wrong, chosen, onChoose, moves, seen, clear }: Props) {
  const { inks } = useTheme()
  if (!t.place) return null
  const bad = wrong.has(t.id)
  const ink = bad ? inks.signal : chosen === t.id ? inks.selected : inks.member
  const blocks = blocksOf(t, t.place, inside.bicycle).map((b) => ({ key: b.of + b.part, ...seen(b) }))
  const [first] = blocks
  return (
    // biome-ignore lint/a11y/useSemanticElements: a shape in a drawing is no button element
    <g
      role="button"
      tabIndex={0}
      aria-label={`${t.name}${bad ? ', in the way' : ''}`}
      style={{ cursor: 'grab' }}
      onFocus={() => onChoose(t.id)}
      onKeyDown={(e) => moves.onKey(e, t)}
      onPointerDown={(e) => {
        moves.take(e, t)
        onChoose(t.id)
      }}
      onPointerMove={moves.move}
      onPointerUp={moves.drop}
      onPointerCancel={moves.drop}
    >
      {blocks.map((b) => (
        <rect
          key={b.key}
          x={b.x0}
          y={b.y0}
          width={b.x1 - b.x0}
          height={b.y1 - b.y0}
          fill={t.kind === 'box' ? inks.cargoFill : inks.memberFill}
          fillOpacity={clear && t.kind === 'bicycle' ? 0.25 : 1}
          stroke={ink}
          strokeWidth={8}
        />
      ))}
      {first && (!clear || t.kind === 'box' || chosen === t.id) && (
        <text
          {...labelAt(t, first, letterMm(inside))}
          fontSize={letterMm(inside)}
          fill={inks.member}
          stroke={inks.roofFill}
          strokeWidth={14}
          paintOrder="stroke"
          textAnchor="middle"
        >
          {t.name}
        </text>
      )}
    </g>
  )
}
