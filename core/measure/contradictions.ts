import type { MountKind } from '../catalogue/mounts'
import { fieldRanges } from '../vehicle/fieldRanges'
import { fieldLabel, type MountLine, type SourcedKey, type Vehicle, vehicleFields } from '../vehicle/vehicle'
import { placeTolerance, settledValue } from './settle'

/** Two figures of the vehicle that cannot both be right, or one that cannot be right at all. Lengths in braces, mm; `at` = path inside the vehicle. */
export type Contradiction = { at: (string | number)[]; says: string }

/** Between the roof's skin and the seat of a foot on it, and between the roof's edge and its mounts, mm: what is more is looked at again. Shop's own. */
const SEAT_FROM_SKIN_MM = 150
const MOUNTS_INSIDE_EDGE_MM = 300

/** What of the vehicle contradicts itself, whatever sheet or file it came from. Unknown contradicts nothing. */
export function contradictions(vehicle: Vehicle): Contradiction[] {
  const out: Contradiction[] = []
  const say = (at: (string | number)[], says: string) => out.push({ at, says })
  const known = (key: SourcedKey) => settledValue(vehicle[key])
  for (const { key, label, dimension } of vehicleFields) {
    const value = known(key)
    const { min, max } = fieldRanges[key]
    if (value === null || (value >= min && value <= max)) continue
    const text = (v: number) => (dimension === 'length' ? (v < 0 ? `minus {${-v}}` : `{${v}}`) : `${v} kg`)
    say([key], `${label} is ${text(value)}: it lies between ${text(min)} and ${text(max)}`)
  }
  const notAbove = (less: SourcedKey, more: SourcedKey, slackMm = 0) => {
    const [a, b] = [known(less), known(more)]
    if (a !== null && b !== null && a > b + slackMm)
      say([less], `${fieldLabel(less)} {${round(a)}} is more than ${fieldLabel(more).toLowerCase()} {${round(b)}}`)
  }
  notAbove('roofHeightMm', 'heightMm', 5)
  notAbove('centreOfMassHeightMm', 'heightMm')
  notAbove('trackWidthMm', 'widthMm')
  notAbove('wheelbaseMm', 'lengthMm')
  notAbove('rearOverhangMm', 'lengthMm')
  notAbove('roofWidthRearMm', 'widthMm', 10)
  notAbove('roofWidthFrontMm', 'widthMm', 10)
  const [from, to] = [known('roofFromXMm'), known('roofToXMm')]
  if (from !== null && to !== null && to <= from) say(['roofToXMm'], 'The front edge of the roof lies behind its rear edge')
  for (const [i, line] of vehicle.mounts.entries()) for (const says of lineFaults(vehicle, line)) say(['mounts', i], says)
  return out
}

function lineFaults(vehicle: Vehicle, line: MountLine): string[] {
  const out: string[] = []
  const off = placeTolerance(line.taken) + 10
  const body = vehicle.bodies.find((b) => b.id === line.bodyId) ?? (vehicle.bodies.length === 1 ? vehicle.bodies[0] : undefined)
  const name = line.name
  if (body) {
    const past = Math.max(body.fromXMm - line.fromXMm, line.toXMm - body.toXMm)
    if (past > off) out.push(`${name} runs {${round(past)}} past the end of the ${body.name.toLowerCase()} it stands on`)
    const wide = Math.max(line.halfWidthRearMm, line.halfWidthFrontMm) - body.widthMm / 2
    if (wide > off) out.push(`${name} lies {${round(wide)}} outside the ${body.name.toLowerCase()} it stands on`)
  }
  if (!onRoof(vehicle, line, body)) return out
  const from = settledValue(vehicle.roofFromXMm)
  const to = settledValue(vehicle.roofToXMm)
  const skin = settledValue(vehicle.roofHeightMm)
  if (from !== null && to !== null && to > from) {
    const past = Math.max(from - line.fromXMm, line.toXMm - to)
    if (past > off) out.push(`${name} runs {${round(past)}} past the edge of the roof as measured`)
  }
  if (skin !== null && Math.abs(line.zMm - skin) > SEAT_FROM_SKIN_MM)
    out.push(
      `${name} stands {${round(Math.abs(line.zMm - skin))}} ${line.zMm > skin ? 'above' : 'below'} the roof skin as measured: take one of them again`,
    )
  for (const [end, half, width] of [
    ['rear', line.halfWidthRearMm, settledValue(vehicle.roofWidthRearMm)],
    ['front', line.halfWidthFrontMm, settledValue(vehicle.roofWidthFrontMm)],
  ] as const) {
    if (width === null) continue
    const inside = width / 2 - half
    if (-inside > off) out.push(`${name} lies {${round(-inside)}} outside the edge of the roof at its ${end}, as measured`)
    else if (inside > MOUNTS_INSIDE_EDGE_MM)
      out.push(
        `${name} lies {${round(inside)}} inside the edge of the roof at its ${end}: bars follow the mounts, not the width of the roof. Measure the mounts again`,
      )
  }
  return out
}

/** Whether a line of mounts is on the roof that the roof's figures speak of: not in a bed, on a tray, or on another body. */
function onRoof(vehicle: Vehicle, line: MountLine, body: Vehicle['bodies'][number] | undefined): boolean {
  if (!roofKinds.includes(line.kind)) return false
  if (!body) return true
  const [from, to] = [settledValue(vehicle.roofFromXMm), settledValue(vehicle.roofToXMm)]
  const middle = from === null || to === null ? null : (from + to) / 2
  return !['bed', 'tray'].includes(body.kind) && (middle === null || (middle >= body.fromXMm && middle <= body.toXMm))
}
const roofKinds: MountKind[] = ['gutter', 'rail', 'point', 'track', 'through-bolt']

const round = (v: number): number => Math.round(v * 10) / 10
