import { demoJobs } from '../core/job/demoJobs'
import { evaluate } from '../core/job/evaluate'
import { defaultRules } from '../core/rules/rules'
import { three } from './pieces'

const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const which = process.argv[2] === 'three' ? three : basket
for (let i = 0; i < 4; i++) evaluate(which, defaultRules)
const t: number[] = []
for (let i = 0; i < 12; i++) {
  const s = performance.now()
  evaluate(which, defaultRules)
  t.push(performance.now() - s)
}
console.log(t.map((x) => Math.round(x)).join(' '))
