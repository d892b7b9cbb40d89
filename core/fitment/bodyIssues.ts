import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Issue } from '../issue/issue'
import type { Body, Vehicle } from '../vehicle/vehicle'

/** How far two bodies move against each other: each against the cab, at worst the other way. mm; null when one is not known. */
export const movesApart = (a: Body, b: Body): number | null =>
  a.id === b.id ? 0 : a.movesMm === null || b.movesMm === null ? null : a.movesMm + b.movesMm

const bodyOfMount = (vehicle: Vehicle, mountLineId: string): Body | null => {
  const id = vehicle.mounts.find((m) => m.id === mountLineId)?.bodyId
  return vehicle.bodies.find((b) => b.id === id) ?? null
}

/** What must be opened or reached keeps the air it needs: cargo that counts while parked may not stand over it. */
export function accessIssues(assembly: Assembly, vehicle: Vehicle, brief: Brief): Issue[] {
  const roof = vehicle.roofHeightMm.value
  const deck = assembly.deckZMm
  if (roof === null || deck === null) return []
  return vehicle.obstacles.flatMap((o) =>
    brief.cargo.flatMap((c, k): Issue[] => {
      const over = Math.abs(c.xMm - o.xMm) < (c.lengthMm + o.lengthMm) / 2 && Math.abs(c.yMm - o.yMm) < (c.widthMm + o.widthMm) / 2
      const clearMm = deck - (roof + o.heightMm)
      return o.accessMm !== null && over && clearMm < o.accessMm
        ? [
            {
              code: 'access_covered',
              at: ['brief', 'cargo', k, 'xMm'],
              fix: null,
              item: c.name,
              obstacle: o.name,
              clearMm,
              needMm: o.accessMm,
            },
          ]
        : []
    }),
  )
}

/** The one-body rule: a rack stands on one body, and what it carries keeps clear of every other by what they move. */
export function bodyIssues(assembly: Assembly, vehicle: Vehicle, brief: Brief): Issue[] {
  if (vehicle.bodies.length < 2) return []
  const stood = [
    ...new Map(
      assembly.mounts.flatMap((m) => {
        const b = bodyOfMount(vehicle, m.lineId)
        return b ? [[b.id, b] as const] : []
      }),
    ).values(),
  ]
  const issues: Issue[] = []
  stood.forEach((a, i) => {
    for (const b of stood.slice(i + 1)) {
      const movesMm = movesApart(a, b)
      if (movesMm !== 0)
        issues.push({
          code: 'bridges_bodies',
          at: ['design', 'params'],
          fix: null,
          one: a.name.toLowerCase(),
          other: b.name.toLowerCase(),
          movesMm,
        })
    }
  })
  const [own] = stood
  if (!own || assembly.deckZMm === null) return issues
  const deck = assembly.deckZMm
  brief.cargo.forEach((c, k) => {
    for (const body of vehicle.bodies) {
      if (body.id === own.id || body.kind === 'bed') continue
      const over =
        Math.abs(c.xMm - (body.fromXMm + body.toXMm) / 2) < (c.lengthMm + body.toXMm - body.fromXMm) / 2 &&
        Math.abs(c.yMm) < (c.widthMm + body.widthMm) / 2
      const clearMm = deck - body.topZMm
      const needMm = movesApart(own, body)
      if (over && (clearMm < 0 || needMm === null || clearMm < needMm))
        issues.push({
          code: 'load_near_body',
          at: ['brief', 'cargo', k, 'xMm'],
          fix: null,
          item: c.name,
          body: body.name.toLowerCase(),
          clearMm,
          needMm,
        })
    }
  })
  return issues
}
