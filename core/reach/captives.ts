import { type Assembly, type Joint, type Member, memberEnds } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { profileSection } from '../catalogue/profiles'
import { isSlotted } from '../drilling/holes'
import { along, minus, unit, type Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import { boxRound } from '../touch/meetings'
import { type Held, overlaps } from './bodies'
import { acrossOf } from './tools'

/** Nuts that slide in a slot whose both ends something shuts: they go in before one of those goes on. How many, and before what. */
export type Captive = { id: string; name: string; pieceId: string | null; nuts: number; before: { id: string; name: string }[] }

/** A nut is slid in over so much free length ahead of the slot's end. mm; shop's own */
const NUT_MM = { long: 40, clear: 1 }

/** Of every slotted member that takes nuts, whether they still go in once all is in its place: an end is open where nothing stands in its line. */
export function captivesOf(kit: Kit, a: Assembly, all: Held[]): Captive[] {
  return a.members.flatMap((m): Captive[] => {
    if (!isSlotted(a, m.id)) return []
    const nuts = a.joints.reduce((n, j) => n + nutsIn(j, m.id), 0)
    if (!nuts) return []
    const others = all.filter((h) => h.solid.id !== m.id)
    const shut = endsOf(m).map((room) => inRoom(kit, room, others))
    if (shut.some((by) => !by.length)) return []
    // the end that is shut by less is the one that is left open longest
    const [less] = [...shut].sort((p, q) => p.length - q.length)
    return [{ id: m.id, name: `${m.name.toLowerCase()} ${m.mark}`, pieceId: pieceIdOf(m.id), nuts, before: less! }]
  })
}

/** Of a joint's bolts those that end in a nut in this part's slot: where brackets say which heads are on it those, else all; none where the thread is in one of the two. */
function nutsIn({ bolts, between }: Joint, id: string): number {
  if (!bolts || bolts.into || !between.includes(id)) return 0
  return bolts.heads ? bolts.heads.filter((h) => h.on === id).length : bolts.count
}

/** The room ahead of each end in the line of the slots: half as wide as the profile. */
function endsOf(m: Member): Vec3[][] {
  const { widthMm, heightMm } = profileSection(m.profileId)
  const half = Math.min(widthMm, heightMm) / 4
  const [from, to] = memberEnds(m)
  const inner = [m.path[1]!, m.path[m.path.length - 2]!]
  return [from, to].map((end, i) => {
    const out = unit(minus(end, inner[i]!))
    const [u, v] = acrossOf(out)
    return [NUT_MM.clear, NUT_MM.clear + NUT_MM.long].flatMap((d) =>
      [-1, 1].flatMap((p) => [-1, 1].map((q) => along(along(along(end, out, d), u, p * half), v, q * half))),
    )
  })
}

function inRoom(kit: Kit, room: Vec3[], bodies: Held[]): { id: string; name: string }[] {
  const body = kit.body(room)
  if (!body) return []
  const box = boxRound(room)
  const found = new Map<string, { id: string; name: string }>()
  for (const b of bodies)
    if (!found.has(b.solid.id) && overlaps(box, b.box) && kit.meets(body, b.body))
      found.set(b.solid.id, { id: b.solid.id, name: b.solid.name })
  kit.forget(body)
  return [...found.values()]
}
