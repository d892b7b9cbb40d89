import { useTheme } from '@mui/material/styles'
import { archesOf, type Block } from '../../../core/inside/blocks'
import { heightOf, type InsidePlace, type InsideThing } from '../../../core/inside/inside'
import { InsideShape, type InsideSight } from './InsideShape'
import { setDown, topsFor } from './inside'
import { RoomFrame } from './RoomFrame'
import { useInsideMoves } from './useInsideMoves'

/** As high as a place is kept. mm */
const HIGHEST_MM = 5000
/** A top so near is what it was meant to be set on. mm */
const CATCH_MM = 40

/** The room from its left side, front to the left: things are dragged up and down and along, and set down with D. */
export function InsideSection(sight: InsideSight) {
  const { inks } = useTheme()
  const { inside } = sight
  const H = inside.heightMm ?? 0
  const high = (place: InsidePlace, zMm: number): InsidePlace => ({ ...place, zMm: Math.min(HIGHEST_MM, Math.max(0, zMm)) })
  const caught = (t: InsideThing, place: InsidePlace): InsidePlace => {
    const near = topsFor(inside, t).find((z) => Math.abs(z - heightOf(place)) < CATCH_MM)
    return near === undefined ? place : high(place, near)
  }
  const moves = useInsideMoves({
    drag: (from, by, t) => caught(t, high({ ...from, xMm: from.xMm + by.x }, heightOf(from) - by.y)),
    keys: (place, by, t) => ({
      ArrowRight: { ...place, xMm: place.xMm + by },
      ArrowLeft: { ...place, xMm: place.xMm - by },
      ArrowUp: high(place, heightOf(place) + by),
      ArrowDown: high(place, heightOf(place) - by),
      d: setDown(inside, t, place),
      D: setDown(inside, t, place),
    }),
  })
  const seen = (b: Block) => ({ x0: b.x0, x1: b.x1, y0: H - b.z1, y1: H - b.z0 })
  const [arch] = archesOf(inside)
  const { doorSide, doorFromMm, doorLengthMm, doorHeightMm } = inside
  return (
    <RoomFrame {...{ inside, moves }} label="The room from its left side" deepMm={H} corners={['roof']}>
      {doorSide !== 'none' && doorFromMm !== null && doorLengthMm !== null && doorHeightMm !== null && (
        <rect
          x={doorFromMm}
          y={H - doorHeightMm}
          width={doorLengthMm}
          height={doorHeightMm}
          fill="none"
          stroke={inks.vehicle}
          strokeWidth={8}
          strokeDasharray="40 30"
        />
      )}
      {arch && (
        <rect
          x={arch.x0}
          y={H - arch.z1}
          width={arch.x1 - arch.x0}
          height={arch.z1}
          fill={inks.likeness}
          stroke={inks.vehicle}
          strokeWidth={8}
        />
      )}
      {inside.things.map((t) => (
        <InsideShape key={t.id} t={t} {...sight} moves={moves} seen={seen} clear />
      ))}
    </RoomFrame>
  )
}
