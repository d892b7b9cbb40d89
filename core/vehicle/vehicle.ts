import { z } from 'zod'
import { footTypes, type MountKind, mountKinds } from '../catalogue/mounts'

export const methods = ['tape', 'angle finder', 'weighed', 'maker', 'template', 'scan', 'assumed', 'unknown'] as const
export type Method = (typeof methods)[number]

/** One reading as it was taken: the text keeps the unit it was typed in. Value in mm, kg, degrees or N. */
export const ReadingSchema = z.object({
  value: z.number().min(-20_000).max(50_000),
  typed: z.string().max(60).default(''),
  tolerance: z.number().min(0).max(1000),
  method: z.enum(methods),
  who: z.string().max(80).default(''),
  at: z.string().max(30).default(''),
})
export type Reading = z.infer<typeof ReadingSchema>

/**
 * A measured or quoted value with its source. null = nobody knows, and nothing downstream may pretend otherwise. `readings` are what was taken;
 * `reason` says why one was chosen where they disagree; `step` = to be measured at that step, and until then unknown.
 */
export const SourcedSchema = z.object({
  value: z.number().min(-20_000).max(50_000).nullable(),
  method: z.enum(methods),
  source: z.string().max(200).default(''),
  date: z.string().max(10).default(''),
  tolerance: z.number().min(0).max(1000).nullable().default(null),
  readings: z.array(ReadingSchema).max(40).default([]),
  reason: z.string().max(300).default(''),
  step: z.string().max(60).nullable().default(null),
})
export type Sourced = z.infer<typeof SourcedSchema>
export const unknownValue: Sourced = {
  value: null,
  method: 'unknown',
  source: '',
  date: '',
  tolerance: null,
  readings: [],
  reason: '',
  step: null,
}
export const sourcedValue = (value: number, method: Method, source = '', date = '', tolerance: number | null = null): Sourced => ({
  ...unknownValue,
  value,
  method,
  source,
  date,
  tolerance,
})
const sourced = SourcedSchema.default(unknownValue)

/** How the place of something was found: it counts as assumed until somebody says. mm */
export const TakenSchema = z.object({
  method: z.enum(methods).default('unknown'),
  toleranceMm: z.number().min(0).max(1000).nullable().default(null),
  who: z.string().max(80).default(''),
  at: z.string().max(30).default(''),
})
export type Taken = z.infer<typeof TakenSchema>
const taken = TakenSchema.prefault({})

/** Thin sheet that holds feet: its thickness and yield, and how far round a foot it is free of ribs; null = not measured. */
const SkinSchema = z
  .object({
    thicknessMm: z.number().min(0.3).max(20).nullable(),
    yieldMPa: z.number().min(10).max(1000).nullable(),
    panelRadiusMm: z.number().min(20).max(1000).nullable(),
  })
  .nullable()
  .default(null)

/** Where a crossbar's pair of feet may stand: a line each side of the roof, the same left and right. */
export const MountLineSchema = z
  .object({
    id: z.string().min(1).max(40),
    name: z.string().min(1).max(80),
    kind: z.enum(mountKinds),
    fromXMm: z.number().min(-20_000).max(20_000),
    toXMm: z.number().min(-20_000).max(20_000),
    /** distance of the line from the vehicle's middle, at its rear and front ends */
    halfWidthRearMm: z.number().min(50).max(2000),
    halfWidthFrontMm: z.number().min(50).max(2000),
    /** height of the seat of the foot above ground */
    zMm: z.number().min(100).max(5000),
    /** stretches where no foot may stand: a seam, a bonded patch, a lamp below */
    keepOuts: z
      .array(z.object({ fromXMm: z.number().min(-20_000).max(20_000), toXMm: z.number().min(-20_000).max(20_000) }))
      .max(20)
      .default([]),
    /** this line's own rating for one foot where it has one; unknown = the vehicle's rating counts */
    footDownKg: sourced,
    footUpKg: sourced,
    skin: SkinSchema,
    /** how far a foot can be set after it is fixed, up and down */
    adjustMm: z.number().min(0).max(200).nullable().default(null),
    /** how far each fixed hole is off its place, point by point, left then right; empty or null = not measured */
    misfit: z
      .array(
        z.object({
          alongMm: z.number().min(-200).max(200).nullable(),
          acrossMm: z.number().min(-200).max(200).nullable(),
          /** how much higher its seat stands than the line says */
          upMm: z.number().min(-100).max(100).nullable().default(null),
        }),
      )
      .max(400)
      .default([]),
    taken,
    /** the body it stands on; null = the only one there is */
    bodyId: z.string().max(40).nullable().default(null),
    /** fixed points along the line; null = anywhere between from and to */
    pointsXMm: z.array(z.number().min(-20_000).max(20_000)).max(200).nullable(),
  })
  .refine((m) => m.toXMm > m.fromXMm, { path: ['toXMm'], message: 'the front end must lie forward of the rear end: raise toXMm' })
