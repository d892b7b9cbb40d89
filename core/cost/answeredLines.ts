import { profileOf } from '../catalogue/profiles'
import { type Figure, figure, type Input, sum } from '../figure/figure'
import type { CutPlan } from '../nesting/planCuts'
import type { OutsideAnswer } from '../outside/answer'
import { COAT_KEY } from '../outside/asked'
import { answeredMinor, byWhom } from '../outside/standing'
import { sectionKey } from '../purchase/needs'

/** Bars of a cut plan at a merchant's answer: his price is for what is used, and whole bars are bought. Minor units; null where he has no price. */
export function barsAnswered(a: OutsideAnswer, plan: CutPlan | null): Figure {
  const opened = new Map<string, number>()
  for (const p of plan?.purchases ?? []) opened.set(p.profileId, (opened.get(p.profileId) ?? 0) + p.count * p.lengthMm)
  const rows = [...opened].map(([profileId, mm]) => {
    const asked = a.lines.find((l) => l.key === sectionKey(profileId))
    return { name: profileOf(profileId).name, mm, asked: asked?.quantity ?? null, minor: answeredMinor(a, sectionKey(profileId)) }
  })
  const offcuts = (plan?.profiles ?? []).flatMap((p) => p.bars.filter((b) => b.source === 'remnant'))
  return figure(
    {
      ...{ id: 'quote.stock', name: 'Bar stock at what was answered', unit: 'money', formula: 'S + Σ P·L / l', source: byWhom(a) },
      lacks: plan?.complete ? [] : [plan ? 'stock for every piece' : 'cut plan'],
      with: {
        S: [sum(offcuts.map((b) => b.priceMinor)), 'money', 'offcuts of the rack made fit for use'],
        P: rows.map((r): Input => [r.minor, 'money', `the merchant’s price of ${r.name}`]),
        L: rows.map((r): Input => [r.mm, 'mm', `bars of ${r.name} that are opened`]),
        l: rows.map((r): Input => [r.asked, 'mm', `of it asked for`]),
      },
    },
    ({ S, P, L, l }) => S + sum(P.map((price, i) => (price * L[i]!) / l[i]!)),
  )
}

/** Sheet by a merchant's answer, a line for each metal and thickness. */
export const sheetAnswered = (a: OutsideAnswer): { name: string; minor: number | null }[] =>
  a.lines.flatMap((l) => (l.unit === 'mm²' ? [{ name: l.name, minor: answeredMinor(a, l.key) }] : []))

export const coatAnswered = (a: OutsideAnswer): Figure =>
  figure(
    {
      ...{ id: 'quote.finish.powder', name: 'Powder coat', unit: 'money', formula: 'answered', source: byWhom(a) },
      with: { P: [answeredMinor(a, COAT_KEY), 'money', 'the coater’s price'] },
    },
    ({ P }) => P,
  )

/** Flat parts cut outside: on top of their metal. */
export const laserLine = (a: OutsideAnswer): { name: string; detail: string; figure: Figure } => ({
  name: 'Cut by laser',
  detail: `${sum(a.lines.map((l) => l.quantity))} flat parts, ${byWhom(a)}`,
  figure: figure(
    {
      ...{ id: 'quote.laser', name: 'Cut by laser', unit: 'money', formula: 'Σ answered', source: byWhom(a) },
      with: { P: a.lines.map((l): Input => [answeredMinor(a, l.key), 'money', `the laser’s price of ${l.name}`]) },
    },
    ({ P }) => sum(P),
  ),
})
