import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { pricedPieces } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { tickOf } from '../workLog/tick'
import { handOverPack } from './handOverPack'

const [survey, oyster] = demoJobs
const packOf = (job: Job, open: string[] = []) =>
  handOverPack(job, evaluate(job, defaultRules), pricedPieces(job, defaultRules), defaultRules, open)

test('care follows metal and coat: an aluminium rack that is powder coated, a steel guard that is painted', () => {
  expect(packOf(survey).care.join(' ')).toMatch(/Aluminium: wash salt.*Powder coat/)
  expect(packOf(survey).care.join(' ')).not.toMatch(/Steel: touch up/)
  const both = packOf(oyster!).care.join(' ')
  expect(both).toMatch(/Steel: touch up/)
  expect(both).toMatch(/Paint: full hardness/)
  expect(both).toMatch(/After a knock/)
})
test('who signed what and when, in its order; what came out otherwise stands with whether it is settled', () => {
  const built = {
    b: tickOf('2026-11-22', 'x', { what: 'Weld out', by: 'Tjark', otherwise: 'post 4 mm shorter', settled: true }),
    a: tickOf('2026-11-20', 'x', { what: 'Trial fit', by: 'Maren' }),
    c: tickOf('2026-11-23', 'x', { what: 'A hole' }),
  }
  const pack = packOf({ ...survey, built })
  expect(pack.signed.map((s) => [s.on, s.what, s.by])).toEqual([
    ['2026-11-20', 'Trial fit', 'Maren'],
    ['2026-11-22', 'Weld out', 'Tjark'],
  ])
  expect(pack.asBuilt).toEqual([{ on: '2026-11-22', what: 'Weld out', by: 'Tjark', said: 'post 4 mm shorter', settled: true }])
})
test('cautions only of what is not clear, each once; something riding inside brings its own', () => {
  const e = evaluate(survey, defaultRules)
  const clear = e.limits.filter((l) => l.state === 'clear' && l.caution).map((l) => l.caution!)
  const told = packOf(survey).cautions
  expect(new Set(told).size).toBe(told.length)
  for (const c of told) expect(e.limits.some((l) => l.caution === c && l.state !== 'clear')).toBe(true)
  expect(clear.filter((c) => !e.limits.some((l) => l.caution === c && l.state !== 'clear')).some((c) => told.includes(c))).toBe(false)
  const mapping = demoJobs.find((j) => j.inside.things.length)!
  expect(packOf(mapping).cautions.join(' ')).toMatch(/strapped against a crash/)
})
test('small parts stand once each with how many and for what', () => {
  const pack = packOf(survey)
  const bought = evaluate(survey, defaultRules).assembly.hardware
  expect(pack.spares.reduce((s, p) => s + p.count, 0)).toBe(bought.reduce((s, h) => s + h.quantity, 0))
})
