import { type Assembly, emptyAssembly, type Infill, type Joint, type Member, type OwnDimension } from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import { rollFor } from '../../geometry/localAxes'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import { alongPlace, type Place } from '../../places/places'
import { degrees, type Radians } from '../../quantity/units'
import type { Site } from '../family'
import { feetOnEdge, leftEdge, letterOf, nameOf, type Standing, sides, underStay } from '../feetOnEdge'
import { barsSupport, capped, clampedTo, faultOf, notYet, pairAlong, squareCut, straight } from '../parts'
import type { HeadboardParams } from './params'

/** Shop's own: feet this far from the ends of a base rail and no further apart; what mesh, slats and a sheet weigh and cost. mm, kg/m² */
const FOOT_IN_MM = 70
const FEET_APART_MM = 500
const FILLS = {
  mesh: { kgM2: 4.4, openShare: 0.65, priceMinorM2: 3700, tackMm: 130 },
  slats: { kgM2: 7.4, openShare: 0.4, priceMinorM2: 4600, tackMm: 250 },
}
const SHEET = { kgM2: 0.7, priceMinorM2: 2900 }

/** The edge it stands on: that of a tray, else the rail of a bed; null where neither is measured. */
export const edgeOf = (site: Site): Place | null => leftEdge(site, 'tray.edge', 'bed.rail')

export type BoardShape = {
  edge: Place
  frontX: number
  rearX: number
  postX: number
  baseZ: number
  footZ: number
  topZ: number
  half: (x: number) => number
  stay: [Vec3, Vec3]
  midZ: number[]
}
export function boardShape(p: HeadboardParams, site: Site): BoardShape | null {
  const edge = edgeOf(site)
  if (!edge) return null
  const [base, post] = [profileSection(p.baseProfileId), profileSection(p.postProfileId)]
  const frontX = edge.to.x - p.frontGapMm
  const rearX = frontX - p.baseMm
  const postX = frontX - post.heightMm / 2 - 10
  const edgeZ = edge.to.z
  const footZ = edgeZ + base.heightMm
  const topZ = edgeZ + p.heightMm - post.heightMm / 2
  const half = (x: number) => alongPlace(edge, x - edge.from.x).y - p.insideMm
  const backX = Math.max(rearX + 60, postX - p.stayBackMm)
  const up = Math.min(edgeZ + p.stayUpMm, topZ - post.heightMm)
  return {
    edge,
    frontX,
    rearX,
    postX,
    baseZ: edgeZ + base.heightMm / 2,
    footZ,
    topZ,
    half,
    stay: [
      { x: postX - post.heightMm / 2, y: half(postX), z: Math.max(footZ + 40, up) },
      { x: backX, y: half(postX), z: footZ },
    ],
    midZ: Array.from({ length: p.midBars }, (_, i) => footZ + ((topZ - footZ) * (i + 1)) / (p.midBars + 1)),
  }
}

