import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Issue } from '../issue/issue'
import { restOf } from '../resting/rest'
import type { Body, Vehicle } from '../vehicle/vehicle'

/** How far two bodies move against each other: each against the cab, at worst the other way. mm; null when one is not known. */
export const movesApart = (a: Body, b: Body): number | null =>
  a.id === b.id ? 0 : a.movesMm === null || b.movesMm === null ? null : a.movesMm + b.movesMm

const bodyById = (vehicle: Vehicle, id: string | null): Body | null => vehicle.bodies.find((b) => b.id === id) ?? null

/** What must be opened or reached keeps the air it needs: cargo that counts while parked may not stand over it. */
export function accessIssues(assembly: Assembly, vehicle: Vehicle, brief: Brief): Issue[] {
  const roof = vehicle.roofHeightMm.value
  if (roof === null) return []
  return vehicle.obstacles.flatMap((o) =>
    brief.cargo.flatMap((c, k): Issue[] => {
      const { zMm } = restOf(c, assembly)
      if (zMm === null || o.accessMm === null) return []
      const over = Math.abs(c.xMm - o.xMm) < (c.lengthMm + o.lengthMm) / 2 && Math.abs(c.yMm - o.yMm) < (c.widthMm + o.widthMm) / 2
      const clearMm = zMm - (roof + o.heightMm)
      return over && clearMm < o.accessMm && zMm + c.heightMm > roof
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

/** The one-body rule: parts tied together stand on one body; what lies over two is strapped; and what is carried keeps clear of every other by what they move. */
export function bodyIssues(assembly: Assembly, vehicle: Vehicle, brief: Brief): Issue[] {
  if (vehicle.bodies.length < 2) return []
  return [...bridgingIssues(assembly, vehicle), ...brief.cargo.flatMap((c, k) => cargoOverBodies(c, k, assembly, vehicle))]
}

/** Sets of parts that are joined and stand on two bodies that move. One issue for a pair of bodies. */
function bridgingIssues(assembly: Assembly, vehicle: Vehicle): Issue[] {
  const tied = tiedTogether(assembly)
  const groups = new Map<string, Set<string>>()
  for (const m of assembly.mounts) {
    if (m.bodyId === null) continue
    const key = tied(m.on)
    groups.set(key, (groups.get(key) ?? new Set<string>()).add(m.bodyId))
  }
  const pairs = new Set<string>()
  return [...groups.values()].flatMap((ids) => {
    const bodies = [...ids].flatMap((id) => bodyById(vehicle, id) ?? [])
    return bodies.flatMap((a, i) =>
      bodies.slice(i + 1).flatMap((b): Issue[] => {
        const movesMm = movesApart(a, b)
        const key = `${a.id} ${b.id}`
        if (movesMm === 0 || pairs.has(key)) return []
        pairs.add(key)
        return [{ code: 'bridges_bodies', at: ['pieces'], fix: null, one: a.name.toLowerCase(), other: b.name.toLowerCase(), movesMm }]
      }),
    )
  })
}

/** The name of the set of parts that joints tie a part to. */
function tiedTogether(assembly: Assembly): (id: string) => string {
  const root = new Map<string, string>()
  const top = (id: string): string => {
    const up = root.get(id)
    return up === undefined ? id : top(up)
  }
  for (const { between } of assembly.joints) {
    const [a, b] = [top(between[0]), top(between[1])]
    if (a !== b) root.set(a, b)
  }
  return top
}

function cargoOverBodies(c: Brief['cargo'][number], k: number, assembly: Assembly, vehicle: Vehicle): Issue[] {
  const at = ['brief', 'cargo', k, 'xMm']
  const rest = restOf(c, assembly)
  const own = [...new Set(rest.supports.flatMap((s) => s.bodyId ?? []))].flatMap((id) => bodyById(vehicle, id) ?? [])
  const [first, second] = own
  const moves = first && second ? movesApart(first, second) : 0
  const bridges: Issue[] =
    first && second && moves !== 0
      ? [
          {
            code: 'load_bridges',
            at: ['brief', 'cargo', k, 'on'],
            fix: null,
            item: c.name,
            one: first.name.toLowerCase(),
            other: second.name.toLowerCase(),
            movesMm: moves,
            bolted: c.securing?.by === 'bolts',
          },
          ...(c.oneBody ? [{ code: 'load_one_body', at: ['brief', 'cargo', k, 'on'], fix: null, item: c.name } satisfies Issue] : []),
        ]
      : []
  const { zMm } = rest
  if (!first || zMm === null) return bridges
  const near = vehicle.bodies.flatMap((body): Issue[] => {
    if (own.some((b) => b.id === body.id) || body.kind === 'bed') return []
    const over =
      Math.abs(c.xMm - (body.fromXMm + body.toXMm) / 2) < (c.lengthMm + body.toXMm - body.fromXMm) / 2 &&
      Math.abs(c.yMm) < (c.widthMm + body.widthMm) / 2
    const clearMm = zMm - body.topZMm
    const needMm = movesApart(first, body)
    return over && (clearMm < 0 || needMm === null || clearMm < needMm)
      ? [{ code: 'load_near_body', at, fix: null, item: c.name, body: body.name.toLowerCase(), clearMm, needMm }]
      : []
  })
  return [...bridges, ...near]
}
