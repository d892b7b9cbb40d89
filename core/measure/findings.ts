import type { Sourced, Vehicle } from '../vehicle/vehicle'
import { summariseReadings } from './readings'
import { stateOfMeasure, usualTolerance } from './settle'
import { type MeasuringSheet, measureOf, quantityOf } from './sheets'
import { angleFromOffsets, chainMisfit, taper } from './taper'

/** Something the readings say about each other. Lengths in braces, mm. `about` = ids of the quantities to look at, the one to take again first. */
export type Finding = { kind: 'contradiction' | 'note'; text: string; about: string[] }

/** What contradicts what on a sheet, by how much, and which reading to take again; and what the shape is when it all agrees. */
export function findings(vehicle: Vehicle, sheet: MeasuringSheet): Finding[] {
  const get = (id: string): Sourced => {
    const quantity = quantityOf(id)
    if (!quantity) throw new Error(`no quantity ${id}`)
    return measureOf(vehicle, quantity)
  }
  const measured = (id: string) => get(id).value
  const label = (id: string) => quantityOf(id)?.label ?? id
  const tolerance = (...ids: string[]) => Math.max(...ids.map((id) => get(id).tolerance ?? usualTolerance[get(id).method]), 0.5)
  const out: Finding[] = []

  for (const quantity of sheet.quantities) {
    const s = measureOf(vehicle, quantity)
    if (stateOfMeasure(s) !== 'conflict') continue
    const summary = summariseReadings(s.readings)
    const units = new Set(s.readings.map((r) => (/("|'|\bin|\bft|\/)/.test(r.typed) ? 'inch' : 'metric')))
    const amount = quantity.dimension === 'length' ? `{${round(summary?.spread ?? 0)}}` : String(round(summary?.spread ?? 0))
    out.push({
      kind: 'contradiction',
      about: [quantity.id],
      text: `${quantity.label}: readings ${units.size > 1 ? 'in two units ' : ''}differ by ${amount}; take it again, or choose one and say why`,
    })
  }
  for (const check of sheet.checks) {
    if (check.kind === 'taper') {
      const [length, rear, front] = [measured(check.length), measured(check.rear), measured(check.front)]
      if (length === null || rear === null || front === null || length <= 0 || rear <= 0 || front <= 0) continue
      const t = taper({
        lengthMm: length,
        rearWidthMm: rear,
        frontWidthMm: front,
        diagonalAMm: get(check.diagonalA).value,
        diagonalBMm: get(check.diagonalB).value,
        toleranceMm: tolerance(check.length, check.rear, check.front),
      })
      out.push({
        kind: t.agrees === false ? 'contradiction' : 'note',
        text: t.say,
        about: [check.length, check.diagonalA, check.diagonalB, check.rear, check.front],
      })
    } else if (check.kind === 'chain') {
      const parts = check.parts.map((id) => get(id).value)
      const overall = get(check.overall).value
      if (overall === null || parts.some((x) => x === null)) continue
      const c = chainMisfit(parts as number[], overall, tolerance(check.overall, ...check.parts))
      if (!c.agrees)
        out.push({
          kind: 'contradiction',
          about: [check.overall, ...check.parts],
          text: `The parts add up to {${round(c.sumMm)}}, ${label(check.overall).toLowerCase()} reads {${round(overall)}}: {${round(Math.abs(c.misfitMm))}} ${c.misfitMm < 0 ? 'is missing' : 'too much'}; take ${label(check.overall).toLowerCase()} again first`,
        })
    } else {
      const [lowerHeight, lowerOffset] = [measured(check.lowerHeight), measured(check.lowerOffset)]
      const [upperHeight, upperOffset] = [measured(check.upperHeight), measured(check.upperOffset)]
      if (lowerHeight === null || lowerOffset === null || upperHeight === null || upperOffset === null || upperHeight <= lowerHeight)
        continue
      const a = angleFromOffsets({
        lowerHeightMm: lowerHeight,
        lowerOffsetMm: lowerOffset,
        upperHeightMm: upperHeight,
        upperOffsetMm: upperOffset,
        toleranceMm: tolerance(check.lowerOffset, check.upperOffset),
      })
      const read = get(check.angle).value
      const says = `the offsets say ${a.angleDeg.toFixed(1)}°, give or take ${a.errorDeg.toFixed(1)}°; one degree is {${round(a.offsetPerDegreeMm)}}`
      if (read !== null && Math.abs(read - a.angleDeg) > a.errorDeg + tolerance(check.angle))
        out.push({
          kind: 'contradiction',
          about: [check.angle, check.upperOffset],
          text: `The finder reads ${read}°, ${says}; take the finder's reading again`,
        })
      else out.push({ kind: 'note', about: [check.angle], text: `Lean: ${says}` })
    }
  }
  return out
}

const round = (v: number): number => Math.round(v * 10) / 10