export function assemble(p: HeadboardParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const s = boardShape(p, site)
  if (!s) return notYet('The headboard has no edge to stand on: measure the tray or the bed at Measure')
  const { members, joints } = frameOf(p, s)
  const mounts = feetOnEdge(s, FOOT_IN_MM, FEET_APART_MM, standingOn(p, s))
  const bar = profileSection(p.postProfileId)
  return {
    assembly: {
      ...emptyAssembly,
      members,
      joints: [...joints, ...clampedTo(mounts)],
      mounts,
      supports: [
        barsSupport({
          id: 'top',
          name: 'Headboard top',
          bodyId: s.edge.bodyId,
          bearings: [{ on: 'top', xMm: s.postX, leftMm: s.half(s.postX), rightMm: -s.half(s.postX), zMm: s.topZ + bar.heightMm / 2 }],
        }),
      ],
      infills: fillsOf(p, s),
      hardware: [
        ...footHardware(footTypes['through-bolt'], mounts.length, 50, profileSection(p.baseProfileId).heightMm),
        { part: { kind: 'end cap' }, quantity: 6, for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(p, s),
    },
    issues: faults(p, s),
  }
}

/** Where the posts and the sloping stays meet a base rail. */
function standingOn(p: HeadboardParams, s: BoardShape): Standing[] {
  const deep = profileSection(p.postProfileId).heightMm
  return [{ fromX: s.postX - deep / 2, toX: s.postX + deep / 2 }, underStay(s.stay, deep, s.footZ)]
}

function frameOf(p: HeadboardParams, s: BoardShape): { members: Member[]; joints: Joint[] } {
  const bar = profileSection(p.postProfileId)
  const y = s.half(s.postX)
  const inner = y - bar.widthMm / 2
  const upright = (m: Member): Member => ({ ...m, rollDeg: rollFor(m.path[0]!, m.path[1]!, { x: 0, y: 1, z: 0 }) })
  // a stay lies flat on the rail and against the post: its two cuts add up to a right angle
  const [up, down] = s.stay
  const slope = Math.round(degrees(Math.atan2(up.z - down.z, up.x - down.x) as Radians) * 10) / 10
  const members = [
    ...pairAlong(s, s.baseZ, p.baseProfileId, 'base', 'BR', 'Base rail'),
    ...sides.map((side) =>
      upright(
        straight(
          `post:${nameOf(side)}`,
          `PO${letterOf(side)}`,
          'Post',
          p.postProfileId,
          { x: s.postX, y: side * y, z: s.footZ },
          { x: s.postX, y: side * y, z: s.topZ - bar.heightMm / 2 },
          squareCut,
        ),
      ),
    ),
    straight(
      'top',
      'TB',
      'Top bar',
      p.postProfileId,
      { x: s.postX, y: y + bar.widthMm / 2, z: s.topZ },
      { x: s.postX, y: -y - bar.widthMm / 2, z: s.topZ },
      capped,
    ),
    ...s.midZ.map((z, i) =>
      straight(
        `mid:${i}`,
        `MB${i + 1}`,
        'Middle bar',
        p.postProfileId,
        { x: s.postX, y: inner, z },
        { x: s.postX, y: -inner, z },
        squareCut,
      ),
    ),
    ...sides.map((side) =>
      straight(
        `stay:${nameOf(side)}`,
        `ST${letterOf(side)}`,
        'Stay',
        p.postProfileId,
        { ...up, y: side * up.y },
        { ...down, y: side * down.y },
        [
          { kind: 'mitre', angleDeg: slope },
          { kind: 'mitre', angleDeg: Math.round((90 - slope) * 10) / 10 },
        ],
      ),
    ),
  ]
  const round = { lengthMm: bar.widthMm, apartMm: bar.heightMm, allRound: true }
  const weld = (id: string, a: string, b: string, at: Vec3): Joint => ({ id: `weld:${id}`, kind: 'weld', between: [a, b], at, weld: round })
  const joints = sides.flatMap((side) => {
    const n = nameOf(side)
    return [
      weld(`post:${n}`, `post:${n}`, `base:${n}`, { x: s.postX, y: side * y, z: s.footZ }),
      weld(`top:${n}`, 'top', `post:${n}`, { x: s.postX, y: side * y, z: s.topZ - bar.heightMm / 2 }),
      weld(`stay:${n}:up`, `stay:${n}`, `post:${n}`, { ...up, y: side * up.y }),
      weld(`stay:${n}:down`, `stay:${n}`, `base:${n}`, { ...down, y: side * down.y }),
      ...s.midZ.map((z, i) => weld(`mid:${i}:${n}`, `mid:${i}`, `post:${n}`, { x: s.postX, y: side * inner, z })),
    ]
  })
  return { members, joints }
}

function fillsOf(p: HeadboardParams, s: BoardShape): Infill[] {
  const bar = profileSection(p.postProfileId)
  const half = s.half(s.postX) - bar.widthMm / 2
  const [low, high] = [s.footZ + 20, s.topZ - bar.heightMm / 2]
  if (high <= low) return []
  const outline: Vec3[] = [
    { x: s.postX, y: half, z: low },
    { x: s.postX, y: -half, z: low },
    { x: s.postX, y: -half, z: high },
    { x: s.postX, y: half, z: high },
  ]
  const areaM2 = (2 * half * (high - low)) / 1e6
  const round = 2 * (2 * half + (high - low))
  const on = ['top', 'post:left', 'post:right', ...s.midZ.map((_, i) => `mid:${i}`)]
  const kind = p.fill === 'open' ? null : FILLS[p.fill]
  return [
    ...(kind && p.fill !== 'open'
      ? [
          {
            id: 'fill',
            mark: 'IN',
            name: p.fill === 'mesh' ? 'Mesh' : 'Slats',
            kind: p.fill,
            on,
            outline,
            openShare: p.sheet ? 0 : kind.openShare,
            massKg: areaM2 * kind.kgM2,
            fixings: { what: p.fill === 'mesh' ? ('tacks' as const) : ('screws' as const), count: Math.ceil(round / kind.tackMm) },
            priceMinor: Math.round(areaM2 * kind.priceMinorM2),
          },
        ]
      : []),
    ...(p.sheet
      ? [
          {
            id: 'sheet',
            mark: 'SH',
            name: 'Roll-down sheet',
            kind: 'canvas' as const,
            on: ['top', 'post:left', 'post:right'],
            outline: outline.map((c) => ({ ...c, x: c.x - 12 })),
            // where mesh lies before it the wind meets one of the two: counted with the mesh, else by itself
            openShare: kind ? 1 : 0,
            massKg: areaM2 * SHEET.kgM2,
            fixings: { what: 'screws' as const, count: Math.ceil(round / 250) },
            priceMinor: Math.round(areaM2 * SHEET.priceMinorM2),
          },
        ]
      : []),
  ]
}

function dimensionsOf(p: HeadboardParams, s: BoardShape): OwnDimension[] {
  const top = s.edge.to.z + p.heightMm
  const y = s.half(s.postX)
  return [
    {
      id: 'height',
      view: 'rear',
      axis: 'y',
      side: 'low',
      running: false,
      label: 'edge to top',
      from: { x: s.postX, y, z: s.edge.to.z },
      to: { x: s.postX, y, z: top },
      edits: { figure: 'height', offsetMm: 0 },
    },
    {
      id: 'width',
      view: 'rear',
      axis: 'x',
      side: 'high',
      running: false,
      label: 'posts, centres',
      from: { x: s.postX, y, z: top },
      to: { x: s.postX, y: -y, z: top },
    },
    {
      id: 'base',
      view: 'plan',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'base',
      from: { x: s.rearX, y: -s.half(s.rearX), z: s.baseZ },
      to: { x: s.frontX, y: -s.half(s.frontX), z: s.baseZ },
      edits: { figure: 'base', offsetMm: 0 },
    },
  ]
}

function faults(p: HeadboardParams, s: BoardShape): Issue[] {
  const bar = profileSection(p.postProfileId)
  return [
    ...(s.topZ - bar.heightMm / 2 - s.footZ < 80
      ? [faultOf('heightMm', 'The posts have no height left above the base rails: a taller headboard')]
      : []),
    ...(p.stayUpMm > p.heightMm - bar.heightMm
      ? [faultOf('stayUpMm', `The stays meet the posts above the top bar: {${Math.max(0, Math.round(p.heightMm - bar.heightMm))}} or less`)]
      : []),
    ...(s.postX - p.stayBackMm < s.rearX + 60
      ? [faultOf('stayBackMm', 'The stays would stand behind the base rails: longer rails, or less far back')]
      : []),
    ...(s.rearX < s.edge.from.x - 0.5 ? [faultOf('baseMm', 'The base runs out behind the tray: a shorter base')] : []),
  ]
}
