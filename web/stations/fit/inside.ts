import { type Inside, type InsideThing, InsideThingSchema } from '../../../core/inside/inside'
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
