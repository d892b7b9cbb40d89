import { chooseReading, placeTolerance, usualTolerance, withReading } from '../measure/settle'
import { letterOf, measureOf, measuringSheets, withMeasure } from '../measure/sheets'
import type { Body, Method, MountLine, Taken, Vehicle } from '../vehicle/vehicle'

/** One figure of the vehicle that somebody read, how far it may be off, and the vehicle with another value of it. mm or degrees */
export type ReadFigure = {
  id: string
  /** the measuring sheet it stands on; null = under places to stand on, or bodies */
  sheet: string | null
  label: string
  unit: 'mm' | 'deg'
  value: number
  tolerance: number
  method: Method
  with: (value: number) => Vehicle
  /** the vehicle once it was measured there: that reading stands, with who took it and why; what was read before is kept where it can be */
  measured: (value: number, by: TakenBy) => Vehicle
}
/** Who measured, on which day, why this counts, and how well it was read. */
export type TakenBy = { who: string; on: string; why: string; tolerance: number }

const lineFigures: [keyof Pick<MountLine, 'fromXMm' | 'toXMm' | 'halfWidthRearMm' | 'halfWidthFrontMm' | 'zMm'>, string][] = [
  ['fromXMm', 'rear end'],
  ['toXMm', 'front end'],
  ['halfWidthRearMm', 'from the middle, at its rear end'],
  ['halfWidthFrontMm', 'from the middle, at its front end'],
  ['zMm', 'height above ground'],
]
const bodyFigures: [keyof Pick<Body, 'fromXMm' | 'toXMm' | 'topZMm' | 'widthMm'>, string][] = [
  ['fromXMm', 'rear end'],
  ['toXMm', 'front end'],
  ['topZMm', 'top above ground'],
  ['widthMm', 'width'],
]

/** One figure of a place measured again says nothing of how well its others are known: the worse of the two stands for all of them. */
const takenBy = (was: Taken, by: TakenBy): Taken => ({
  method: was.method === 'unknown' || was.method === 'assumed' ? was.method : 'tape',
  toleranceMm:
    was.method === 'unknown' || was.method === 'assumed' ? was.toleranceMm : Math.max(by.tolerance, was.toleranceMm ?? by.tolerance),
  who: by.who,
  at: by.on,
})

/** Every length and angle that is known of the vehicle, each with its own tolerance, or what its method is good for. */
export function readingsOf(vehicle: Vehicle): ReadFigure[] {
  const seen = new Set<string>()
  const sheets = measuringSheets
    .filter((s) => s.fits(vehicle))
    .flatMap((sheet) =>
      sheet.quantities.flatMap((q): ReadFigure[] => {
        const s = measureOf(vehicle, q)
        if (s.value === null || (q.dimension !== 'length' && q.dimension !== 'angle') || seen.has(q.id)) return []
        seen.add(q.id)
        return [
          {
            ...{ id: q.id, sheet: sheet.id, label: `${sheet.title}, ${letterOf(sheet, q.id)}: ${q.label.toLowerCase()}` },
            ...{ unit: q.dimension === 'angle' ? 'deg' : 'mm', value: s.value },
            ...{ tolerance: s.tolerance ?? usualTolerance[s.method], method: s.method },
            with: (value) => withMeasure(vehicle, q, { ...s, value }),
            measured: (value, by) => {
              const read = withReading(s, { value, typed: '', tolerance: by.tolerance, method: 'tape', who: by.who, at: by.on })
              return withMeasure(vehicle, q, chooseReading(read, read.readings.length - 1, by.why))
            },
          },
        ]
      }),
    )
  const lines = vehicle.mounts.flatMap((line) =>
    lineFigures.map(
      ([key, says]): ReadFigure => ({
        ...{ id: `line.${line.id}.${key}`, sheet: null, label: `${line.name}: ${says}`, unit: 'mm', value: line[key] },
        ...{ tolerance: placeTolerance(line.taken), method: line.taken.method },
        with: (value) => ({ ...vehicle, mounts: vehicle.mounts.map((m) => (m === line ? { ...m, [key]: value } : m)) }),
        measured: (value, by) => ({
          ...vehicle,
          mounts: vehicle.mounts.map((m) => (m === line ? { ...m, [key]: value, taken: takenBy(m.taken, by) } : m)),
        }),
      }),
    ),
  )
  const bodies = vehicle.bodies.flatMap((body) =>
    bodyFigures.map(
      ([key, says]): ReadFigure => ({
        ...{ id: `body.${body.id}.${key}`, sheet: null, label: `${body.name}: ${says}`, unit: 'mm', value: body[key] },
        ...{ tolerance: placeTolerance(body.taken), method: body.taken.method },
        with: (value) => ({ ...vehicle, bodies: vehicle.bodies.map((b) => (b === body ? { ...b, [key]: value } : b)) }),
        measured: (value, by) => ({
          ...vehicle,
          bodies: vehicle.bodies.map((b) => (b === body ? { ...b, [key]: value, taken: takenBy(b.taken, by) } : b)),
        }),
      }),
    ),
  )
  return [...sheets, ...lines, ...bodies]
}
