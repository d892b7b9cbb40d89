import { describe, expect, test } from 'vitest'
import { memberLengthMm, memberMassKg } from '../assembly/assembly'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import { profileSection } from '../catalogue/profiles'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { footByCase } from '../limits/footRow'
import { payloadBeforeRack } from '../limits/payload'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { stepBracket } from '../sheet/stepBracket'
import { withRack } from '../testing/racks'
import { unknownValue } from '../vehicle/vehicle'
import { carriedBy, countsWhen } from './carried'

/** The survey van with two bars 1000 apart and one 50 kg case, so that every number can be worked on paper. */
const [survey] = demoJobs
const plain = (over: Partial<Job['brief']> = {}, xMm = 0, yMm = 0): Job => ({
  ...survey,
  vehicle: { ...survey.vehicle, mounts: [{ ...survey.vehicle.mounts[0], halfWidthFrontMm: 700, halfWidthRearMm: 700 }], obstacles: [] },
  pieces: withRack(survey, { barXMm: [-500, 500], overhangMm: 100, sideRails: false, fairing: false }).pieces,
  brief: {
    ...survey.brief,
    road: 'road',
    cargo: [placed(accessories[1], 'case', xMm, yMm, { massKg: { least: 50, most: 50 }, lengthMm: 2000, widthMm: 600, heightMm: 400 })],
    ...over,
  },
})
const feet = (job: Job, caseId: string) => {
  const e = evaluate(job, defaultRules)
  const found = e.cases.find((c) => c.case.id === caseId)!
  return { e, down: Object.fromEntries(e.assembly.mounts.map((m, i) => [m.mark, found.feetDownN[i]])) }
}
const barAndFootN = (job: Job) => {
  const { assembly } = evaluate(job, defaultRules)
  const [bar] = assembly.members
  const half = Math.abs(bar.path[0].y)
  const own = memberMassKg(bar)
  expect(half).toBe(800)
  return (own / 2 + assembly.mounts[0].massKg) * G_M_S2
}

describe('feet, worked on paper', () => {
  test('50 kg in the very middle: each foot a quarter, and half its bar', () => {
    const job = plain()
    const { down } = feet(job, 'cruise')
    for (const f of Object.values(down)) expect(f).toBeCloseTo((50 * G_M_S2) / 4 + barAndFootN(job), 6)
  })
  test('centre 250 forward of the middle, 140 left: front 3/4, left 0.6 of that', () => {
    const job = plain({}, 250, 140)
    const { down } = feet(job, 'cruise')
    const own = barAndFootN(job)
    expect(down.F2L).toBeCloseTo(50 * G_M_S2 * 0.75 * (840 / 1400) + own, 6)
    expect(down.F1R).toBeCloseTo(50 * G_M_S2 * 0.25 * (560 / 1400) + own, 6)
  })
  test('a bump of 2 g doubles every foot', () => {
    const [level, bump] = [feet(plain(), 'cruise').down, feet(plain(), 'bump').down]
    for (const mark of Object.keys(level)) expect(bump[mark]).toBeCloseTo(2 * level[mark], 6)
  })
  test('braking at 0.8 g: the case’s centre 220 above the bars’ line throws 50·g·0.8·220/1000 = 86.3 N forward; the feet themselves take what is below that line', () => {
    const job = plain()
    const { e } = feet(job, 'cruise')
    const gain = (50 * G_M_S2 * 0.8 * 220) / 1000
    const [level, braking] = [feet(job, 'cruise').down, feet(job, 'braking').down]
    expect(braking.F2L + braking.F2R - level.F2L - level.F2R).toBeCloseTo(gain, 4)
    expect(level.F1L + level.F1R - braking.F1L - braking.F1R).toBeCloseTo(gain, 4)
    // every kilogram above the seats is pushed at the bars' line, 110 above them; the four feet hold that as pitch
    const pitch = e.cases.find((c) => c.case.id === 'braking')!.feet.reduce((s, f) => s + f.pitchNmm, 0)
    const above = 50 + e.assembly.members.reduce((s, m) => s + memberMassKg(m), 0)
    expect(Math.abs(pitch)).toBeCloseTo(above * G_M_S2 * 0.8 * (e.assembly.members[0].path[0].z - e.assembly.mounts[0].place.z), 2)
  })
  test('a bar’s sag is the beam’s: 25 kg at mid-span sinks F·L³/48EI, within a tenth: springs and own weight pull either way', () => {
    const job = plain()
    const bundle = { ...job.brief.cargo[0], rests: 'brackets' as const, widthMm: 1400 }
    const e = evaluate({ ...job, brief: { ...job.brief, cargo: [bundle] } }, defaultRules)
    const bar = e.cases.find((c) => c.case.id === 'cruise')!.members[0]
    // 25 kg at mid-span on a simple beam sinks F·L³/48EI; the stiff feet on sideways springs take a little off it
    const section = profileSection(e.assembly.members[0].profileId)
    const simple = (25 * G_M_S2 * 1400 ** 3) / (48 * 68_900 * section.iyMm4)
    expect(bar.sagMm / simple).toBeGreaterThan(0.9)
    expect(bar.sagMm / simple).toBeLessThan(1.1) // its own weight adds a little
  })
  test('what counts only when parked is not carried while driving', () => {
    const job = plain()
    const parked = { ...job, brief: { ...job.brief, cargo: job.brief.cargo.map((c) => ({ ...c, counts: 'parked' as const })) } }
    expect(feet(parked, 'cruise').down.F1L).toBeLessThan(feet(parked, 'parked').down.F1L)
    expect(countsWhen(carriedBy(evaluate(parked, defaultRules).assembly, parked.brief).at(-1)!, 'driving')).toBe(false)
  })
  test('a person of 100 kg stepping on the end of a bar presses the near foot with more than his 150 kg and lifts the far one', () => {
    const e = evaluate(plain({ someoneStands: true, cargo: [] }), defaultRules)
    const worst = Math.max(...e.feet.map((f) => f.mostDownN))
    // one and a half times 100 kg at 100 mm past the foot on a 1400 span: 150·(1500/1400) = 160.7 kg, and its own share of the bar
    expect(worst).toBeCloseTo(150 * G_M_S2 * (1500 / 1400) + barAndFootN(plain()), 4)
    expect(e.feet.find((f) => f.mostDownN === worst)?.downCase).toBe('a person standing')
  })
  test('wind needs a speed: without one the feet are not assessed, whatever the load', () => {
    const e = evaluate(plain({ speedKmh: null }), defaultRules)
    expect(e.limits.find((l) => l.id === 'foot.down')?.state).toBe('unknown')
    expect(e.limits.find((l) => l.id === 'foot.down')?.used.missing).toContain('driving speed')
  })
})

