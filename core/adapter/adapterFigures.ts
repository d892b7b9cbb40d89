import { type ThreadName, threads } from '../boltHoles/boltHoles'
import { type Figure, figure, SHOP_RULE } from '../figure/figure'

/** From one to an edge, and between middles of two holes, in diameters of the hole at least (EN 1993-1-8, table 3.3: e₂ and p₂) */
const EDGE_D = 1.2
const PITCH_D = 2.4
/** A plain washer is twice its bolt across (ISO 7089), and lies on metal by so much more. Shop's own, mm */
export const WASHER_D = 2
const RIM_MM = 2

type Edge = { k: number; d0: number; w: number; d: number; r: number }
const edgeOf = ({ k, d0, w, d, r }: Edge): number => Math.max(k * d0, (w * d) / 2 + r)
const edgeGiven = (bolt: ThreadName): Edge => ({
  k: EDGE_D,
  d0: threads[bolt].normalMm,
  w: WASHER_D,
  d: threads[bolt].nominalMm,
  r: RIM_MM,
})
/** Metal from the middle of a bolt's hole to the edge of the plate. mm */
export const edgeMm = (bolt: ThreadName): number => edgeOf(edgeGiven(bolt))
export function edgeFigure(bolt: ThreadName): Figure {
  const { k, d0, w, d, r } = edgeGiven(bolt)
  return figure(
    {
      id: `adapter.edge.${bolt}`,
      name: `From a hole for ${bolt} to the edge`,
      unit: 'gauge',
      formula: 'e = max(k·d₀ ; w·d/2 + r)',
      source: `EN 1993-1-8, table 3.3, e₂; ISO 273 medium or ASME B18.2.8 normal; ISO 7089; rim: ${SHOP_RULE}`,
      with: {
        k: [k, '', 'diameters of the hole'],
        d0: [d0, 'gauge', 'hole'],
        w: [w, '', 'washer, in bolts across'],
        d: [d, 'gauge', 'bolt'],
        r: [r, 'gauge', 'rim beyond the washer'],
      },
    },
    edgeOf,
  )
}

const pitchOf = ({ k, d0 }: { k: number; d0: number[] }): number => k * Math.max(...d0)
/** Between the middles of two holes, by the larger. mm */
export const pitchMm = (bolts: readonly ThreadName[]): number => pitchOf({ k: PITCH_D, d0: bolts.map((b) => threads[b].normalMm) })
export const pitchFigure = (bolts: readonly ThreadName[]): Figure =>
  figure(
    {
      id: `adapter.pitch.${bolts.join('.')}`,
      name: 'Between the middles of two holes, by the larger',
      unit: 'gauge',
      formula: 'p = k·max(d₀ᵢ)',
      source: 'EN 1993-1-8, table 3.3, p₂; ISO 273 medium or ASME B18.2.8 normal',
      with: { k: [PITCH_D, '', 'diameters of the hole'], d0: bolts.map((b) => [threads[b].normalMm, 'gauge', `hole for ${b}`] as const) },
    },
    pitchOf,
  )