export type MountLine = z.infer<typeof MountLineSchema>

/**
 * One of the vehicle's bodies. Two that move against each other must not be tied together. `movesMm` = how far it moves against the cab as the
 * frame twists, null = nobody knows, 0 = fixed to it. `hinge` = where it swings, level when shut, rear end up when open.
 */
export const BodySchema = z
  .object({
    id: z.string().min(1).max(40),
    name: z.string().min(1).max(80),
    kind: z.enum(['cab', 'bed', 'canopy', 'cover', 'box', 'tray']),
    fromXMm: z.number().min(-20_000).max(20_000),
    toXMm: z.number().min(-20_000).max(20_000),
    bottomZMm: z.number().min(0).max(6000),
    topZMm: z.number().min(0).max(6000),
    widthMm: z.number().min(50).max(5000),
    movesMm: z.number().min(0).max(500).nullable(),
    hinge: z
      .object({
        xMm: z.number().min(-20_000).max(20_000),
        zMm: z.number().min(0).max(6000),
        /** null = nobody measured how far it opens */
        opensDeg: z.number().min(1).max(180).nullable(),
      })
      .nullable()
      .default(null),
    /** what its maker lets stand on it, moving and parked; unknown = nobody said */
    movingKg: sourced,
    parkedKg: sourced,
    taken,
  })
  .refine((b) => b.toXMm > b.fromXMm, { path: ['toXMm'], message: 'the front end must lie forward of the rear end: raise toXMm' })
  .refine((b) => b.topZMm > b.bottomZMm, { path: ['topZMm'], message: 'the top must lie above the bottom: raise topZMm' })
export type Body = z.infer<typeof BodySchema>

/** An outline traced on a photograph or scan, in mm after scaling, with how far the hand strayed from the straight lines kept. */
export const TraceSchema = z.object({
  id: z.string().min(1).max(60),
  photoId: z.string().max(60),
  name: z.string().max(80),
  mmPerUnit: z.number().positive().max(1000),
  closed: z.boolean(),
  points: z
    .array(z.object({ x: z.number().min(-50_000).max(50_000), y: z.number().min(-50_000).max(50_000) }))
    .min(2)
    .max(200),
  deviationMm: z.number().min(0).max(50_000),
})

/** Something on board before the rack: people, fuel, water, tools. kg and mm, x forward of the rear axle. */
export const OnBoardSchema = z.object({
  name: z.string().min(1, 'say what it is').max(80),
  massKg: z.number().min(0).max(10_000).nullable(),
  xMm: z.number().min(-20_000).max(20_000).nullable(),
  zMm: z.number().min(0).max(5000).nullable(),
})

export const swingKinds = ['tailgate', 'hatch', 'cover', 'pop-top', 'left door', 'right door', 'left rear door', 'right rear door'] as const
/** A leaf on a hinge: where the middle of the hinge is, how far the leaf reaches from it, how long the hinge line is. */
export const SwingSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().min(1, 'give it a name').max(80),
  kind: z.enum(swingKinds),
  xMm: z.number().min(-20_000).max(20_000),
  yMm: z.number().min(-5000).max(5000),
  zMm: z.number().min(0).max(6000),
  reachMm: z.number().min(10).max(10_000),
  hingeLengthMm: z.number().min(10).max(10_000),
  /** null = nobody measured how far it opens */
  opensDeg: z.number().min(1).max(270).nullable(),
  taken,
})
export type Swing = z.infer<typeof SwingSchema>

export const ObstacleSchema = z.object({
  taken,
  /** must stay reachable: how much air it needs above it to open or be serviced; null = nothing opens */
  accessMm: z.number().min(0).max(3000).nullable().default(null),
  name: z.string().min(1).max(80),
  xMm: z.number().min(-20_000).max(20_000),
  yMm: z.number().min(-5000).max(5000),
  lengthMm: z.number().min(1).max(10_000),
  widthMm: z.number().min(1).max(5000),
  heightMm: z.number().min(1).max(2000),
})

/**
 * A vehicle as the job needs it. Axes ISO 8855: x forward, y left, z up, origin on the ground below the middle of
 * the rear axle. Lengths mm, masses kg.
 */