describe('payload before the rack', () => {
  const figures = payloadBeforeRack(survey.vehicle)
  test('gross 3500 − 1185 − 965 − 420 − 67 − 90 = 773 kg', () => expect(figures[0].value).toBeCloseTo(773, 9))
  test('rear axle: 2100 − 965 − 210 − 67·(1 − 1500/3660) − 90·(1 + 300/3660)', () =>
    expect(figures[2].value).toBeCloseTo(2100 - 965 - 210 - 67 * (1 - 1500 / 3660) - 90 * (1 + 300 / 3660), 6))
  test('front and rear together leave what the axles together leave', () =>
    expect(figures[1].value! + figures[2].value!).toBeCloseTo(1850 + 2100 - (1185 + 965 + 420 + 67 + 90), 6))
  test('a wheelbase of zero, a tank nobody weighed, a missing limit: unknown, and said', () => {
    const zero = payloadBeforeRack({ ...survey.vehicle, wheelbaseMm: { ...survey.vehicle.wheelbaseMm, value: 0 } })
    expect([zero[1].value, zero[1].missing]).toEqual([null, ['Wheelbase']])
    const somewhere = payloadBeforeRack({ ...survey.vehicle, onBoard: [{ name: 'tank', massKg: 60, xMm: null, zMm: null }] })
    expect([somewhere[0].value, somewhere[1].missing, somewhere[2].missing]).toEqual([
      3500 - 1185 - 965 - 420 - 60,
      ['place of tank'],
      ['place of tank'],
    ])
    const tank = payloadBeforeRack({ ...survey.vehicle, onBoard: [{ name: 'tank', massKg: null, xMm: 0, zMm: 0 }] })
    expect(tank.map((f) => f.value)).toEqual([null, null, null])
    expect(payloadBeforeRack({ ...survey.vehicle, grossKg: unknownValue })[0].missing).toEqual(['Gross vehicle mass'])
  })
})

