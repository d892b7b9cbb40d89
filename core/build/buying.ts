import { answeredDays, byWhom, takesAll } from '../outside/standing'
import { kitNeeds } from '../purchase/needs'
import { longestLead, needKinds } from '../purchase/suppliers'
import { type BuildGiven, type BuildStep, step } from './step'

/** The steps that a job's kit goes through. */
export const ORDERED = 'buy'
export const RECEIVED = 'receive'
export const KIT = 'kit'

/** What is ordered, received and complete before anything is cut. The order waits for what takes longest. */
export function buying({ assembly, pieces, workshop, suppliers = [], rules, outside = {} }: BuildGiven): BuildStep[] {
  const needs = kitNeeds({ assembly, pieces }, workshop.coats, rules)
  const kinds = needKinds.filter((k) => needs.some((n) => n.kind === k))
  const merchant = takesAll(outside.merchant)
  const answered = merchant && answeredDays(merchant)
  // metal comes when the merchant said, all else when its supplier usually brings it
  const usual = longestLead(
    kinds.filter((k) => answered === null || (k !== 'sections' && k !== 'sheet')),
    suppliers,
    rules.leadDays,
  )
  const lead =
    merchant && answered !== null && (!usual.kind || answered >= usual.days)
      ? { days: answered, kind: 'metal', from: byWhom(merchant) }
      : usual
  const listed = kinds.map((kind) => {
    const lines = needs.filter((n) => n.kind === kind)
    return kind === 'sections' || kind === 'sheet'
      ? `${kind} of ${lines.length} ${lines.length === 1 ? 'kind' : 'kinds'}`
      : `${lines.reduce((s, n) => s + n.quantity, 0)} ${kind}`
  })
  const longest = lead.kind && lead.from ? `; longest: ${lead.kind}, ${lead.days} days from ${lead.from}` : ''
  return [
    step(ORDERED, 'Order what is bought', `${listed.join(', ')}${longest}`, { minutes: 20, waitHours: lead.days * 24 }),
    step(RECEIVED, 'Receive and check', 'sections, walls and alloy against the list, before anything is cut', {
      minutes: 15,
      tools: ['calliper', 'tape'],
      needs: [ORDERED],
    }),
    step(KIT, 'Everything is here', 'a nut that is missing on the day moves the day', { minutes: 10, needs: [RECEIVED], gate: true }),
  ]
}