export const VehicleSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1, 'give the vehicle a name').max(120),
  body: z.enum(['van', 'pickup', 'camper', 'truck']),
  note: z.string().max(500).default(''),
  wheelbaseMm: sourced,
  trackWidthMm: sourced,
  lengthMm: sourced,
  widthMm: sourced,
  heightMm: sourced,
  rearOverhangMm: sourced,
  roofFromXMm: sourced,
  roofToXMm: sourced,
  roofWidthFrontMm: sourced,
  roofWidthRearMm: sourced,
  roofHeightMm: sourced,
  centreOfMassHeightMm: sourced,
  kerbFrontKg: sourced,
  kerbRearKg: sourced,
  occupantsKg: sourced,
  roofMovingKg: sourced,
  roofParkedKg: sourced,
  footDownKg: sourced,
  footUpKg: sourced,
  barKg: sourced,
  tyreKg: sourced,
  tongueKg: sourced,
  carrierKg: sourced,
  grossKg: sourced,
  frontAxleKg: sourced,
  rearAxleKg: sourced,
  /** the kind of foot that the rating per foot is for; null = nobody said */
  footRatingKind: z.enum(mountKinds).nullable().default(null),
  /** what a rating of a foot means: what may stand on it, the road's shocks allowed for, or the most at any moment; null = nobody asked */
  footRatingMeans: z.enum(['standing', 'any moment']).nullable().default(null),
  /** what the measuring sheets take besides the fields above, by the quantity's id */
  measures: z.record(z.string().max(60), SourcedSchema).default({}),
  /** what one mount may press and pull where a measured place, not a mount line, holds it; by the place's id */
  placeRatings: z.record(z.string().max(60), z.object({ downKg: sourced, upKg: sourced, skin: SkinSchema })).default({}),
  /** rises with every change on the shelf; a job keeps the one it was measured against */
  revision: z.number().int().min(1).max(1_000_000).default(1),
  mounts: z.array(MountLineSchema).max(20).default([]),
  obstacles: z.array(ObstacleSchema).max(40).default([]),
  bodies: z.array(BodySchema).max(8).default([]),
  /** doors, tailgate, hatch, pop-top: what swings and is no body of its own */
  swings: z.array(SwingSchema).max(20).default([]),
  onBoard: z.array(OnBoardSchema).max(40).default([]),
  traces: z.array(TraceSchema).max(40).default([]),
  /** tyre sizes now and those thought of, as 235/65 R16 */
  tyres: z.object({ now: z.string().max(30), next: z.string().max(30) }).default({ now: '', next: '' }),
})
export type Vehicle = z.infer<typeof VehicleSchema>
export type SourcedKey = { [K in keyof Vehicle]: Vehicle[K] extends Sourced ? K : never }[keyof Vehicle]

/** `optional`: asked for only where the vehicle has such a thing; its limit stands only when it is known */
type Field = { key: SourcedKey; label: string; dimension: 'length' | 'mass'; group: string; optional?: boolean }
const field = (group: string, dimension: Field['dimension'], key: SourcedKey, label: string): Field => ({ key, label, dimension, group })

/** One list drives the vehicle form, the limit card and what a missing figure is called. */
export const vehicleFields: Field[] = [
  field('Body', 'length', 'wheelbaseMm', 'Wheelbase'),
  field('Body', 'length', 'trackWidthMm', 'Track width'),
  field('Body', 'length', 'lengthMm', 'Overall length'),
  field('Body', 'length', 'rearOverhangMm', 'Rear axle to rear end'),
  field('Body', 'length', 'widthMm', 'Overall width'),
  field('Body', 'length', 'heightMm', 'Overall height'),
  field('Body', 'length', 'centreOfMassHeightMm', 'Centre of mass height'),
  field('Roof', 'length', 'roofFromXMm', 'Roof rear edge, forward of rear axle'),
  field('Roof', 'length', 'roofToXMm', 'Roof front edge, forward of rear axle'),
  field('Roof', 'length', 'roofWidthRearMm', 'Roof width at rear, outside'),
  field('Roof', 'length', 'roofWidthFrontMm', 'Roof width at front, outside'),
  field('Roof', 'length', 'roofHeightMm', 'Roof skin above ground'),
  field('Ratings', 'mass', 'roofMovingKg', 'Roof limit, moving'),
  field('Ratings', 'mass', 'roofParkedKg', 'Roof limit, parked'),
  field('Ratings', 'mass', 'footDownKg', 'Rating per foot, down'),
  field('Ratings', 'mass', 'footUpKg', 'Rating per foot, up'),
  field('Ratings', 'mass', 'grossKg', 'Gross vehicle mass'),
  field('Ratings', 'mass', 'frontAxleKg', 'Front axle limit'),
  field('Ratings', 'mass', 'rearAxleKg', 'Rear axle limit'),
  { ...field('Ratings', 'mass', 'barKg', 'Rating per crossbar, as the maker of the bar gives it'), optional: true },
  { ...field('Ratings', 'mass', 'tyreKg', 'Rating of one tyre'), optional: true },
  { ...field('Ratings', 'mass', 'tongueKg', 'Receiver, load on the tongue'), optional: true },
  { ...field('Ratings', 'mass', 'carrierKg', 'Receiver, carrier load'), optional: true },
  field('Masses', 'mass', 'kerbFrontKg', 'Kerb mass on front axle'),
  field('Masses', 'mass', 'kerbRearKg', 'Kerb mass on rear axle'),
  field('Masses', 'mass', 'occupantsKg', 'People and load inside, not listed below'),
]
export const fieldLabel = (key: SourcedKey): string => vehicleFields.find((f) => f.key === key)?.label ?? key

