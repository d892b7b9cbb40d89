import { type Assembly, emptyAssembly, type Motion, type Mount } from '../../assembly/assembly'
import { footHardware, throughBolts } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { panFaults } from '../../sheet/folded'
import type { Site } from '../family'
import { floorFaults, floorFootKind, floorOf } from '../floor'
import { foldedPlate, type PanPart } from '../foldedParts'
import { clampedTo, faultOf, notYet } from '../parts'
import { jointsOf, slidesOf } from './joints'
import type { DrawersParams } from './params'
import { type DrawersShape, drawersShape, FOOT_IN_MM, partsOf, Z } from './shape'
import { deckOf, trayOf } from './supports'

export function assemble(p: DrawersParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const floor = floorOf(p, site)
  if (!floor) return notYet('The drawers have no floor to stand on: measure the bed, the tray or the van’s floor at Measure')
  const s = drawersShape(p, floor)
  const parts = partsOf(p, s, site.rules)
  const plates = parts.map((part) =>
    foldedPlate(
      part,
      { materialId: p.materialId, thicknessMm: p.thicknessMm },
      /^(rib|drawer|partition)/.test(part.id) ? 'sheltered' : 'board',
    ),
  )
  const mounts = feetOf(p, s)
  const joints = jointsOf(p, s)
  const boltsOf = (of: typeof joints) => of.reduce((n, j) => n + (j.bolts?.count ?? 0), 0)
  const blind = boltsOf(joints.filter((j) => j.bolts?.into))
  return {
    assembly: {
      ...emptyAssembly,
      plates,
      fittings: slidesOf(p, s),
      mounts,
      joints: [...joints, ...clampedTo(mounts)],
      supports: [deckOf(p, s), ...s.bayY.map((_, i) => trayOf(p, s, i))],
      motions: s.bayY.map(
        (_, i): Motion => ({
          id: `drawer:${i}`,
          name: `Drawer ${i + 1}`,
          kind: 'slide',
          moves: [`drawer:${i}`, `front:${i}`, `slide:${i}:0`, `slide:${i}:1`],
          axis: { at: { x: s.rearX, y: s.bayY[i]!, z: s.zMm }, way: { x: -1, y: 0, z: 0 } },
          from: 0,
          to: Math.min(p.travelMm, s.drawerMm.x),
          heldBy: 'its lock',
          pulledOut: { supportId: `tray:${i}`, lockN: p.outLockN },
        }),
      ),
      hardware: [
        ...footHardware(footTypes[floorFootKind(floor)], mounts.length, mounts[0]?.backingMm ?? null, p.thicknessMm),
        { part: { kind: 'drawer slide', lengthMm: Math.round(s.drawerMm.x) }, quantity: 2 * p.count, for: 'a pair to each drawer' },
        { part: { kind: 'latch' }, quantity: p.count, for: 'lock of each drawer' },
        ...throughBolts('M6', 2 * p.thicknessMm, boltsOf(joints) - blind, 'ribs and fronts'),
        ...throughBolts('M6', 2 * p.thicknessMm, blind, 'deck, partitions and slides', 'rivet nut'),
      ],
      dimensions: [
        {
          id: 'length',
          view: 'plan',
          axis: 'x',
          side: 'low',
          running: false,
          label: 'drawers',
          from: { x: s.rearX, y: -p.widthMm / 2, z: s.zMm },
          to: { x: s.frontX, y: -p.widthMm / 2, z: s.zMm },
          edits: { figure: 'length', offsetMm: 0 },
        },
        {
          id: 'height',
          view: 'rear',
          axis: 'y',
          side: 'low',
          running: false,
          label: 'floor to deck',
          from: { x: s.rearX, y: p.widthMm / 2, z: s.zMm },
          to: { x: s.rearX, y: p.widthMm / 2, z: s.topMm },
          edits: { figure: 'height', offsetMm: 0 },
        },
      ],
    },
    issues: faults(p, s, parts, site.rules),
  }
}

/** Two feet at each end, three along where it is long, through the floor of the carcass. */
function feetOf(p: DrawersParams, s: DrawersShape): Mount[] {
  const kind = floorFootKind(s.floor)
  const half = Math.min(Math.abs(s.floor.from.y), Math.abs(s.floor.to.y), p.widthMm / 2 - FOOT_IN_MM)
  const xs = p.lengthMm > 900 ? [0, 0.5, 1] : [0, 1]
  return xs.flatMap((share, i) =>
    (['left', 'right'] as const).map(
      (side): Mount => ({
        id: `foot:${i}:${side}`,
        mark: `F${i + 1}${side === 'left' ? 'L' : 'R'}`,
        kind,
        placeId: s.floor.id,
        bodyId: s.floor.bodyId,
        on: 'carcass',
        side,
        place: {
          x: s.rearX + FOOT_IN_MM + share * (p.lengthMm - 2 * FOOT_IN_MM),
          y: side === 'left' ? half : -half,
          z: s.floor.to.z,
        },
        normal: Z,
        massKg: footTypes[kind].massKg,
        backingMm: footTypes[kind].drilled ? 50 : null,
        via: null,
      }),
    ),
  )
}

function faults(p: DrawersParams, s: DrawersShape, parts: PanPart[], rules: Rules): Issue[] {
  const seen = new Set<string>()
  return [
    ...floorFaults('drawers', { lengthMm: p.lengthMm, widthMm: p.widthMm, rearX: s.rearX, frontMm: p.frontMm }, s.floor),
    ...(s.drawerMm.y < 80 ? [faultOf('count', 'The drawers would be too narrow between their slides: fewer of them')] : []),
    ...(s.drawerMm.z < 30 ? [faultOf('heightMm', 'No height is left for the drawers under the deck: taller')] : []),
    ...(p.travelMm > s.drawerMm.x + 1
      ? [faultOf('travelMm', `A drawer of {${Math.round(s.drawerMm.x)}} cannot travel farther than it is long`)]
      : []),
    ...parts.flatMap((part) =>
      panFaults(part.pan, { leastFlangeT: rules.leastFlangeT, leastRadiusT: rules.leastRadiusT }).flatMap((says) => {
        const line = `${part.name.split(':')[0]}: ${says}`
        if (seen.has(line)) return []
        seen.add(line)
        return [faultOf('thicknessMm', line)]
      }),
    ),
  ]
}
