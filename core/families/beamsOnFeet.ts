import type { OwnDimension } from '../assembly/assembly'
import { profileSection } from '../catalogue/profiles'
import { type MountLine, mountHalfWidthMm } from '../vehicle/vehicle'
import type { FieldSpec, Handle, Measure, Site } from './family'
import { feetOver, footMeasures } from './feetAlong'
import { lineField, lineOf } from './mountLine'

/** Two beams along the vehicle on pairs of feet, with cross members between them, flush with their tops. mm */
export type BeamsOnFeet = {
  mountId: string
  footXMm: number[]
  /** beams past the end feet */
  pastMm: number
  footHeightMm: number
  beamProfileId: string
  crossProfileId: string
  crosses: number
}

/** Where everything of it stands; its beams run straight from the rear foot to the front one. mm */
export type BeamShape = {
  rearX: number
  frontX: number
  z: number
  topZ: number
  half: (x: number) => number
  inner: (x: number) => number
  crossX: number[]
}
export function beamShape(p: BeamsOnFeet, line: MountLine): BeamShape {
  const xs = [...p.footXMm].sort((a, b) => a - b)
  const [first, last] = [xs[0]!, xs[xs.length - 1]!]
  const [a, b] = [mountHalfWidthMm(line, first), mountHalfWidthMm(line, last)]
  const half = (x: number) => Math.max(80, a + ((b - a) * (x - first)) / Math.max(1, last - first))
  const beam = profileSection(p.beamProfileId)
  const cross = profileSection(p.crossProfileId)
  const [rearX, frontX] = [first - p.pastMm, last + p.pastMm]
  const z = line.zMm + p.footHeightMm + beam.heightMm / 2
  // cross members lie flush with the top of the beams, the end ones with their ends
  const [from, to] = [rearX + cross.widthMm / 2, frontX - cross.widthMm / 2]
  return {
    rearX,
    frontX,
    z,
    topZ: z + beam.heightMm / 2,
    half,
    inner: (x) => half(x) - beam.widthMm / 2,
    crossX: Array.from({ length: p.crosses }, (_, i) => from + ((to - from) * i) / (p.crosses - 1)),
  }
}

export const beamDimensions = (s: BeamShape): OwnDimension[] => [
  {
    id: 'length',
    view: 'plan',
    axis: 'x',
    side: 'low',
    running: false,
    label: 'beam',
    from: { x: s.rearX, y: -s.half(s.rearX), z: s.z },
    to: { x: s.frontX, y: -s.half(s.frontX), z: s.z },
  },
  {
    id: 'rear',
    view: 'plan',
    axis: 'y',
    side: 'low',
    running: false,
    label: 'rear, centres',
    from: { x: s.rearX, y: s.half(s.rearX), z: s.z },
    to: { x: s.rearX, y: -s.half(s.rearX), z: s.z },
  },
  {
    id: 'front',
    view: 'plan',
    axis: 'y',
    side: 'high',
    running: false,
    label: 'front, centres',
    from: { x: s.frontX, y: s.half(s.frontX), z: s.z },
    to: { x: s.frontX, y: -s.half(s.frontX), z: s.z },
  },
]

/** Its ends, the height of its feet, and each pair of them. */
const beamMeasures = <P extends BeamsOnFeet>(p: P, { vehicle }: Site): Measure<P>[] => [
  {
    id: 'past',
    label: 'Beams past the end feet',
    unit: 'length',
    value: p.pastMm,
    min: 0,
    max: 600,
    set: (q, pastMm) => ({ ...q, pastMm }),
  },
  {
    id: 'height',
    label: 'Foot height',
    unit: 'length',
    value: p.footHeightMm,
    min: 0,
    max: 400,
    set: (q, footHeightMm) => ({ ...q, footHeightMm }),
  },
  ...footMeasures(p, lineOf(p, vehicle)),
]

/** Its front end and each pair of feet. */
function beamHandles(p: BeamsOnFeet, { vehicle }: Site, what: string): Handle[] {
  const line = lineOf(p, vehicle)
  if (!line) return []
  const s = beamShape(p, line)
  return [
    {
      id: 'front',
      ref: 'beam:right',
      label: `Front of the ${what}`,
      at: { x: s.frontX, y: -s.half(s.frontX), z: s.z },
      moves: [
        { axis: 'x', measure: 'past', per: 1 },
        { axis: 'z', measure: 'height', per: 1 },
      ],
    },
    ...p.footXMm.map(
      (x, i): Handle => ({
        id: `foot:${i}`,
        ref: `foot:${i}:right`,
        label: `Foot ${i + 1}`,
        at: { x, y: -s.half(x), z: line.zMm },
        moves: [{ axis: 'x', measure: `foot:${i}`, per: 1 }],
      }),
    ),
  ]
}

/** Fields that all of them have: where they stand, and how far their beams and feet reach. `beams` = what they are called here. */
export const beamFields = (beams: string): FieldSpec<BeamsOnFeet>[] => [
  lineField(),
  { key: 'footXMm', label: 'Feet, ahead of the rear axle', each: 'Foot', kind: 'lengths', min: -5000, max: 8000, most: 10 },
  { key: 'pastMm', label: `${beams} past the end feet`, kind: 'length', min: 0, max: 600 },
  {
    key: 'footHeightMm',
    label: 'Foot height',
    kind: 'length',
    min: 0,
    max: 400,
    help: `seat of the foot to underside of the ${beams.toLowerCase()}`,
  },
]

/** What a family of beams on feet is, whatever lies between the beams. */
export const beamsFamily = <P extends BeamsOnFeet>(what: string) => ({
  group: 'over the roof' as const,
  fits: ({ vehicle }: Site) =>
    vehicle.mounts.length ? null : 'it needs a line of gutters, tracks, rails or points on the roof: add one at Measure',
  measures: (p: P, site: Site) => beamMeasures(p, site),
  handles: (p: P, site: Site) => beamHandles(p, site, what),
  rehomed: feetOver,
  shorten: [
    {
      id: 'past',
      label: 'shorter ends past the feet',
      least: () => 0,
      most: (p: P) => 2 * Math.max(0, p.pastMm - 60),
      apply: (p: P, d: number): P => ({ ...p, pastMm: p.pastMm - d / 2 }),
    },
  ],
  profile: { of: (p: P) => p.beamProfileId, set: (p: P, beamProfileId: string): P => ({ ...p, beamProfileId }) },
  footHeight: { of: (p: P) => p.footHeightMm, set: (p: P, footHeightMm: number): P => ({ ...p, footHeightMm }) },
})
