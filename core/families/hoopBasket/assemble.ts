import { type Assembly, emptyAssembly, type Infill, type OwnDimension, type Support } from '../../assembly/assembly'
import { footHardware, isHollow, throughBolts } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import type { Issue } from '../../issue/issue'
import type { MountLine } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { feetOnLine, footFaults } from '../feetAlong'
import { lineOf } from '../mountLine'
import { barsSupport, clampedTo, faultOf } from '../parts'
import { lampsOf } from './lamps'
import { type BasketParams, outsideMm } from './params'
import { type BasketShape, basketShape } from './shape'
import { tubesOf } from './tubes'

/** Shop's own: expanded mesh and slats as bought, tacked to every tube that they cross. */
const FLOORS = {
  mesh: { kgM2: 5.4, openShare: 0.6, priceMinorM2: 3600, tackMm: 150 },
  slats: { kgM2: 8.1, openShare: 0.5, priceMinorM2: 4400, tackMm: 300 },
}

export function assemble(p: BasketParams, { vehicle }: Site): { assembly: Assembly; issues: Issue[] } {
  const line = lineOf(p, vehicle)
  if (!line) return { assembly: emptyAssembly, issues: [{ code: 'no_mount_line', at: ['vehicle', 'mounts'], fix: null }] }
  const shape = basketShape(p, line)
  const { members, joints } = tubesOf(p, shape)
  const lamps = lampsOf(p, shape)
  const mounts = feetOnLine(p.footXMm, line, shape.half, (side) => `runner:${side}`)
  const foot = footTypes[line.kind]
  const ends = members.reduce((n, m) => n + m.ends.filter((e) => e.kind === 'cap').length, 0)
  return {
    assembly: {
      ...emptyAssembly,
      members,
      plates: lamps.plates,
      fittings: lamps.fittings,
      joints: [...joints, ...lamps.joints, ...clampedTo(mounts)],
      mounts,
      supports: [supportOf(p, shape, line)],
      infills: floorOf(p, shape),
      hardware: [
        ...footHardware(foot, mounts.length, mounts[0]?.backingMm ?? null),
        ...(lamps.fittings.length ? throughBolts('M8', 15, 2 * lamps.fittings.length, 'lamps on their tabs') : []),
        ...(ends && isHollow(p.runnerProfileId) ? [{ part: { kind: 'end cap' as const }, quantity: ends, for: 'open tube ends' }] : []),
      ],
      dimensions: dimensionsOf(p, shape),
    },
    issues: [...faults(p, shape, line), ...lamps.issues],
  }
}

const topZ = (p: BasketParams, s: BasketShape): number => s.z + outsideMm(p.crossProfileId) / 2 + (p.floor === 'open' ? 0 : 4)

const supportOf = (p: BasketParams, s: BasketShape, line: MountLine): Support => {
  const inner = (x: number) => s.half(x) - outsideMm(p.runnerProfileId) / 2
  return barsSupport(
    {
      id: 'floor',
      name: 'Basket floor',
      bodyId: line.bodyId,
      bearings: s.crossX.map((x, i) => ({ on: `cross:${i}`, xMm: x, leftMm: inner(x), rightMm: -inner(x), zMm: topZ(p, s) })),
    },
    s.crossX.map((_, i) => `cross:${i}`),
  )
}

function floorOf(p: BasketParams, s: BasketShape): Infill[] {
  if (p.floor === 'open') return []
  const kind = FLOORS[p.floor]
  const [first, last] = [s.crossX[0]!, s.crossX[s.crossX.length - 1]!]
  const edge = (x: number) => s.half(x) - outsideMm(p.runnerProfileId) / 2
  const z = s.z + outsideMm(p.crossProfileId) / 2
  const areaM2 = ((edge(first) + edge(last)) * Math.max(0, last - first)) / 1e6
  const tacked = s.crossX.reduce((sum, x) => sum + Math.ceil((2 * edge(x)) / kind.tackMm) + 1, 0)
  return [
    {
      id: 'mesh',
      mark: 'FL',
      name: p.floor === 'mesh' ? 'Floor mesh' : 'Floor slats',
      kind: p.floor,
      on: s.crossX.map((_, i) => `cross:${i}`),
      outline: [
        { x: first, y: edge(first), z },
        { x: first, y: -edge(first), z },
        { x: last, y: -edge(last), z },
        { x: last, y: edge(last), z },
      ],
      openShare: kind.openShare,
      massKg: areaM2 * kind.kgM2,
      fixings: { what: p.floor === 'mesh' ? 'tacks' : 'screws', count: tacked },
      priceMinor: Math.round(areaM2 * kind.priceMinorM2),
    },
  ]
}

function dimensionsOf(p: BasketParams, s: BasketShape): OwnDimension[] {
  const [front, rear] = s.hoops
  const tube = outsideMm(p.hoopProfileId)
  const top = front.legAt(p.sideMm, 1)
  const wide = (out: number) => ({
    from: { ...top, y: front.half + out },
    to: { ...top, y: -front.half - out },
  })
  return [
    {
      id: 'side',
      view: 'side',
      axis: 'y',
      side: 'high',
      running: false,
      label: 'sides',
      from: { ...front.legAt(0, 1), x: front.x },
      to: top,
      edits: { figure: 'side', offsetMm: 0 },
    },
    { id: 'outside', view: 'rear', axis: 'x', side: 'high', running: false, label: 'hoop, outside', ...wide(tube / 2) },
    { id: 'clear', view: 'rear', axis: 'x', side: 'high', running: false, label: 'hoop, clear', ...wide(-tube / 2) },
    {
      id: 'length',
      view: 'plan',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'runner',
      from: { x: s.rearX, y: -s.half(s.rearX), z: s.z },
      to: { x: s.frontX, y: -s.half(s.frontX), z: s.z },
    },
    {
      id: 'between',
      view: 'side',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'hoop to hoop, centres',
      from: rear.legAt(0, 1),
      to: front.legAt(0, 1),
    },
  ]
}

function faults(p: BasketParams, s: BasketShape, line: MountLine): Issue[] {
  const out: Issue[] = []
  if (p.bendRadiusMm === null)
    out.push(faultOf('bendRadiusMm', 'Nothing bent has a cut length until the radius is known: type the centre-line radius of the die'))
  else if (p.bendRadiusMm < outsideMm(p.hoopProfileId) / 2)
    out.push(faultOf('bendRadiusMm', `A radius of {${p.bendRadiusMm}} is less than half the tube: it would fold into itself`))
  if (outsideMm(p.crossProfileId) > outsideMm(p.runnerProfileId) || outsideMm(p.hoopProfileId) > outsideMm(p.runnerProfileId))
    out.push(
      faultOf(
        'runnerProfileId',
        'Cross tubes and hoops are larger than the runners they are saddled onto: larger runners, or smaller tubes',
      ),
    )
  if (p.sideBars && outsideMm(p.sideProfileId) > outsideMm(p.hoopProfileId))
    out.push(faultOf('sideProfileId', 'The side bars are larger than the hoops they are saddled onto: a smaller tube'))
  if (p.sideBars && s.sideUpMm === null)
    out.push(faultOf('sideMm', 'The legs of the hoops have no straight left for the side bars: higher sides, or a smaller radius'))
  out.push(...footFaults(p.footXMm, line))
  const pitch = s.crossX[1]! - s.crossX[0]!
  if (pitch < outsideMm(p.crossProfileId) + 20) out.push(faultOf('crossTubes', 'The cross tubes touch: fewer of them, or a longer basket'))
  return out
}
