import { z } from 'zod'
import type { Rules } from '../rules/rules'
import type { Need } from './needs'
import { type Supplier, supplierOf } from './suppliers'

/** What is known of one line of a job's kit: how many are here, when the rest is to come, and what somebody said of it. */
export const KitLineSchema = z.object({
  here: z.number().min(0).max(1e9).default(0),
  /** it was ordered, to be here on this day */
  due: z.iso.date('write the date as 2026-12-24').nullable().default(null),
  /** the number of that order; none = it was ordered without one */
  order: z.string().max(20).optional(),
  /** as measured when it came, or what is wrong with it */
  said: z.string().max(200).default(''),
})
export type KitLine = z.infer<typeof KitLineSchema>
export const KitSchema = z.record(z.string().max(160), KitLineSchema)
export type Kit = z.infer<typeof KitSchema>

export type KitState = 'here' | 'ordered' | 'missing'
export type KitRow = Need & { state: KitState; here: number; due: string | null; said: string; order?: string; supplier: Supplier | null }

/** A count is a count; below this share it is rounding. */
const ROUNDING = 1e-6

/** Each line of what a job needs, and whether it is here. What the design has come to need since is missing again, by itself. */
export const kitRows = (needs: Need[], kit: Kit, suppliers: readonly Supplier[], rules: Pick<Rules, 'metalSparePercent'>): KitRow[] =>
  needs.map((n) => {
    const known = kit[n.key]
    const here = known?.here ?? 0
    const state =
      here >= n.quantity * (1 - (n.unit === 'piece' || n.unit === 'l' ? ROUNDING : rules.metalSparePercent / 100))
        ? 'here'
        : known?.due
          ? 'ordered'
          : 'missing'
    return {
      ...n,
      state,
      here,
      due: state === 'here' ? null : (known?.due ?? null),
      said: known?.said ?? '',
      ...(state === 'ordered' && known?.order ? { order: known.order } : {}),
      supplier: supplierOf(n.kind, suppliers),
    }
  })

/** Whether a job could be begun: all is here, all that is not is on its way and by when, or something is neither. */
export type KitStanding = { state: KitState; dueOn: string | null }
export const kitStanding = (rows: KitRow[]): KitStanding => {
  const state = rows.some((r) => r.state === 'missing') ? 'missing' : rows.some((r) => r.state === 'ordered') ? 'ordered' : 'here'
  return {
    state,
    dueOn:
      rows
        .flatMap((r) => r.due ?? [])
        .sort()
        .at(-1) ?? null,
  }
}

/** A kit with so much more of one thing here, or the rest of it ordered for a day. What was said of it stays. */
export function withLine(
  kit: Kit,
  { key, quantity }: { key: string; quantity: number },
  to: { due: string; order?: string } | 'here',
): Kit {
  const known = kit[key] ?? { here: 0, due: null, said: '' }
  return { ...kit, [key]: to === 'here' ? { ...known, here: known.here + quantity, due: null } : { ...known, ...to } }
}
