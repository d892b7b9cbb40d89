import type { Assembly } from '../assembly/assembly'
import { partMasses } from '../assembly/places'
import type { Tools } from '../calculator/tools'
import { materialOf, materials } from '../catalogue/materials'
import { type Profile, profileOf, profiles } from '../catalogue/profiles'
import { quote } from '../cost/quote'
import { cutList } from '../cutList/cutList'
import { familyOf } from '../families/all'
import { type Figure, figure, type Input, sum } from '../figure/figure'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { madeAssembly, pricedPieces } from '../job/piecesOf'
import { planCuts } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'
import type { Stock } from '../stock/stock'

export type Metal = 'steel' | 'aluminium'
/** The same job made otherwise, with what decides between them, each figure with its working; what does not work yet counts as well. `governs` = the limit that is used most. */
export type WayRow = {
  name: string
  mass: Figure
  price: Figure | null
  over: number
  unknown: number
  broken: number
  governs: string
}
/** How a way stands by its limits, in words: nothing reads as in order while something is over, unknown or does not work. */
export const wayStands = (w: WayRow): string =>
  w.over + w.broken
    ? [w.over ? `${w.over} over` : '', w.broken ? `${w.broken} do not work` : ''].filter(Boolean).join(', ')
    : w.unknown
      ? `${w.unknown} not assessed`
      : 'within every line'

/** A plan for comparing is not searched to the end. ms */
const PLAN_MS = 700
/** Sheet that folds, of each metal. */
const SHEET: Record<Metal, string> = { steel: 'steel', aluminium: 'al5052h32' }

const sameShape = (a: Profile, b: Profile) => JSON.stringify(a.shape) === JSON.stringify(b.shape)
/** The same section in another metal, the strongest of its alloys; null = none is sold. */
export function twinOf(profileId: string, metal: Metal): string | null {
  const own = profileOf(profileId)
  if (materialOf(own.materialId).group === metal) return profileId
  const among = profiles.filter((p) => sameShape(p, own) && materialOf(p.materialId).group === metal)
  return among.sort((a, b) => materialOf(b.materialId).yieldMPa - materialOf(a.materialId).yieldMPa)[0]?.id ?? null
}

/** A job with everything that is made of it in one metal; null where a section is not sold in it, or it is all of that metal already. */
export function inMetal(job: Job, metal: Metal): Job | null {
  let [changed, lacking] = [false, false]
  const swapped = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(swapped)
    if (typeof value !== 'string') return value
    const profile = profiles.find((p) => p.id === value)
    const sheet = materials.find((m) => m.id === value)
    if (sheet) {
      if (sheet.group === metal) return value
      changed = true
      return SHEET[metal]
    }
    if (!profile) return value
    const twin = twinOf(value, metal)
    if (twin === null) lacking = true
    else if (twin !== value) changed = true
    return twin ?? value
  }
  // what was bought or found stays the metal that it is
  const made = (p: Job['pieces'][number]) => !familyOf(p.family)?.there
  const pieces = job.pieces.map((p) => ({
    ...p,
    params: !made(p) ? p.params : Object.fromEntries(Object.entries(p.params).map(([k, v]) => [k, swapped(v)])),
  }))
  return changed && !lacking ? { ...job, pieces } : null
}

/** The job as drawn, and the same in steel and in aluminium where the sections are sold: each with its mass, its price by its own cut plan, and what is over. */
export function otherWays(job: Job, stock: Stock, rules: Rules, tools: Tools): WayRow[] {
  const row = (name: string, way: Job): WayRow => {
    const e = evaluate(way, rules)
    const parts = cutList(madeAssembly(way, rules))
    const plan = planCuts(parts, stock, rules, { useRemnants: way.cut.useRemnants, timeLimitMs: PLAN_MS }, tools)
    const worst = e.limits.reduce<(typeof e.limits)[number] | null>(
      (a, l) => (l.state !== 'unknown' && (a === null || (l.ratio ?? 0) > (a.ratio ?? 0)) ? l : a),
      null,
    )
    return {
      name,
      mass: massOf(e.assembly),
      // by the shop's own prices for all of them: what was asked outside was asked of one
      price: quote(pricedPieces(way, rules), plan, way.brief, rules)?.price ?? null,
      over: e.limits.filter((l) => l.state === 'over').length,
      unknown: e.limits.filter((l) => l.state === 'unknown').length,
      broken: e.issues.length,
      governs: worst?.name ?? '',
    }
  }
  const others = (['steel', 'aluminium'] as const).flatMap((metal) => {
    const way = inMetal(job, metal)
    return way ? [row(`All in ${metal}`, way)] : []
  })
  return [row('As drawn', job), ...others]
}

const massOf = (a: Assembly): Figure =>
  figure(
    {
      id: 'ways.mass',
      name: 'Mass of all that is fitted',
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'length × area × density of members; area × thickness × density of sheet; what is bought by its maker or weighed',
      with: { m: partMasses(a).map((p): Input => [p.kg, 'kg', p.name]) },
    },
    ({ m }) => sum(m),
  )
