import { describe, expect, test } from 'vitest'
import { relieve } from '../advice/relief'
import { hardwareName } from '../catalogue/hardware'
import { clampGripN } from '../fasten/clampGrip'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { withFlushSeam } from '../pieces/editPieces'
import { defaultRules } from '../rules/rules'
import { withRack as withParams } from '../testing/racks'

const [survey, , spar, drone] = demoJobs
const limitOf = (job: Job, id: string, rules = defaultRules) => evaluate(job, rules).limits.find((l) => l.id === id)

describe('bolts between rails and bars', () => {
  // rail: round 25 × 2, bar: square 40 × 3, both S235; two M6 A2-70 (As 20.1) through each crossing
  const bolted = withParams(spar, { build: 'bolted' })
  test('the worst crossing by hand: pull and prying over 12.5 mm, halved; shear halved; together, and against the wall', () => {
    const e = evaluate(bolted, defaultRules)
    const [mayPullN, mayShearN] = [(0.9 * 700 * 20.1) / (1.25 * 1.5), (0.5 * 700 * 20.1) / (1.25 * 1.5)]
    // αb = end/21, k1 = 2.5 in 3 mm of bar; the rail’s end is 60 away and its 2 mm give αb = 1
    const bearsN = (endMm: number) => Math.min((2.5 * (endMm / 21) * 360 * 6 * 3) / (1.25 * 1.5), (2.5 * 360 * 6 * 2) / (1.25 * 1.5))
    const byHand = e.cases.flatMap((c) =>
      c.joints.map((j) => {
        const pull = (j.alongN + j.bendNmm / 12.5) / 2
        const shear = j.acrossN / 2
        return { used: Math.max(pull / mayPullN, shear / mayShearN + pull / (1.4 * mayPullN), shear / bearsN(j.fromEndMm[1])), j }
      }),
    )
    const worst = byHand.reduce((a, b) => (b.used > a.used ? b : a))
    const found = limitOf(bolted, 'joint.bolts')!
    expect(found.used.value).toBeCloseTo(worst.used, 9)
    expect(found.used.with.find((i) => i.symbol === 'Fb,R')?.value).toBeCloseTo(bearsN(worst.j.fromEndMm[1]), 6)
    // the bar’s hole lies half a rail from its end, a little off where the rail runs straight past a bend of the gutter
    for (const { j } of byHand) expect(Math.abs(j.fromEndMm[1] - 12.5)).toBeLessThan(1.5)
  })
  test('welded racks have welds instead, racks without rails neither', () => {
    expect([limitOf(spar, 'joint.bolts'), limitOf(bolted, 'welds')]).toEqual([undefined, undefined])
    expect(limitOf(survey, 'joint.bolts')).toBeUndefined()
  })
  test('a slot that only its maker can rate, and a flat too thin for the hole, leave the joint not assessed and say why', () => {
    const missing = (profileId: string) => limitOf(withParams(bolted, { profileId }), 'joint.bolts')
    expect(missing('slotted-40x40-al6063t5')).toMatchObject({ state: 'unknown' })
    expect(missing('slotted-40x40-al6063t5')?.used.missing.join()).toContain('by its maker')
    expect(missing('flat-40x8-steel')?.used.missing.join()).toContain('M6 leaves too little edge in B1')
  })
})

describe('a weld ground flush', () => {
  const seamOf = (l: ReturnType<typeof limitOf>) => l!.used.with
  const flush = (seams: string[]) => ({ ...spar, pieces: withFlush(spar.pieces, seams) })
  const withFlush = (pieces: typeof spar.pieces, seams: string[]) =>
    seams.reduce((list, s) => withFlushSeam(list, spar.pieces[0]!.id, s, true), pieces)
  test('keeps seven tenths of its throat: stressed 1/0.7 as much, and the metal beside it as before; no other weld changes', () => {
    const before = evaluate(spar, defaultRules)
    const seams = before.assembly.joints.filter((j) => j.kind === 'weld').map((j) => j.id.slice(spar.pieces[0]!.id.length + 1))
    const all = flush(seams)
    expect(limitOf(all, 'welds')!.used.value! * defaultRules.flushThroatShare).toBeCloseTo(limitOf(spar, 'welds')!.used.value!, 9)
    expect(limitOf(all, 'welds.metal')!.used.value).toBeCloseTo(limitOf(spar, 'welds.metal')!.used.value!, 9)
    expect(seamOf(limitOf(all, 'welds')).find((i) => i.symbol === 'k')).toMatchObject({
      value: 0.7,
      name: expect.stringMatching(/ground flush/),
    })
    expect(evaluate(flush(seams.slice(0, 1)), defaultRules).assembly.joints.filter((j) => j.flush)).toHaveLength(1)
    // fatigue at a throat looks at what is left as well
    expect(limitOf(all, 'fatigue')!.ratio!).toBeGreaterThanOrEqual(limitOf(spar, 'fatigue')!.ratio!)
    // taken back it is as it was
    const back = { ...all, pieces: seams.reduce((list, s) => withFlushSeam(list, spar.pieces[0]!.id, s, false), all.pieces) }
    expect(limitOf(back, 'welds')!.used.value).toBe(limitOf(spar, 'welds')!.used.value)
  })
  test('a name that is no seam of the piece changes nothing; a bolt is never flush', () => {
    expect(evaluate(flush(['no such seam']), defaultRules).assembly.joints.some((j) => j.flush)).toBe(false)
  })
})

