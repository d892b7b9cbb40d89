import { type MountLine, nearestMountX, type Vehicle } from '../vehicle/vehicle'

/** Feet nearer one another than this are one foot. Shop's own, mm */
const ONE_FOOT_MM = 60

/** The line on another vehicle that is most like the one it stood on: of that name, else of that kind, else the first. */
function lineLike(mountId: string, was: MountLine | null, to: Vehicle): MountLine | null {
  return to.mounts.find((m) => m.id === mountId) ?? to.mounts.find((m) => m.kind === was?.kind) ?? to.mounts[0] ?? null
}

/**
 * Stations along a line taken over to another vehicle: their distances stay, their middle lies in the same share of the line, and they are drawn together only
 * where the line is too short for them; each goes to the nearest point where a foot can stand. Of the same vehicle, measured anew, they stay where they are as
 * far as the line still reaches. mm
 */
export function overTo(mountId: string, stationsXMm: number[], from: Vehicle, to: Vehicle): { line: MountLine; xMm: number[] } | null {
  const was = from.mounts.find((m) => m.id === mountId) ?? from.mounts[0] ?? null
  const line = lineLike(mountId, was, to)
  if (!line || !stationsXMm.length) return line && { line, xMm: [] }
  const [least, most] = [Math.min(...stationsXMm), Math.max(...stationsXMm)]
  const long = (l: MountLine) => l.toXMm - l.fromXMm
  const [span, middle] = [most - least, (least + most) / 2]
  const same = from.id === to.id && was?.id === line.id
  const shrink = span > long(line) ? long(line) / span : 1
  const share = was ? (middle - was.fromXMm) / long(was) : 0.5
  const half = (span * shrink) / 2
  const wanted = same ? middle : line.fromXMm + share * long(line)
  const at = Math.min(Math.max(wanted, line.fromXMm + half), line.toXMm - half)
  const stays = Math.abs(at - middle) < 1e-6 && shrink === 1
  const xMm = stationsXMm.map((x) => nearestMountX(line, stays ? x : Math.round(at + (x - middle) * shrink)))
  const apart: number[] = []
  for (const x of xMm) if (!apart.some((o) => Math.abs(o - x) < ONE_FOOT_MM)) apart.push(x)
  // a line with room for one foot only: the second stands off it, and the design says so
  return { line, xMm: apart.length === 1 && stationsXMm.length > 1 ? [apart[0]!, apart[0]! + OFF_IT_MM] : apart }
}
const OFF_IT_MM = 300
