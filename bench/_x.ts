import RAPIER from '@dimforge/rapier3d-compat'
import { demoJobs } from '../core/job/demoJobs'
import { evaluate } from '../core/job/evaluate'
import { defaultRules } from '../core/rules/rules'
import { fitGiven } from '../core/fit/fit'
import { takeApart } from '../core/reach/takeApart'
import { rapierKit } from '../core/touch/kit'
await RAPIER.init()
for (const job of demoJobs) {
  const e = evaluate(job, defaultRules)
  const kit = rapierKit(RAPIER)
  const t=performance.now()
  const { order, trapped, bolts, welds } = takeApart(fitGiven(job, e, defaultRules), kit)
  console.log('\n##', job.title, Math.round(performance.now()-t), 'ms; order', order.length, 'trapped', trapped.length)
  for (const b of bolts) console.log('  ', b.name, b.when, b.by.map(x=>x.name).join(', '), b.tool?.what)
  const c: Record<string,number> = {}
  for (const w of welds) { if (w.when==='tacked') c.ok=(c.ok??0)+1; else console.log('   W', w.name, w.when, w.reached, '/', w.sides, w.by.map(x=>x.name).join(', ')) }
  console.log('  welds ok', c.ok, 'of', welds.length)
  kit.close()
}