describe('corner plates between rails and bars', () => {
  const railed = withParams(demoJobs[0], { sideRails: true })
  const plated = withParams(railed, { cornerPlates: true })
  test('six of 90 × 90 × 4 in 6061 weigh 87.5 g each; the rails stand 4 higher; twice the bolts', () => {
    const [bare, on] = [evaluate(railed, defaultRules), evaluate(plated, defaultRules)]
    expect(on.rackMassKg! - bare.rackMassKg!).toBeCloseTo((6 * 90 * 90 * 4 * 2700) / 1e9, 9)
    const railZ = (e: typeof bare) => e.assembly.members.find((m) => m.name === 'Side rail')!.path[0].z
    expect(railZ(on) - railZ(bare)).toBe(4)
    const bolts = (e: typeof bare) =>
      e.assembly.hardware.filter((h) => /rails|corner plates/.test(h.for)).map((h) => [hardwareName(h.part), h.quantity])
    // rail 25 + bar 40 and 13.2 for washers, nut and two threads: 78.2, so 80; a plate of 4 goes to each part by its own pair
    expect(bolts(bare)).toEqual([
      ['Bolt M6 × 80 stainless', 12],
      ['Lock nut M6', 12],
    ])
    expect(bolts(on)).toEqual([
      ['Bolt M6 × 45 stainless', 12],
      ['Lock nut M6', 12],
      ['Bolt M6 × 60 stainless', 12],
      ['Lock nut M6', 12],
    ])
  })
  test('a bolt alone lets the rail turn about it; a plate passes the twist on, as a couple of shears 54 mm apart', () => {
    const twist = (job: Job) => Math.max(...evaluate(job, defaultRules).cases.flatMap((c) => c.joints.map((j) => j.twistNmm)))
    expect(twist(railed)).toBeLessThan(1e-3)
    expect(twist(plated)).toBeGreaterThan(100)
    const e = evaluate(plated, defaultRules)
    const mostShear = Math.max(...e.cases.flatMap((c) => c.joints.map((j) => j.acrossN / 2 + j.twistNmm / 54)))
    expect(limitOf(plated, 'joint.bolts')!.used.with.find((i) => i.symbol === 'Fv')!.value!).toBeLessThanOrEqual(mostShear + 1e-9)
  })
  test('a rack without rails, or welded, has none', () => {
    for (const job of [withParams(demoJobs[0], { cornerPlates: true }), withParams(spar, { cornerPlates: true })])
      expect(evaluate(job, defaultRules).assembly.plates).toEqual([])
  })
})

describe('clamps that hold by grip', () => {
  test('two M8 at 6 N·m: P = 6000/(0.2·8) = 3750 N, grip 0.2·2·3750/(1.25·1.5) = 800 N', () =>
    expect(clampGripN('M8', 2, defaultRules).value).toBeCloseTo(800, 9))
  test('braking slides a gutter foot with what the frame gives it; half the torque is twice the use', () => {
    const found = limitOf(survey, 'foot.grip')!
    const e = evaluate(survey, defaultRules)
    const most = Math.max(...e.cases.flatMap((c) => c.feet.map((f) => Math.abs(f.forwardN))))
    expect(found.used.value).toBeCloseTo(most, 9)
    const half = limitOf(survey, 'foot.grip', { ...defaultRules, clampTorqueNm: 3 })!
    expect(half.ratio! / found.ratio!).toBeCloseTo(2, 9)
    expect(found.caution).toContain('50 km')
  })
  test('a bolted point cannot slide and is not asked; one unknown mass leaves grip not assessed', () => {
    expect(limitOf(demoJobs[1], 'foot.grip')).toBeUndefined()
    const cargo = survey.brief.cargo.map((c, i) => (i ? c : { ...c, massKg: null, massBasis: 'unknown' as const }))
    expect(limitOf({ ...survey, brief: { ...survey.brief, cargo } }, 'foot.grip')?.state).toBe('unknown')
  })
})

