import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { overallHeight } from '../limits/heightLimits'
import { combinedTolerance } from '../measure/readings'
import { placeTolerance, usualTolerance } from '../measure/settle'
import { restOf } from '../resting/rest'
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
  const roofTolerance = vehicle.roofHeightMm.tolerance ?? usualTolerance[vehicle.roofHeightMm.method]
  // feet stand on what was measured; without a mount line nobody says how well
  const taken = assembly.mounts.map((m) => vehicle.mounts.find((l) => l.id === m.placeId)?.taken)
  const seat = {
    name: 'seat of the feet',
    toleranceMm: Math.max(0, ...taken.map((t) => (t ? placeTolerance(t) : usualTolerance.assumed))),
  }
  const made = [
    { name: 'foot as made', toleranceMm: MADE },
    { name: 'bar as made', toleranceMm: MADE },
  ]
  const gap = (name: string, nominalMm: number, from: Clearance['from']): Clearance => {
    const { worst, likely } = combinedTolerance(from.map((f) => f.toleranceMm))
    return { name, nominalMm, worstMm: nominalMm - worst, likelyMm: nominalMm - likely, from }
  }
  const cargo = brief.cargo
    .filter((c) => c.counts !== 'parked')
    .flatMap((c) => {
      const rest = restOf(c, assembly)
      return rest.zMm === null ? [] : [{ c, zMm: rest.zMm, bodies: rest.supports.flatMap((s) => s.bodyId ?? []) }]
    })
  return [
    ...overObstacles({ assembly, vehicle, cargo, roofTolerance, seat, made, gap }),
    ...underPassages({ assembly, vehicle, brief, cargo, seat, made, gap }),
    ...overBodies({ vehicle, cargo, seat, made, gap }),
  ]
}

type Standing = { c: Brief['cargo'][number]; zMm: number; bodies: string[] }[]
type Gap = (name: string, nominalMm: number, from: Clearance['from']) => Clearance
type From = Clearance['from'][number]

function overObstacles(g: {
  assembly: Assembly
  vehicle: Vehicle
  cargo: Standing
  roofTolerance: number
  seat: From
  made: From[]
  gap: Gap
}): Clearance[] {
  const roof = g.vehicle.roofHeightMm.value
  if (roof === null) return []
  return g.vehicle.obstacles.flatMap((o) => {
    const top = roof + o.heightMm
    // members that pass over it, by their undersides
    const bars = g.assembly.members.flatMap((m) => {
      const { heightMm } = profileSection(m.profileId)
      const of = (pick: (...v: number[]) => number, axis: 'x' | 'y' | 'z') => pick(...m.path.map((p) => p[axis]))
      const near = of(Math.min, 'x') - 40 < o.xMm + o.lengthMm / 2 && of(Math.max, 'x') + 40 > o.xMm - o.lengthMm / 2
      const across = of(Math.min, 'y') < o.yMm + o.widthMm / 2 && of(Math.max, 'y') > o.yMm - o.widthMm / 2
      return near && across ? [of(Math.min, 'z') - heightMm / 2] : []
    })
    const loads = g.cargo
      .filter(({ c }) => Math.abs(c.xMm - o.xMm) < (c.lengthMm + o.lengthMm) / 2 && Math.abs(c.yMm - o.yMm) < (c.widthMm + o.widthMm) / 2)
      .filter(({ c, zMm }) => zMm + c.heightMm > roof)
      .map(({ zMm }) => zMm)
    if (!bars.length && !loads.length) return []
    return [
      g.gap(`${bars.length ? 'Bar' : 'Load'} over the ${o.name}`, Math.min(...(bars.length ? bars : loads)) - top, [
        { name: 'roof height', toleranceMm: g.roofTolerance },
        { name: `height of the ${o.name}`, toleranceMm: Math.max(SOFT, placeTolerance(o.taken)) },
        g.seat,
        ...g.made,
      ]),
    ]
  })
}

function underPassages(g: {
  assembly: Assembly
  vehicle: Vehicle
  brief: Brief
  cargo: Standing
  seat: From
  made: From[]
  gap: Gap
}): Clearance[] {
  const top = overallHeight({ assembly: g.assembly, vehicle: g.vehicle, brief: g.brief }).value
  if (top === null || !(g.assembly.members.length || g.assembly.fittings.length)) return []
  return g.brief.passages.flatMap((p) =>
    p.heightMm === null
      ? []
      : [
          g.gap(`Under the ${p.name || 'passage'}`, p.heightMm - top, [
            { name: `height of the ${p.name || 'passage'}`, toleranceMm: SOFT },
            g.seat,
            ...g.made,
            ...(g.cargo.length ? [{ name: 'height of the load', toleranceMm: SOFT }] : []),
          ]),
        ],
  )
}

function overBodies(g: { vehicle: Vehicle; cargo: Standing; seat: From; made: From[]; gap: Gap }): Clearance[] {
  return g.vehicle.bodies
    .filter((b) => b.kind !== 'bed')
    .flatMap((body) => {
      const over = g.cargo.flatMap(({ c, zMm, bodies }) => {
        const [own] = bodies.flatMap((id) => g.vehicle.bodies.filter((b) => b.id === id))
        const moves = own && own.id !== body.id ? movesApart(own, body) : null
        const above = Math.abs(c.xMm - (body.fromXMm + body.toXMm) / 2) < (c.lengthMm + body.toXMm - body.fromXMm) / 2
        return above && moves !== null && !bodies.includes(body.id) ? [zMm - body.topZMm - moves] : []
      })
      return over.length
        ? [
            g.gap(`Load over the ${body.name.toLowerCase()}, as they move`, Math.min(...over), [
              { name: `top of the ${body.name.toLowerCase()}`, toleranceMm: placeTolerance(body.taken) },
              g.seat,
              ...g.made,
            ]),
          ]
        : []
    })
}