describe('the step bracket', () => {
  const pads = { footPadMm: 60, barPadMm: 60, kFactor: 0.42 }
  test('a clear step of 45 in 5 mm stands the bar 50 in: 90 up is atan(90/50) = 60.9°, web √(50² + 90²) = 102.96 and t·tan(30.5°) = 2.94 more outside', () => {
    const b = stepBracket({ ...pads, stepMm: 45, riseMm: 90, thicknessMm: 5, insideRadiusMm: 7.5 })
    expect(b.offsetMm).toBe(50)
    expect(b.flangesMm[1]).toBeCloseTo(102.956 + 2.943, 2)
    expect(b.bends.map((x) => [Math.round(x.angleDeg * 10) / 10, x.side])).toEqual([
      [60.9, 'up'],
      [60.9, 'down'],
    ])
  })
  test('every stepped bar is two thicknesses shorter than the step alone says, and its feet stand where its brackets do', () => {
    const bar = (params: object) => {
      const { assembly } = evaluate(withRack(survey, { ...params }), defaultRules)
      const [left, right] = [assembly.mounts[0]!, assembly.mounts[1]!]
      return { lengthMm: memberLengthMm(assembly.members[0]!), apartMm: left.place.y - right.place.y }
    }
    const [plainBar, stepped] = [bar({ bracketInsetMm: 0 }), bar({ bracketInsetMm: 45, bracketThicknessMm: 6 })]
    expect(plainBar.lengthMm - stepped.lengthMm).toBeCloseTo(2 * (45 + 6), 9)
    expect(plainBar.apartMm - stepped.apartMm).toBeCloseTo(2 * (45 + 6), 9)
  })
  test('folded up again, the blank’s middle line goes the offset along and the rise up: K = 0.5', () => {
    const t = 5
    const b = stepBracket({ ...pads, kFactor: 0.5, stepMm: 45, riseMm: 90, thicknessMm: t, insideRadiusMm: 1.5 * t })
    // straight to the first arc, arc, web, arc the other way, straight: each arc's middle line has r + t/2
    const a = (b.angleDeg * Math.PI) / 180
    const r = b.insideRadiusMm + t / 2
    const [first, second] = b.bends.map((x) => x.atMm - (r * a) / 2)
    const web = second! - first! - r * a
    const across = r * Math.sin(a) + web * Math.cos(a) + r * Math.sin(a)
    const up = r * (1 - Math.cos(a)) + web * Math.sin(a) + r * (1 - Math.cos(a))
    const corner = (r: number) => r * Math.tan(a / 2)
    expect(up).toBeCloseTo(90, 6)
    expect(across).toBeCloseTo(b.offsetMm + 2 * corner(r), 6)
  })
  test('the blank is shorter than its outside faces, and the fold lines lie on it in order', () => {
    for (const stepMm of [10, 60, 150, 300]) {
      const b = stepBracket({ ...pads, stepMm, riseMm: 80, thicknessMm: 6, insideRadiusMm: 9 })
      expect(b.flatLengthMm).toBeLessThan(b.flangesMm.reduce((s, f) => s + f, 0))
      expect(b.bends[0].atMm).toBeGreaterThan(0)
      expect(b.bends[1].atMm).toBeGreaterThan(b.bends[0].atMm)
      expect(b.bends[1].atMm).toBeLessThan(b.flatLengthMm)
    }
  })
})

test('the ledger shows its working: 3 bars of square 40 × 3 at 1.136 kg/m and six clamps of 1.1 kg', () => {
  const e = evaluate(survey, defaultRules)
  const [rack, poles] = e.ledger
  const metres = e.assembly.members.reduce((s, m) => s + Math.abs(m.path[0].y - m.path[1].y), 0) / 1000
  expect(rack.figure.value).toBeCloseTo(metres * 420.8e-6 * 2700 + 6 * 1.1, 2)
  expect(rack.figure.value).toBeCloseTo(e.rackMassKg!, 9)
  expect([poles.figure.value, poles.figure.range]).toEqual([15, [12, 15]])
  const unknown = { ...survey, brief: { ...survey.brief, cargo: [{ ...survey.brief.cargo[0], massKg: null }] } }
  expect(evaluate(unknown, defaultRules).ledger[1].figure).toMatchObject({ value: null, missing: [`mass of ${poles.name}`] })
})

test('a foot’s most and least open what every case puts on it; a missing speed leaves both unknown', () => {
  const e = evaluate(survey, defaultRules)
  const [most, least] = (['most', 'least'] as const).map((which) => footByCase(e.feet[3], 3, e.cases, e.missing, which))
  expect(most.value).toBe(Math.max(...most.with.map((w) => w.value!)))
  expect(least.value).toBe(Math.min(...least.with.map((w) => w.value!)))
  expect(most.with.map((w) => w.name)).toContain('rough track')
  const still = evaluate({ ...survey, brief: { ...survey.brief, speedKmh: null } }, defaultRules)
  expect(footByCase(still.feet[3], 3, still.cases, still.missing, 'most')).toMatchObject({ value: null, missing: ['driving speed'] })
})
