import type { Support } from '../../assembly/assembly'
import { sectionOf } from '../../catalogue/section'
import { longFirst } from '../foldedParts'
import type { DrawersParams } from './params'
import { AIR_MM, type DrawersShape, RIB_WIDE_MM } from './shape'

const noPeople = { holds: false, walkOn: [], climbOn: [], surface: null }

/** Things lie on the deck as on bars: a line over each rib, or over its two ends. */
export function deckOf(p: DrawersParams, s: DrawersShape): Support {
  const at = [...s.ribX, s.frontX - 20]
  return {
    ...noPeople,
    id: 'deck',
    name: 'Deck over the drawers',
    kind: 'deck',
    bodyId: s.floor.bodyId,
    bearings: at.map((x) => ({ on: 'deck', xMm: x, leftMm: p.widthMm / 2, rightMm: -p.widthMm / 2, zMm: s.topMm + p.thicknessMm + 1 })),
    panels: [
      {
        part: 'deck',
        name: 'deck between ribs and walls',
        takes: 'down',
        ...longFirst(s.bayMm, p.lengthMm / p.ribs),
        ribs: { part: 'rib:0:0', spanMm: s.bayMm, pitchMm: p.lengthMm / p.ribs, modulusMm3: ribModulusMm3(p) },
      },
    ],
  }
}

/** Of a rib bent downwards: a channel lying on its back, about the axis along its back. mm³ */
const ribModulusMm3 = (p: DrawersParams): number =>
  sectionOf({ kind: 'channel', widthMm: p.ribMm, heightMm: RIB_WIDE_MM, webMm: p.thicknessMm, flangeMm: p.thicknessMm }).wzMm3

export const trayOf = (p: DrawersParams, s: DrawersShape, i: number): Support => ({
  ...noPeople,
  id: `tray:${i}`,
  name: `Drawer ${i + 1}`,
  kind: 'tray',
  bodyId: s.floor.bodyId,
  bearings: [0.3, 0.5, 0.7].map((share) => ({
    on: `drawer:${i}`,
    xMm: s.rearX + s.drawerMm.x * share,
    leftMm: s.bayY[i]! + s.drawerMm.y / 2,
    rightMm: s.bayY[i]! - s.drawerMm.y / 2,
    zMm: s.zMm + 2 * p.thicknessMm + AIR_MM,
  })),
  holds: true,
  ratedKg: { value: p.slideKg, source: 'maker of the slides' },
  panels: [
    { part: `drawer:${i}`, name: 'floor of a drawer', takes: 'down', ...longFirst(s.drawerMm.x, s.drawerMm.y) },
    { part: `drawer:${i}`, name: 'ends of a drawer', takes: 'along', ...longFirst(s.drawerMm.y, s.drawerMm.z) },
    { part: `drawer:${i}`, name: 'sides of a drawer', takes: 'aside', ...longFirst(s.drawerMm.x, s.drawerMm.z) },
  ],
  encloses: {
    room: { x: s.drawerMm.x - 2 * p.thicknessMm, y: s.drawerMm.y - 2 * p.thicknessMm, z: s.drawerMm.z - p.thicknessMm },
    lid: { joints: [] },
  },
})
