import type { z } from 'zod'

type Rows = { id: string }[]
/** Every row of each list has an id of its own, and no more pieces are asked than one plan can take. */
export function eachOwnId<T extends { parts: { id: string; quantity: number }[] }>(
  v: T,
  other: keyof T & string,
  ctx: z.RefinementCtx,
  most: { pieces: number; plan: string },
): void {
  for (const list of ['parts', other] as const) {
    const seen = new Set<string>()
    ;(v[list] as Rows).forEach((row, i) => {
      if (seen.has(row.id))
        ctx.addIssue({ code: 'custom', path: [list, i, 'id'], message: `“${row.id}” is used twice: give each its own id` })
      seen.add(row.id)
    })
  }
  const pieces = v.parts.reduce((s, p) => s + p.quantity, 0)
  if (pieces > most.pieces)
    ctx.addIssue({
      code: 'custom',
      path: ['parts'],
      message: `${pieces} pieces are too many for one ${most.plan}: split it into ${most.plan}s of ${most.pieces} or fewer`,
    })
}
