import { placeTolerance, usualTolerance } from '../measure/settle'
import { letterOf, measureOf, measuringSheets, withMeasure } from '../measure/sheets'
import type { Body, Method, MountLine, Vehicle } from '../vehicle/vehicle'

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
}

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
      }),
    ),
  )
  const bodies = vehicle.bodies.flatMap((body) =>
    bodyFigures.map(
      ([key, says]): ReadFigure => ({
        ...{ id: `body.${body.id}.${key}`, sheet: null, label: `${body.name}: ${says}`, unit: 'mm', value: body[key] },
        ...{ tolerance: placeTolerance(body.taken), method: body.taken.method },
        with: (value) => ({ ...vehicle, bodies: vehicle.bodies.map((b) => (b === body ? { ...b, [key]: value } : b)) }),
      }),
    ),
  )
  return [...sheets, ...lines, ...bodies]
}
