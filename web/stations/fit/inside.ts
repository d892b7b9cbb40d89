import { blocksOf } from '../../../core/inside/blocks'
import { type Inside, type InsidePlace, type InsideThing, InsideThingSchema } from '../../../core/inside/inside'
import { type Standing, type Stowed, topUnder } from '../../../core/inside/stacks'
import { editJob } from '../../job/jobStore'

export const setInside = (of: (inside: Inside) => Inside) => editJob((j) => ({ ...j, inside: of(j.inside) }))
export const setThing = (id: string, patch: Partial<InsideThing>) =>
  setInside((r) => ({ ...r, things: r.things.map((t) => (t.id === id ? { ...t, ...patch } : t)) }))

/** One more of a kind; a bicycle after another is measured alike, for most are. */
export const addThing = (kind: InsideThing['kind']) =>
  setInside((r) => {
    let n = 1
    while (r.things.some((t) => t.id === `${kind}-${n}`)) n++
    const like = r.things.findLast((t) => t.kind === kind && kind === 'bicycle')
    const name = `${kind === 'bicycle' ? 'Bicycle' : 'Box'} ${n}`
    const fresh = like ? { ...like, id: `${kind}-${n}`, name, place: null } : InsideThingSchema.parse({ id: `${kind}-${n}`, name, kind })
    return { ...r, things: [...r.things, fresh] }
  })

const TURNED = { 0: 90, 90: 180, 180: 270, 270: 0 } as const
export const turned = (place: NonNullable<InsideThing['place']>): NonNullable<InsideThing['place']> => ({
  ...place,
  deg: TURNED[place.deg],
})

const standingIn = (inside: Inside): Standing[] =>
  inside.things.filter((t): t is Stowed => t.place !== null).map((t) => ({ t, blocks: blocksOf(t, t.place, inside.bicycle) }))

/** Set down on the highest top under its middle, or on the floor. */
export function setDown(inside: Inside, t: InsideThing, place: InsidePlace): InsidePlace {
  const own: Standing = { t: { ...t, place }, blocks: blocksOf(t, place, inside.bicycle) }
  const zMm = topUnder(own, [own, ...standingIn(inside).filter((o) => o.t.id !== t.id)])
  return { ...place, zMm }
}
/** Heights at which a thing could be set down: the floor, and every box's top. mm */
export const topsFor = (inside: Inside, t: InsideThing): number[] => [
  0,
  ...standingIn(inside)
    .filter((o) => o.t.id !== t.id && o.t.kind === 'box')
    .flatMap((o) => o.blocks.map((b) => b.z1)),
]
