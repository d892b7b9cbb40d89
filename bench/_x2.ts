import RAPIER from '@dimforge/rapier3d-compat'
import { families } from '../core/families/all'
import { evaluate } from '../core/job/evaluate'
import { newJob } from '../core/job/job'
import { METRIC } from '../core/quantity/units'
import { defaultRules } from '../core/rules/rules'
import { fitGiven } from '../core/fit/fit'
import { takeApart } from '../core/reach/takeApart'
import { rapierKit } from '../core/touch/kit'
import { nextPlace } from '../core/pieces/piece'
await RAPIER.init()
for (const family of families) for (const example of family.examples) {
  const base = newJob('Contract', example.vehicle, METRIC)
  const job = { ...base, brief: { ...base.brief, speedKmh: 90 }, pieces: [{ ...nextPlace([]), name: '', family: family.id, params: example.params, on: null, state: 'fitted' as const }] }
  const e = evaluate(job, defaultRules)
  const kit = rapierKit(RAPIER)
  const t=performance.now()
  const { order, trapped, bolts, welds } = takeApart(fitGiven(job, e, defaultRules), kit)
  const bad = bolts.filter(b=>b.when!=='fitted'), bw = welds.filter(w=>w.when!=='tacked')
  console.log(`## ${family.title}: ${example.name}`, Math.round(performance.now()-t), 'ms; order', order.length, 'trapped', trapped.map(t=>t.names[0]+' by '+t.by.name).join(';'), 'bolts', bolts.length, 'welds', welds.length)
  const seen = new Set<string>()
  for (const b of bad) { const k = `   ${b.name.replace(/ [A-Z0-9-]+\b/g,'')} ${b.when} by ${b.by.map(x=>x.name).join(', ')}`; if (!seen.has(k)) console.log(k); seen.add(k) }
  for (const w of bw) { const k = `   W ${w.name.replace(/ [A-Z0-9-]+\b/g,'')} ${w.when} ${w.reached}/${w.sides} by ${w.by.map(x=>x.name).join(', ')}`; if (!seen.has(k)) console.log(k); seen.add(k) }
  kit.close()
}