describe('what would relieve a bracket and a drilled foot', () => {
  const stepped = withParams(survey, { bracketInsetMm: 60, bracketThicknessMm: 4, bracketWidthMm: 40 })
  test('a second bolt at each end shares the moment between both folds: half the stress, four times as stiff, twice the bolts', () => {
    const two = withParams(stepped, { bracketBolts: 'two' })
    const stress = (job: Job) => limitOf(job, 'bracket')!
    const force = (job: Job) => stress(job).used.with.find((i) => i.symbol === 'Fz')!.value!
    expect(stress(stepped).used.value!).toBeGreaterThan((6 * force(stepped) * 60) / (40 * 4 ** 2))
    expect(stress(two).used.with.find((i) => i.symbol === 'k')!.value).toBe(0.5)
    expect(stress(two).used.value!).toBeLessThan(0.6 * stress(stepped).used.value!)
    const bolts = (job: Job) => evaluate(job, defaultRules).assembly.hardware.filter((h) => h.for.startsWith('step brackets'))
    // 4 + 17.6 on the foot: 25; 4 + 40 + 17.6 through the bar: 65
    expect(bolts(stepped).map((h) => hardwareName(h.part))).toEqual([
      'Bolt M8 × 25 stainless',
      'Lock nut M8',
      'Bolt M8 × 65 stainless',
      'Lock nut M8',
    ])
    expect(bolts(two).map((h) => h.quantity)).toEqual(bolts(stepped).map((h) => 2 * h.quantity))
    expect(relieve(stepped, 'p1/bracket', defaultRules).map((r) => r.label)).toContain('a second bolt at each end of the brackets')
  })
  test('a slotted bar takes its bolts in the slot, by a nut', () => {
    const slotted = withParams(withParams(spar, { build: 'bolted' }), { profileId: 'slotted-40x40-al6063t5' })
    const rails = evaluate(slotted, defaultRules).assembly.hardware.filter((h) => h.for === 'rails')
    expect(rails.map((h) => hardwareName(h.part))).toEqual(['Bolt M6 × 40 stainless', 'T-nut M6'])
  })
  test('a plate that reaches over the rib bears on the rib, which nobody has checked: unrated, and no relief', () => {
    const skin = { thicknessMm: 0.7, yieldMPa: 140, panelRadiusMm: 70 }
    const drilled: Job = {
      ...drone,
      vehicle: { ...drone.vehicle, mounts: [{ ...drone.vehicle.mounts[0], kind: 'through-bolt', skin }] },
      brief: { ...drone.brief, someoneStands: true },
    }
    const sheet = (backingMm: number) =>
      evaluate(withParams(drilled, { backingMm }), defaultRules).feet[0].links.up.find((l) => l.part.includes('sheet'))!
    expect(sheet(120).holdsN).toBeGreaterThan(0)
    expect(sheet(140)).toMatchObject({ holdsN: null, asked: expect.stringContaining('a smaller plate') })
    expect(limitOf(withParams(drilled, { backingMm: 160 }), 'foot.up')?.state).toBe('unknown')
    expect(
      relieve(withParams(drilled, { backingMm: 120 }), 'p1/foot.up', defaultRules)
        .map((r) => r.label)
        .join(),
    ).not.toContain('behind the sheet')
  })
  test('drilled sheet that is pulled on too hard: a wider plate behind it is found by trying', () => {
    const skin = { thicknessMm: 0.7, yieldMPa: 140, panelRadiusMm: 400 }
    const drilled: Job = {
      ...drone,
      vehicle: { ...drone.vehicle, mounts: [{ ...drone.vehicle.mounts[0], kind: 'through-bolt', skin }] },
      brief: { ...drone.brief, someoneStands: true },
    }
    const job = withParams(drilled, { overhangMm: 300 })
    const [now, wider] = [limitOf(job, 'foot.up')!, limitOf(withParams(job, { backingMm: 160 }), 'foot.up')!]
    expect(wider.ratio!).toBeLessThan(now.ratio!)
    const extras = evaluate(withParams(job, { backingMm: 160 }), defaultRules).assembly.hardware.map((h) => hardwareName(h.part))
    expect(extras).toContain('Backing plate {160} × {160} × {g 4}')
    expect(
      relieve(job, 'p1/foot.up', defaultRules)
        .map((r) => r.label)
        .join(),
    ).toContain('behind the sheet')
  })
})

describe('what holds a foot each way', () => {
  const held = (job: Job) => evaluate(job, defaultRules).held[0]
  test('a gutter clamp: jaw, grip, lip and two bolts; nothing to add', () =>
    expect(held(survey)).toEqual({
      foot: 'Gutter clamp',
      ways: 'down on its seat, up by its jaw, along by grip alone, across by the lip of the gutter, against turning by two bolts',
      advice: [],
    }))
  test('one bolt turns unless rails hold it; a pocket lets go; a bracket on one bolt turns; each says what to add', () => {
    const [, oyster] = demoJobs
    expect(held(oyster).advice.join()).toContain('Its one bolt lets it turn')
    expect(held(withParams(oyster, { sideRails: true })).advice).toEqual([])
    const pocket = { ...drone, vehicle: { ...drone.vehicle, mounts: [{ ...drone.vehicle.mounts[0], kind: 'stake pocket' as const }] } }
    expect(held(pocket).ways).toContain('up by nothing')
    expect(held(withParams(survey, { bracketInsetMm: 60 })).advice.join()).toContain('a second bolt')
    expect(held(withParams(survey, { bracketInsetMm: 60, bracketBolts: 'two' })).advice).toEqual([])
  })
  test('grip nearly used up asks for a stop', () => {
    const weak = { ...defaultRules, clampTorqueNm: 2 }
    expect(evaluate(survey, weak).held[0].advice.join()).toContain('Grip is nearly used up')
  })
})
