import { type Assembly, emptyAssembly, type Joint, type Member, type OwnDimension } from '../../assembly/assembly'
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
import type { LadderParams } from './params'

/** Gates stand this far in from the ends of the base; feet no further apart than that. Shop's own, mm */
const IN_MM = 60
const FEET_APART_MM = 600

export const edgeOf = (site: Site): Place | null => leftEdge(site, 'bed.rail', 'tray.edge')

export type LadderShape = {
  edge: Place
  frontX: number
  rearX: number
  baseZ: number
  footZ: number
  /** middle of the gates' bars, and of the rails that lie on them */
  barZ: number
  railZ: number
  half: (x: number) => number
  gateX: number[]
  noseX: number
  tailX: number
}
export function ladderShape(p: LadderParams, site: Site): LadderShape | null {
  const edge = edgeOf(site)
  if (!edge) return null
  const [base, bar] = [profileSection(p.baseProfileId), profileSection(p.profileId)]
  const frontX = edge.to.x - p.frontGapMm
  const rearX = frontX - p.baseMm
  const gateX = Array.from({ length: p.gates }, (_, i) => rearX + IN_MM + ((frontX - rearX - 2 * IN_MM) * i) / (p.gates - 1))
  const barZ = edge.to.z + p.heightMm - bar.heightMm * 1.5
  return {
    edge,
    frontX,
    rearX,
    baseZ: edge.to.z + base.heightMm / 2,
    footZ: edge.to.z + base.heightMm,
    barZ,
    railZ: barZ + bar.heightMm,
    half: (x) => alongPlace(edge, Math.min(edge.to.x, x) - edge.from.x).y - p.insideMm,
    gateX,
    noseX: gateX[gateX.length - 1]! + p.overCabMm,
    tailX: gateX[0]! - p.pastRearMm,
  }
}

