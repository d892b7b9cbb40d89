import type { Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import type { Held } from './bodies'
import type { SeamReach } from './seamSides'
import { seamAccess } from './toolReach'
import type { ToolBox } from './tools'
import type { Unit } from './wayOut'

/** When a torch gets to all sides of a weld: with everything of its piece tacked, only before some parts go on, or never. */
export type Welded = {
  id: string
  name: string
  pieceId: string | null
  /** on its first side. mm */
  at: Vec3
  sides: number
  reached: number
  when: 'tacked' | 'before' | 'never'
  by: { id: string; name: string }[]
}

const atOf = (s: SeamReach): Vec3 => s.sides[0]?.places[1] ?? { x: 0, y: 0, z: 0 }

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
  const out: Welded[] = []
  let here = all
  let left = seams
  const gone = new Map<string, { id: string; name: string }>()
  const blocked = new Map<string, { reached: number; by: { id: string; name: string }[] }>()
  for (let going = true; going && left.length; ) {
    going = false
    left = left.filter((s) => {
      const { reached, sides, by } = seamAccess(kit, tools, s, here)
      const known = blocked.get(s.id)
      const says = { id: s.id, name: s.name, pieceId: s.pieceId, at: atOf(s), sides }
      if (reached === sides) {
        const before = known?.by.filter((b) => gone.has(b.id)) ?? []
        out.push({ ...says, reached: known?.reached ?? sides, when: before.length ? 'before' : 'tacked', by: before })
        going = true
        return false
      }
      blocked.set(s.id, { reached: known?.reached ?? reached, by: [...(known?.by ?? []), ...by.map(({ id, name }) => ({ id, name }))] })
      return true
    })
    const held = new Set(left.flatMap((s) => s.holds))
    for (const { solid } of here) if (!held.has(solid.id)) gone.set(solid.id, { id: solid.id, name: solid.name })
    if (here.some((h) => gone.has(h.solid.id))) {
      here = here.filter((h) => !gone.has(h.solid.id))
      going = left.length > 0
    }
  }
  for (const s of left) {
    const { reached, sides, by } = seamAccess(kit, tools, s, here)
    out.push({
      id: s.id,
      name: s.name,
      pieceId: s.pieceId,
      at: atOf(s),
      sides,
      reached,
      when: 'never',
      by: by.map(({ id, name }) => ({ id, name })),
    })
  }
  return out
}
