import type { Assembly } from '../assembly/assembly'
import { boxOf, plateCorners } from '../assembly/places'
import { profileSection } from '../catalogue/profiles'
import { centreLine } from '../geometry/centreLine'
import { segmentsApart } from '../geometry/segments'
import { apart, type Vec3 } from '../geometry/vec3'
import type { Issue } from '../issue/issue'
import { pieceName } from './piece'
import type { Built } from './whole'

const FEET_APART_MM = 30

/** Pieces in the same place: feet on one spot, or a member of one through a member or a box of the other where nothing joins the two. One issue for a pair. */
export function piecesThatMeet(built: Built[]): Issue[] {
  return built.flatMap((a, i) =>
    built.slice(i + 1).flatMap((b): Issue[] => {
      if (a.piece.on === b.piece.id || b.piece.on === a.piece.id) return []
      const met = meeting(a.assembly, b.assembly)
      return met
        ? [
            {
              code: 'pieces_meet',
              at: ['pieces', b.index],
              fix: null,
              piece: pieceName(b.piece),
              other: pieceName(a.piece),
              part: met[1],
              otherPart: met[0],
            },
          ]
        : []
    }),
  )
}

type Bar = { mark: string; from: Vec3; to: Vec3; half: number }
const barsOf = (a: Assembly): Bar[] =>
  a.members.flatMap((m) => {
    const points = centreLine(m.path, m.bendRadiiMm)
    const s = profileSection(m.profileId)
    return points.slice(1).map((to, i) => ({ mark: m.mark, from: points[i]!, to, half: Math.min(s.widthMm, s.heightMm) / 2 }))
  })

type Box = { mark: string; centre: Vec3; size: Vec3 }
const boxesOf = (a: Assembly): Box[] => [
  ...a.fittings.map((f) => ({ mark: f.mark, centre: f.middle, size: f.size })),
  ...a.plates.filter((p) => p.air !== 'sheltered').map((p) => ({ mark: p.mark, ...boxOf(plateCorners(p)) })),
]

function meeting(a: Assembly, b: Assembly): [string, string] | null {
  for (const m of a.mounts)
    for (const n of b.mounts) if (m.placeId === n.placeId && apart(m.place, n.place) < FEET_APART_MM) return [m.mark, n.mark]
  const [barsA, barsB] = [barsOf(a), barsOf(b)]
  for (const p of barsA) for (const q of barsB) if (near(p, q) && segmentsApart(p, q) < p.half + q.half - 1) return [p.mark, q.mark]
  const [boxesA, boxesB] = [boxesOf(a), boxesOf(b)]
  for (const p of barsA) for (const q of boxesB) if (through(p, q)) return [p.mark, q.mark]
  for (const q of barsB) for (const p of boxesA) if (through(q, p)) return [p.mark, q.mark]
  for (const p of boxesA) for (const q of boxesB) if (overlap(p, q)) return [p.mark, q.mark]
  return null
}

/** Whether the upright boxes round two straight pieces come together: what does not needs no closer look. */
const near = (p: Bar, q: Bar): boolean =>
  AXES.every(
    (k) =>
      Math.min(p.from[k], p.to[k]) - Math.max(q.from[k], q.to[k]) < p.half + q.half &&
      Math.min(q.from[k], q.to[k]) - Math.max(p.from[k], p.to[k]) < p.half + q.half,
  )
const AXES = ['x', 'y', 'z'] as const

/** Whether a straight piece goes through a box, by slabs. */
function through(p: Bar, box: Box): boolean {
  let [from, to] = [0, 1]
  for (const k of ['x', 'y', 'z'] as const) {
    const half = box.size[k] / 2 + p.half - 1
    const d = p.to[k] - p.from[k]
    const off = box.centre[k] - p.from[k]
    if (Math.abs(d) < 1e-9) {
      if (Math.abs(off) > half) return false
      continue
    }
    const [t1, t2] = [(off - half) / d, (off + half) / d]
    from = Math.max(from, Math.min(t1, t2))
    to = Math.min(to, Math.max(t1, t2))
    if (from > to) return false
  }
  return true
}

const overlap = (a: Box, b: Box): boolean =>
  (['x', 'y', 'z'] as const).every((k) => Math.abs(a.centre[k] - b.centre[k]) < (a.size[k] + b.size[k]) / 2 - 1)
