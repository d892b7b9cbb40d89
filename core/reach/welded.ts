import type { Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import type { Held } from './bodies'
import type { SeamReach, SeamSide } from './seamSides'
import { allInTheWay, type SideAccess, seamAccess } from './toolReach'
import type { ToolBox } from './tools'
import type { Unit } from './wayOut'

/** When a torch gets to all sides of a weld: with everything of its piece tacked, only before some parts go on, or never; unknown where nobody knows its sides. */
export type Welded = {
  id: string
  name: string
  pieceId: string | null
  /** on its sharpest side. mm */
  at: Vec3
  sides: number
  reached: number
  when: 'tacked' | 'before' | 'never' | 'unknown'
  by: { id: string; name: string }[]
  /** the corner of one of its sides that is too sharp for a torch; null = none is. degrees */
  sharpDeg: number | null
}

const atOf = (s: SeamReach): Vec3 => [...s.sides].sort((p, q) => p.closesDeg - q.closesDeg)[0]?.places[1] ?? { x: 0, y: 0, z: 0 }

/**
 * Welds on the bench, with nothing there but what is welded together. Backwards: a weld that a torch gets to is undone; a part whose welds are all undone is
 * taken away; so on until nothing more comes. What had to be taken away before a weld is welded on after it.
 */
export function weldedOf(kit: Kit, tools: ToolBox, seams: SeamReach[], units: Unit[]): Welded[] {
  return units.flatMap((u) => {
    const ids = new Set(u.ids)
    return seams.some((s) => s.holds.every((id) => ids.has(id)))
      ? unitWelds(
          kit,
          tools,
          seams.filter((s) => s.holds.every((id) => ids.has(id))),
          u.bodies,
        )
      : []
  })
}

function unitWelds(kit: Kit, tools: ToolBox, seams: SeamReach[], all: Held[]): Welded[] {
  // a corner that is too sharp stays so whatever is taken away: its other sides are tried
  const sharp = (side: SeamSide) => side.closesDeg < tools.cornerDeg
  const open = seams.map((s) => ({ ...s, sides: s.sides.filter((x) => !sharp(x)) }))
  const of = new Map(seams.map((s) => [s.id, s]))
  const out: Welded[] = []
  const gone = new Set<string>()
  const tried = new Map<string, SideAccess>()
  const whole = new Map<string, number>()
  let here = all
  // what has no sides is not passed for want of them
  let left = open.filter((s) => s.sides.length)
  const says = ({ id }: SeamReach, over: Pick<Welded, 'reached' | 'when' | 'by'>): Welded => {
    const s = of.get(id)!
    const sharpest = s.sides.filter(sharp).map((x) => x.closesDeg)
    const sharpDeg = sharpest.length ? Math.min(...sharpest) : null
    const told = { id, name: s.name, pieceId: s.pieceId, at: atOf(s), sides: s.sides.length, sharpDeg }
    // of one that is too sharp on a side nothing that is done earlier makes it whole
    return {
      ...told,
      ...over,
      when: sharpDeg === null ? over.when : 'never',
      by: sharpDeg === null || over.when === 'never' ? over.by : [],
    }
  }
  for (let going = true; going && left.length; ) {
    going = false
    const present = new Set(here.map((h) => h.solid))
    left = left.filter((s) => {
      const last = tried.get(s.id)
      // while all that shuts its ways is still there nothing has changed
      if (last && [...last.witness].every((w) => present.has(w))) return true
      const found = seamAccess(kit, tools, s, here)
      tried.set(s.id, found)
      whole.set(s.id, whole.get(s.id) ?? found.reached)
      if (found.reached < found.sides) return true
      const off = allInTheWay(
        kit,
        found.room,
        all.filter((h) => gone.has(h.solid.id)),
      )
      out.push(says(s, { reached: whole.get(s.id)!, when: last ? 'before' : 'tacked', by: off.map(({ id, name }) => ({ id, name })) }))
      going = true
      return false
    })
    const held = new Set(left.flatMap((s) => s.holds))
    for (const { solid } of here) if (!held.has(solid.id)) gone.add(solid.id)
    if (here.some((h) => gone.has(h.solid.id))) {
      here = here.filter((h) => !gone.has(h.solid.id))
      going = left.length > 0
    }
  }
  for (const s of open) if (!s.sides.length) out.push(says(s, { reached: 0, when: 'unknown', by: [] }))
  for (const s of left) {
    const found = tried.get(s.id)!
    const by = [...found.witness].filter((w) => here.some((h) => h.solid === w))
    out.push(says(s, { reached: found.reached, when: 'never', by: by.map(({ id, name }) => ({ id, name })) }))
  }
  return out
}
