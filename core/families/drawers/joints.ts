import type { Fitting, Joint } from '../../assembly/assembly'
import { G_M_S2 } from '../../quantity/units'
import { sides } from '../feetOnEdge'
import type { DrawersParams } from './params'
import { type DrawersShape, FLANGE_MM, SKIRT_MM, SLIDE_MM, X } from './shape'

/** Along a row, in its length: where it is looked at. */
const EVEN = [-0.4, 0.4]
/** What holds deck, ribs, partitions, slides, locks and fronts. */
export function jointsOf(p: DrawersParams, s: DrawersShape): Joint[] {
  const midX = (s.rearX + s.frontX) / 2
  // bolts in one line keep nothing from turning about it
  const row: Pick<Joint, 'axis'> = { axis: X }
  const bolts = (count: number, apartMm: number, over: Partial<NonNullable<Joint['bolts']>> = {}): Pick<Joint, 'kind' | 'bolts'> => ({
    kind: 'bolt',
    bolts: { size: 'M6', count, apartMm, ...over },
  })
  const along = Math.max(3, Math.ceil(p.lengthMm / 200))
  const edges = [1, -1].map(
    (side, i): Joint => ({
      id: `joint:deck:${i}`,
      between: ['deck', 'carcass'],
      at: { x: midX, y: (side * p.widthMm) / 2, z: s.topMm },
      // through its skirt, into rivet nuts in the carcass
      ...bolts(along, p.lengthMm * 0.8, {
        rows: EVEN.map((k) => ({ x: midX + k * p.lengthMm, y: (side * p.widthMm) / 2, z: s.topMm - SKIRT_MM / 2 })),
        into: 'carcass',
      }),
      ...row,
    }),
  )
  return [
    ...edges,
    ...s.bayY.slice(1).flatMap((y, i): Joint[] => {
      const at = y + s.bayMm / 2 + p.thicknessMm / 2
      const onFlange = (z: number) => EVEN.map((k) => ({ x: midX + k * p.lengthMm, y: at - (p.thicknessMm + FLANGE_MM) / 2, z }))
      return [
        {
          id: `joint:partition:${i}:floor`,
          between: [`partition:${i}`, 'carcass'],
          at: { x: midX, y: at, z: s.zMm + p.thicknessMm },
          ...bolts(along, p.lengthMm * 0.8, { rows: onFlange(s.zMm + p.thicknessMm), into: 'carcass' }),
          ...row,
        },
        {
          id: `joint:partition:${i}:deck`,
          between: ['deck', `partition:${i}`],
          at: { x: midX, y: at, z: s.topMm },
          ...bolts(along, p.lengthMm * 0.8, { rows: onFlange(s.topMm), into: `partition:${i}` }),
          ...row,
        },
      ]
    }),
    ...s.ribX.flatMap((x, i) =>
      s.bayY.map(
        (y, k): Joint => ({
          id: `joint:rib:${i}:${k}`,
          between: [`rib:${i}:${k}`, 'deck'],
          at: { x, y, z: s.topMm + 1 },
          ...bolts(3, s.bayMm * 0.8),
        }),
      ),
    ),
    ...s.bayY.flatMap((y, i): Joint[] => [
      ...sides.flatMap((side, k): Joint[] => {
        const at = { x: midX, y: y + (side * (s.bayMm - p.slideGapMm)) / 2, z: s.zMm + p.heightMm / 2 }
        return [
          {
            id: `joint:slide:${i}:${k}`,
            kind: 'slide',
            between: [`drawer:${i}`, `slide:${i}:${k}`],
            at,
            // one of a pair carries half of what the pair does; the road's shocks come on top of the weight
            rated: {
              holdsN: p.slideKg === null ? null : (p.slideKg * G_M_S2) / 2,
              by: 'maker of the slides',
              what: 'what a pair of slides carries, by its maker',
            },
          },
          {
            id: `joint:slide:${i}:${k}:wall`,
            between: [`slide:${i}:${k}`, wallOfBay(p, i, side)],
            at: { ...at, y: y + (side * s.bayMm) / 2 },
            // slides back to back on one wall: each has rivet nuts of its own
            ...bolts(along, p.lengthMm * 0.8, { into: wallOfBay(p, i, side) }),
            ...row,
          },
        ]
      }),
      {
        id: `lock:${i}`,
        kind: 'latch',
        between: [`drawer:${i}`, 'carcass'],
        at: { x: s.rearX, y, z: s.zMm + p.heightMm / 2 },
        rated: { holdsN: p.latchN, by: 'maker of the lock', what: 'what its maker lets the lock of a drawer hold' },
      },
      {
        id: `joint:front:${i}`,
        between: [`front:${i}`, `drawer:${i}`],
        at: { x: s.rearX + p.thicknessMm, y, z: s.zMm + p.heightMm / 2 },
        ...bolts(4, s.bayMm * 0.6),
      },
    ]),
  ]
}

/** The left wall of the first bay and the right one of the last are the carcass's, between them stand partitions. */
const wallOfBay = (p: DrawersParams, bay: number, side: 1 | -1): string =>
  side > 0 ? (bay === 0 ? 'carcass' : `partition:${bay - 1}`) : bay === p.count - 1 ? 'carcass' : `partition:${bay}`

/** The bought slides, one on each side of a drawer. */
export const slidesOf = (p: DrawersParams, s: DrawersShape): Fitting[] =>
  s.bayY.flatMap((y, i) =>
    sides.map((side, k): Fitting => {
      const middle = {
        x: s.rearX + p.thicknessMm + s.drawerMm.x / 2,
        y: y + (side * (s.bayMm - p.slideGapMm)) / 2,
        z: s.zMm + p.heightMm / 2,
      }
      return {
        id: `slide:${i}:${k}`,
        mark: 'SL',
        name: 'Drawer slide',
        massKg: p.slidePairKg === null ? null : p.slidePairKg / 2,
        at: middle,
        middle,
        size: { x: s.drawerMm.x, y: p.slideGapMm - 1, z: Math.min(SLIDE_MM, s.drawerMm.z) },
        unknown: [],
        // their price stands with the small parts
        priceMinor: 0,
        there: false,
      }
    }),
  )
