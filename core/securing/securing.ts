import { z } from 'zod'
import type { Cargo } from '../brief/cargo'
import { figure, input } from '../figure/figure'
import { type Limit, limit } from '../limits/limit'
import { chainFigure, strengthWords } from '../limits/strength'
import type { LoadCase } from '../loads/loadCases'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { type Strap, strapNeeds } from './straps'

export const anchorParts = ['ring', 'weld', 'rail', 'bolt', 'skin', 'T-nut'] as const
/** What a strap is hooked to, and every part the pull passes through. Rated by the weakest; one unknown part makes it unrated. N */
export const AnchorSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().min(1, 'give it a name').max(80),
  links: z
    .array(z.object({ part: z.enum(anchorParts), word: z.enum(strengthWords), holdsN: z.number().min(0).max(1e6).nullable() }))
    .max(12)
    .default([]),
})
export type Anchor = z.infer<typeof AnchorSchema>

export const strapWays = ['over', 'forward', 'rear', 'side'] as const
/** How one item is held. `way`: over the top, or the motion a direct strap stops. */
export const SecuringSchema = z.object({
  by: z.enum(['straps', 'bolts']),
  /** something in front keeps it from sliding forward */
  blockedForward: z.boolean().default(false),
  friction: z.number().min(0.05).max(1).nullable().default(null),
  straps: z
    .array(
      z.object({
        wllKg: z.number().min(0).max(20_000).nullable(),
        anchorId: z.string().max(40).nullable(),
        angleDeg: z.number().min(0).max(90),
        way: z.enum(strapWays),
      }),
    )
    .max(20)
    .default([]),
})
export type Securing = z.infer<typeof SecuringSchema>

export const anchorRating = (anchor: Anchor) =>
  chainFigure(
    `anchor.${anchor.id}`,
    `Anchor ${anchor.name}`,
    anchor.links.map((l) => ({
      ...l,
      source: l.word === 'maker-rated' ? 'its maker' : 'the shop',
      asked: `what the ${l.part} of ${anchor.name} holds`,
    })),
  )

/** An item's straps as the sums need them: each with its anchor's rating; no anchor, or one of unknown parts, is unknown. */
export const strapsOf = (securing: Securing, anchors: Anchor[]): Strap[] =>
  securing.straps.map((s) => {
    const anchor = anchors.find((a) => a.id === s.anchorId)
    return { wllKg: s.wllKg, anchorN: anchor ? anchorRating(anchor).value : null, angleDeg: s.angleDeg, way: s.way }
  })

/** What an item's straps must give and give, worked out from the same load cases as the rack. Null mass: nothing can be said. */
export function securingNeeds(c: Cargo, anchors: Anchor[], cases: LoadCase[], rules: Rules) {
  if (c.securing?.by !== 'straps' || c.massKg === null) return null
  const g = (id: string, of: (l: LoadCase) => number) => Math.abs(of(cases.find((l) => l.id === id) ?? cases[0]))
  return strapNeeds({
    massKg: c.massKg.most,
    lengthMm: c.lengthMm,
    blockedForward: c.securing.blockedForward,
    friction: c.securing.friction ?? rules.friction,
    safety: rules.strapSafety,
    tensionN: rules.strapTensionN,
    straps: strapsOf(c.securing, anchors),
    forwardG: g('braking', (l) => l.forwardG),
    sideG: g('corner-left', (l) => l.leftG),
    rearG: g('pulling', (l) => l.forwardG),
  })
}

/** One limit an item that is strapped: the need that is met least. */
export function securingLimits(cargo: Cargo[], anchors: Anchor[], cases: LoadCase[], rules: Rules): Limit[] {
  return cargo.flatMap((c) => {
    if (c.counts === 'parked' || c.securing?.by !== 'straps') return []
    const needs = securingNeeds(c, anchors, cases, rules) ?? []
    // straps are counted: enough is enough, one short is short
    const ratio = (n: (typeof needs)[number]) =>
      n.needN <= 0 || (n.id === 'count' && (n.haveN ?? 0) >= n.needN) ? 0 : n.needN / Math.max(1e-9, n.haveN ?? 0)
    const straps = strapsOf(c.securing, anchors)
    const missing = [
      ...(c.massKg === null ? [`mass of ${c.name}`] : []),
      ...(c.securing.straps.some((s) => s.wllKg === null) ? [`working load limit of a strap of ${c.name}`] : []),
      ...(straps.some((s) => s.anchorN === null) ? [`rating of an anchor of ${c.name}`] : []),
    ]
    const worst = needs.length ? needs.reduce((a, b) => (ratio(b) > ratio(a) ? b : a)) : null
    return [
      limit({
        id: `straps.${c.id}`,
        name: `${c.name}: straps`,
        unit: '',
        ref: `cargo:${c.id}`,
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: `straps.${c.id}`,
            name: worst ? `${c.name}: ${worst.says}` : c.name,
            unit: '',
            formula: 'need / held, the worst of count, rating and three directions',
            source: '49 CFR 393.106 and 393.110; EN 12195-1:2010, 5.4 and 5.5',
            assumes: [
              `friction ${c.securing.friction ?? rules.friction}${c.securing.friction === null ? ', the shop’s own' : ''}`,
              `a hand pulls a strap over the top with ${rules.strapTensionN} N`,
            ],
            with: [
              input('m·g', 'weight', c.massKg === null ? null : c.massKg.most * G_M_S2, 'N'),
              ...needs.flatMap((n) => [
                input(`need`, n.says, n.needN, n.id === 'count' ? '' : 'N'),
                input(`held`, n.id === 'count' ? 'straps there are' : `held: ${n.says}`, n.haveN ?? 0, n.id === 'count' ? '' : 'N'),
              ]),
              ...missing.map((m) => input('?', m, null, '')),
            ],
          },
          () => (worst ? Math.min(99, ratio(worst)) : 0),
        ),
        allowed: figure(
          {
            id: `straps.${c.id}.allowed`,
            name: 'All that is needed',
            unit: '',
            formula: '1',
            source: 'held must reach the need',
            with: [],
          },
          () => 1,
        ),
        caution: 'Straps work loose: stop and pull each one after the first kilometres, and follow local securement rules.',
      }),
    ]
  })
}
