import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { usedInCase, worstCase } from '../limits/usedInCase'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { movedLines, strainOf } from './strain'

const e = evaluate(demoJobs[0], defaultRules)
const rough = e.cases.find((c) => c.case.id === 'bump')!

test('the worst case is the one whose most used member or foot is most used; braking on a rough track for the survey van, whose case pitches on one bar', () => {
  const all = e.cases.map((c) => usedInCase(c, e)).map((u) => Math.max(u.members!, u.feet ?? 0))
  expect(worstCase(e)?.case.id).toBe('rough-braking')
  const pitched = e.cases.find((c) => c.case.id === 'rough-braking')!
  expect(Math.max(...all)).toBe(Math.max(usedInCase(pitched, e).members!, usedInCase(pitched, e).feet!))
})

test('movements are drawn larger by one round factor that brings the greatest near 110 mm, and none larger', () => {
  const { factor, lines } = movedLines(e.assembly, rough)
  const drawn = lines.flatMap((l) => l.moved.map((p, i) => Math.hypot(p.x - l.still[i].x, p.y - l.still[i].y, p.z - l.still[i].z)))
  expect(String(factor)).toMatch(/^[125]0*$/)
  expect(Math.max(...drawn)).toBeLessThanOrEqual(110 + 1e-6)
  expect(Math.max(...drawn)).toBeGreaterThan(110 / 2.6)
})

test('each foot has its force beside it in plan; one over what holds it says so in the ink of limits', () => {
  const texts = strainOf('plan', e, rough, METRIC).entities.flatMap((x) => (x.kind === 'text' ? [x] : []))
  expect(texts.filter((t) => t.text.includes(' N'))).toHaveLength(e.assembly.mounts.length)
  const over = texts.filter((t) => t.layer === 'limit')
  expect(over.map((t) => t.text)).toEqual(expect.arrayContaining([expect.stringMatching(/^1040 N, 27\d %$/)]))
  expect(strainOf('plan', e, rough, INCH).entities.some((x) => x.kind === 'text' && x.text.includes('lbf'))).toBe(true)
})

test('from behind the worst bar’s sag is drawn and named, with arrows at its two feet', () => {
  const { entities, uses } = strainOf('rear', e, rough, METRIC)
  const worst = [...uses].sort((a, b) => b[1] - a[1])[0]
  const mark = e.assembly.members.find((m) => m.id === worst[0])!.mark
  expect(entities).toContainEqual(expect.objectContaining({ kind: 'text', text: `${mark} ${Math.round(worst[1] * 100)} %` }))
  expect(entities.filter((x) => x.layer === 'moved' && x.kind === 'polygon').length).toBeGreaterThan(0)
  expect(entities.filter((x) => x.layer === 'force' && x.kind === 'line')).toHaveLength(6)
})

test('a mass nobody knows leaves its cases without a share and out of the worst; with all of them lacking there is no worst', () => {
  const [poles, ...rest] = demoJobs[0].brief.cargo
  const lacking = (counts: 'driving' | 'both') =>
    evaluate({ ...demoJobs[0], brief: { ...demoJobs[0].brief, cargo: [{ ...poles, massKg: null, counts }, ...rest] } }, defaultRules)
  const driving = lacking('driving')
  expect(usedInCase(driving.cases.find((c) => c.case.id === 'bump')!, driving)).toEqual({ members: null, feet: null })
  expect(worstCase(driving)?.case.id).toBe('parked')
  expect(worstCase(lacking('both'))).toBeNull()
})