export function assemble(p: LadderParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const s = ladderShape(p, site)
  if (!s) return notYet('The ladder rack has no rails to stand on: measure the bed or the tray at Measure')
  const { members, joints } = frameOf(p, s)
  const bar = profileSection(p.profileId)
  const mounts = feetOnEdge(s, IN_MM, FEET_APART_MM, standingOn(p, s, members))
  // the bars are all of one height: a load lies on them, between the rails that stand above
  const topZ = s.barZ + bar.heightMm / 2
  const inner = innerOf(p, s)
  const crossX = [...s.gateX, ...(p.overCabMm > 0 ? [s.noseX - bar.widthMm / 2] : [])]
  return {
    assembly: {
      ...emptyAssembly,
      members,
      joints: [...joints, ...clampedTo(mounts)],
      mounts,
      supports: [
        barsSupport({
          id: 'bars',
          name: 'Bars over bed and cab',
          bodyId: s.edge.bodyId,
          bearings: crossX.map((x, i) => ({
            on: i < s.gateX.length ? `bar:${i}` : 'nose',
            xMm: x,
            leftMm: inner,
            rightMm: -inner,
            zMm: topZ,
          })),
        }),
      ],
      hardware: [
        ...footHardware(footTypes['through-bolt'], mounts.length, 50, profileSection(p.baseProfileId).heightMm),
        { part: { kind: 'end cap' }, quantity: 8, for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(s, p),
    },
    issues: [...faults(p, s), ...overRoof(p, s, site)],
  }
}

const innerOf = (p: LadderParams, s: LadderShape): number => Math.min(...s.gateX.map(s.half)) - profileSection(p.profileId).widthMm / 2

function frameOf(p: LadderParams, s: LadderShape): { members: Member[]; joints: Joint[] } {
  const bar = profileSection(p.profileId)
  const upright = (m: Member): Member => ({ ...m, rollDeg: rollFor(m.path[0]!, m.path[1]!, { x: 0, y: 1, z: 0 }) })
  const postTop = s.barZ - bar.heightMm / 2
  const railY = Math.min(...s.gateX.map(s.half))
  const round = { lengthMm: bar.widthMm, apartMm: bar.heightMm, allRound: true }
  const joints: Joint[] = []
  const weld = (a: string, b: string, at: Vec3) => joints.push({ id: `weld:${a}|${b}`, kind: 'weld', between: [a, b], at, weld: round })
  const base = pairAlong(s, s.baseZ, p.baseProfileId, 'base', 'BR', 'Base rail')
  const gates = s.gateX.flatMap((x, i) => {
    const y = s.half(x)
    const posts = sides.map((side) => {
      const id = `post:${i}:${nameOf(side)}`
      weld(id, `base:${nameOf(side)}`, { x, y: side * y, z: s.footZ })
      weld(`bar:${i}`, id, { x, y: side * y, z: postTop })
      return upright(
        straight(
          id,
          `P${i + 1}${letterOf(side)}`,
          'Post',
          p.profileId,
          { x, y: side * y, z: s.footZ },
          { x, y: side * y, z: postTop },
          squareCut,
        ),
      )
    })
    const reach = y + bar.widthMm / 2
    return [
      ...posts,
      straight(`bar:${i}`, `GB${i + 1}`, 'Gate bar', p.profileId, { x, y: reach, z: s.barZ }, { x, y: -reach, z: s.barZ }, capped),
    ]
  })
  const rails = sides.map((side) => {
    const id = `rail:${nameOf(side)}`
    for (const [i, x] of s.gateX.entries()) weld(id, `bar:${i}`, { x, y: side * railY, z: s.barZ + bar.heightMm / 2 })
    return straight(
      id,
      `TR${letterOf(side)}`,
      'Top rail',
      p.profileId,
      { x: s.tailX, y: side * railY, z: s.railZ },
      { x: s.noseX, y: side * railY, z: s.railZ },
      capped,
    )
  })
  const nose: Member[] = []
  if (p.overCabMm > 0) {
    const x = s.noseX - bar.widthMm / 2
    const reach = railY + bar.widthMm / 2
    nose.push(straight('nose', 'NB', 'Nose bar', p.profileId, { x, y: reach, z: s.barZ }, { x, y: -reach, z: s.barZ }, capped))
    // it hangs under the rails, as high as the gates' own bars
    for (const side of sides) weld('nose', `rail:${nameOf(side)}`, { x, y: side * railY, z: s.barZ + bar.heightMm / 2 })
  }
  const braces = p.braces ? bracesOf(p, s, weld) : []
  return { members: [...base, ...gates, ...rails, ...nose, ...braces], joints }
}

/** Posts on the base rails, and under the braces where there is no room for a spanner. */
function standingOn(p: LadderParams, s: LadderShape, members: Member[]): Standing[] {
  const bar = profileSection(p.profileId)
  return [
    ...s.gateX.map((x) => ({ fromX: x - bar.heightMm / 2, toX: x + bar.heightMm / 2 })),
    ...members.flatMap((m) => (/^brace:.*:left$/.test(m.id) ? [underStay([m.path[1]!, m.path[0]!], bar.heightMm, s.footZ)] : [])),
  ]
}

/** A torch reaches between two parts that stand so far apart. mm, the shop's own */
const WELD_ROOM_MM = 6

/** From the foot of each gate to the head of the one ahead, on both sides: what braking and a load over the cab push against. */
function bracesOf(p: LadderParams, s: LadderShape, weld: (a: string, b: string, at: Vec3) => void): Member[] {
  const bar = profileSection(p.profileId)
  return s.gateX.slice(1).flatMap((x, i) =>
    sides.map((side) => {
      const to: Vec3 = { x: x - bar.heightMm / 2, y: side * s.half(x), z: s.barZ - bar.heightMm }
      const footAt = (aheadMm: number): Vec3 => ({ x: s.gateX[i]! + bar.heightMm / 2 + aheadMm, y: side * s.half(s.gateX[i]!), z: s.footZ })
      const slopeFrom = (v: Vec3) => Math.atan2(to.z - v.z, Math.max(1, to.x - v.x)) as Radians
      // cut to lie on the rail its foot is longer than the tube is high: all of it stands ahead of the post, with room for the weld
      const from = [0, 1, 2, 3].reduce((v) => footAt(bar.heightMm / 2 / Math.sin(Math.max(0.1, slopeFrom(v))) + WELD_ROOM_MM), footAt(20))
      const slope = Math.round(degrees(slopeFrom(from)) * 10) / 10
      const id = `brace:${i}:${nameOf(side)}`
      weld(id, `base:${nameOf(side)}`, from)
      weld(id, `post:${i + 1}:${nameOf(side)}`, to)
      return straight(id, `BC${i + 1}${letterOf(side)}`, 'Brace', p.profileId, from, to, [
        { kind: 'mitre', angleDeg: Math.round((90 - slope) * 10) / 10 },
        { kind: 'mitre', angleDeg: slope },
      ])
    }),
  )
}

function dimensionsOf(s: LadderShape, p: LadderParams): OwnDimension[] {
  const [last] = s.gateX.slice(-1)
  const y = s.half(last!)
  const top = s.edge.to.z + p.heightMm
  return [
    {
      id: 'height',
      view: 'rear',
      axis: 'y',
      side: 'low',
      running: false,
      label: 'rail to top',
      from: { x: last!, y, z: s.edge.to.z },
      to: { x: last!, y, z: top },
      edits: { figure: 'height', offsetMm: 0 },
    },
    {
      id: 'cab',
      view: 'side',
      axis: 'x',
      side: 'high',
      running: false,
      label: 'over the cab',
      from: { x: last!, y: 0, z: top },
      to: { x: s.noseX, y: 0, z: top },
      edits: { figure: 'cab', offsetMm: 0 },
    },
    {
      id: 'rails',
      view: 'plan',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'top rail',
      from: { x: s.tailX, y: -y, z: s.railZ },
      to: { x: s.noseX, y: -y, z: s.railZ },
    },
  ]
}

function faults(p: LadderParams, s: LadderShape): Issue[] {
  const bar = profileSection(p.profileId)
  const cab = s.edge.bodyId === null ? null : s.noseX
  return [
    ...(s.barZ - bar.heightMm / 2 - s.footZ < 80
      ? [faultOf('heightMm', 'The posts have no height left above the base rails: a higher rack')]
      : []),
    ...(s.gateX[1]! - s.gateX[0]! < 3 * bar.heightMm ? [faultOf('gates', 'The gates touch: fewer of them, or a longer base')] : []),
    ...(s.rearX < s.edge.from.x - 0.5 ? [faultOf('baseMm', 'The base runs out behind the bed: a shorter base')] : []),
    ...(cab !== null && p.overCabMm > 2.5 * Math.max(1, s.gateX[s.gateX.length - 1]! - s.gateX[0]!)
      ? [faultOf('overCabMm', 'It reaches further over the cab than its gates can hold down: less over the cab, or gates further apart')]
      : []),
  ]
}

/** Air to leave between the rails and the roof of the cab: it moves against the bed. Shop's own, mm */
const OVER_ROOF_MM = 40

/** Lowest that it may stand above its edge for the nose bar, which hangs lowest, to clear the roof. mm */
export const leastHeightMm = (p: LadderParams, edgeZMm: number, roofMm: number): number =>
  roofMm + OVER_ROOF_MM + 2 * profileSection(p.profileId).heightMm - edgeZMm

/** What reaches over the cab clears its roof, and a roof that nobody measured is said. */
function overRoof(p: LadderParams, s: LadderShape, { vehicle }: Site): Issue[] {
  if (p.overCabMm <= 0) return []
  // the nose bar hangs lowest
  const under = s.barZ - profileSection(p.profileId).heightMm / 2
  const roof = vehicle.roofHeightMm.value
  const says = (at: Issue['at'], text: string): Issue[] => [{ code: 'shape', at, fix: null, says: text }]
  if (roof === null)
    return says(['vehicle', 'roofHeightMm'], 'Whether the nose bar clears the cab is not known: measure the height of the roof')
  const clear = under - roof
  return clear < OVER_ROOF_MM
    ? says(
        ['params', 'heightMm'],
        clear < 0
          ? `The nose bar runs through the roof of the cab, {${Math.round(-clear)}} below it: a higher rack, or nothing over the cab`
          : `The nose bar clears the roof of the cab by {${Math.round(clear)}} only, {${OVER_ROOF_MM}} are left for it to move: a higher rack`,
      )
    : []
}
