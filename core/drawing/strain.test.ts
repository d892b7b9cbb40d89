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
  expect(texts.filter((t) => t.text.includes(' N') && !t.text.includes('level'))).toHaveLength(e.assembly.mounts.length)
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
  // three lines an arrow: down at both feet, and aside at each that is pushed by more than a thirtieth of the greatest
  const most = Math.max(...rough.feetDownN)
  const feet = e.assembly.mounts.flatMap((m, i) => (m.on === worst[0] ? [rough.feet[i]!] : []))
  const aside = feet.filter((f) => Math.abs(f.leftN) >= 0.03 * most).length
  expect(entities.filter((x) => x.layer === 'force' && x.kind === 'line')).toHaveLength(6 + 3 * aside)
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

test('braking, each foot is drawn with its push forward in plan: the arrow starts at the foot and points to the front, its length by its force', () => {
  const braking = e.cases.find((c) => c.case.id === 'braking')!
  const { entities } = strainOf('plan', e, braking, METRIC)
  const lines = entities.flatMap((x) => (x.kind === 'line' && x.layer === 'force' ? [x] : []))
  e.assembly.mounts.forEach((m, i) => {
    const { forwardN, leftN } = braking.feet[i]!
    const shaft = lines.find((l) => Math.abs(l.from.x - m.place.x) < 1e-6 && Math.abs(l.from.y - m.place.y) < 1e-6)
    if (!shaft) return
    expect(forwardN).toBeGreaterThan(0)
    expect(shaft.to.x).toBeGreaterThan(shaft.from.x)
    expect((shaft.to.y - shaft.from.y) / (shaft.to.x - shaft.from.x)).toBeCloseTo(leftN / forwardN, 6)
  })
  const said = entities.flatMap((x) => (x.kind === 'text' && x.text.endsWith('level') ? [x.text] : []))
  expect(said.length).toBeGreaterThan(0)
  const pushes = braking.feet.map((f) => Math.round(Math.hypot(f.forwardN, f.leftN)))
  for (const text of said) expect(pushes).toContain(Number(text.split(' ')[0]))
})