/** A line of which only its places are said: nothing rated, nothing measured off, nothing kept out. */
export const newMountLine = (
  given: Pick<MountLine, 'id' | 'name' | 'kind' | 'fromXMm' | 'toXMm' | 'halfWidthRearMm' | 'halfWidthFrontMm' | 'zMm'> &
    Partial<MountLine>,
): MountLine => MountLineSchema.parse({ pointsXMm: null, ...given })

/** Half distance between the two mount lines at a place along the vehicle: straight taper from rear to front. mm. */
export const mountHalfWidthMm = (line: MountLine, xMm: number): number =>
  line.halfWidthRearMm + ((line.halfWidthFrontMm - line.halfWidthRearMm) * (xMm - line.fromXMm)) / (line.toXMm - line.fromXMm)

/** The kind of foot that the vehicle's own rating is for: as said, else the only kind of place that its maker gave it; null = cannot be told. */
export function ratedKind(vehicle: Vehicle): MountKind | null {
  if (vehicle.footRatingKind) return vehicle.footRatingKind
  const kinds = [...new Set(vehicle.mounts.map((m) => m.kind).filter((kind) => footTypes[kind].makersPlace))]
  return kinds.length === 1 ? (kinds[0] ?? null) : null
}

/** The rating of one foot on this line: its own where it has one, else the vehicle's where that is for this kind of foot; else nobody gave one. */
export function footRating(vehicle: Vehicle, line: MountLine | undefined, key: 'footDownKg' | 'footUpKg'): Sourced {
  if (line && line[key].value !== null) return line[key]
  return line && ratedKind(vehicle) === line.kind ? vehicle[key] : unknownValue
}

const keptOut = (line: MountLine, xMm: number): { fromXMm: number; toXMm: number } | undefined =>
  line.keepOuts.find((k) => xMm > k.fromXMm && xMm < k.toXMm)

/** The nearest place to x where a foot may stand on this line, off its keep-outs. mm. x itself where the line has no free place at all. */
export function nearestMountX(line: MountLine, xMm: number): number {
  const free = (x: number) => x >= line.fromXMm - 1e-9 && x <= line.toXMm + 1e-9 && !keptOut(line, x)
  const candidates = line.pointsXMm?.length
    ? line.pointsXMm.filter((x) => !keptOut(line, x))
    : [Math.min(line.toXMm, Math.max(line.fromXMm, xMm)), ...line.keepOuts.flatMap((k) => [k.fromXMm, k.toXMm])].filter(free)
  return candidates.length ? candidates.reduce((best, p) => (Math.abs(p - xMm) < Math.abs(best - xMm) ? p : best)) : xMm
}

const unmeasuredHole: MountLine['misfit'][number] = { alongMm: null, acrossMm: null, upMm: null }
/** The holes of a line as they are measured: two to a point, none of them measured yet where nobody began. */
export const holesOf = (line: MountLine): MountLine['misfit'] =>
  (line.pointsXMm ?? []).flatMap((_, i) => [line.misfit[2 * i] ?? unmeasuredHole, line.misfit[2 * i + 1] ?? unmeasuredHole])

/** A fixed point moved, taken away (null) or added past the end; points stay in order and each keeps what was measured of its holes. */
export function withPoint(line: MountLine, index: number, xMm: number | null): MountLine {
  const holes = holesOf(line)
  const now = (line.pointsXMm ?? []).map((x, i) => ({ x, holes: holes.slice(2 * i, 2 * i + 2) }))
  if (xMm === null) now.splice(index, 1)
  // a hole at another place is another hole
  else now[index] = { x: xMm, holes: now[index]?.x === xMm ? now[index].holes : [unmeasuredHole, unmeasuredHole] }
  const next = now.sort((a, b) => a.x - b.x)
  return {
    ...line,
    pointsXMm: next.length ? next.map((p) => p.x) : null,
    misfit: line.misfit.length ? next.flatMap((p) => p.holes) : [],
  }
}
