import { type Assembly, loadBars } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { combinedTolerance } from '../measure/readings'
import { placeTolerance, usualTolerance } from '../measure/settle'
import type { Vehicle } from '../vehicle/vehicle'
import { movesApart } from './bodyIssues'

/** A gap with what the measurements leave of it: at worst every error against us, likely their root-sum-square. mm. */
export type Clearance = {
  name: string
  nominalMm: number
  worstMm: number
  likelyMm: number
  from: { name: string; toleranceMm: number }[]
}

const MADE = 1 // a foot or bar as made is out by this much at the most: the shop's own
const SOFT = 5 // cargo and obstacles are measured over straps, rubber and paint: the shop's own

/** Gaps that must stay open: over each obstacle on the roof that something passes, under each passage, over each other body. */
export function clearances(assembly: Assembly, vehicle: Vehicle, brief: Brief): Clearance[] {
  const deck = assembly.deckZMm
  const [bar] = loadBars(assembly)
  if (deck === null || !bar) return []
  const roofTolerance = vehicle.roofHeightMm.tolerance ?? usualTolerance[vehicle.roofHeightMm.method]
  const line = vehicle.mounts.find((m) => m.id === assembly.mounts[0]?.lineId)
  const seat = { name: 'seat of the feet', toleranceMm: line ? placeTolerance(line.taken) : usualTolerance.assumed }
  const made = [
    { name: 'foot as made', toleranceMm: MADE },
    { name: 'bar as made', toleranceMm: MADE },
  ]
  const gap = (name: string, nominalMm: number, from: Clearance['from']): Clearance => {
    const { worst, likely } = combinedTolerance(from.map((f) => f.toleranceMm))
    return { name, nominalMm, worstMm: nominalMm - worst, likelyMm: nominalMm - likely, from }
  }
  const underside = deck - profileSection(bar.profileId).heightMm
  const cargo = brief.cargo.filter((c) => c.counts !== 'parked')
  const out: Clearance[] = []

  for (const o of vehicle.obstacles) {
    if (vehicle.roofHeightMm.value === null) continue
    const underBar = loadBars(assembly).some(
      (b) => Math.abs(b.path[0]!.x - o.xMm) < o.lengthMm / 2 + 40 && Math.abs(o.yMm) < b.path[0]!.y + o.widthMm / 2,
    )
    const underLoad = cargo.some(
      (c) => Math.abs(c.xMm - o.xMm) < (c.lengthMm + o.lengthMm) / 2 && Math.abs(c.yMm - o.yMm) < (c.widthMm + o.widthMm) / 2,
    )
    if (!underBar && !underLoad) continue
    const top = vehicle.roofHeightMm.value + o.heightMm
    out.push(
      gap(`${underBar ? 'Bar' : 'Load'} over the ${o.name}`, (underBar ? underside : deck) - top, [
        { name: 'roof height', toleranceMm: roofTolerance },
        { name: `height of the ${o.name}`, toleranceMm: Math.max(SOFT, placeTolerance(o.taken)) },
        seat,
        ...made,
      ]),
    )
  }
  const tallest = Math.max(0, ...cargo.map((c) => c.heightMm))
  for (const p of brief.passages) {
    if (p.heightMm === null) continue
    out.push(
      gap(`Under the ${p.name || 'passage'}`, p.heightMm - (deck + tallest), [
        { name: `height of the ${p.name || 'passage'}`, toleranceMm: SOFT },
        seat,
        ...made,
        ...(tallest ? [{ name: 'height of the load', toleranceMm: SOFT }] : []),
      ]),
    )
  }
  const own = vehicle.bodies.find((b) => b.id === vehicle.mounts.find((m) => m.id === assembly.mounts[0]?.lineId)?.bodyId)
  for (const body of own ? vehicle.bodies.filter((b) => b.id !== own.id && b.kind !== 'bed') : []) {
    const moves = own ? movesApart(own, body) : null
    const over = cargo.some((c) => Math.abs(c.xMm - (body.fromXMm + body.toXMm) / 2) < (c.lengthMm + body.toXMm - body.fromXMm) / 2)
    if (over && moves !== null)
      out.push(
        gap(`Load over the ${body.name.toLowerCase()}, as they move`, deck - body.topZMm - moves, [
          { name: `top of the ${body.name.toLowerCase()}`, toleranceMm: placeTolerance(body.taken) },
          seat,
          ...made,
        ]),
      )
  }
  return out
}
