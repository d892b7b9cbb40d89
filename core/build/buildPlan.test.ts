import { describe, expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { families, familyOf } from '../families/all'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import type { BoltReach } from '../reach/takeApart'
import type { Welded } from '../reach/welded'
import { defaultRules } from '../rules/rules'
import { siteOn } from '../testing/racks'
import { weldMap } from '../weldMap/weldMap'
import { tickOf } from '../workLog/tick'
import { demoWorkshop } from '../workshop/workshop'
import { buildPlan } from './buildPlan'
import type { BuildGiven } from './step'
import { stepMark, stepStates } from './ticks'

const planOf = (job: (typeof demoJobs)[number], workshop = demoWorkshop) =>
  buildPlan({ ...builtFrom(job, defaultRules), workshop, rules: defaultRules })
const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const guard = demoJobs.find((j) => j.title.startsWith('Half'))!
const ids = (plan: ReturnType<typeof planOf>) => plan.steps.map((s) => s.id)

describe('the build plan', () => {
  test.each(families.flatMap((f) => f.examples.map((e) => [`${f.title}: ${e.name}`, f, e] as const)))(
    '%s: every need comes before what needs it, and no step stands twice',
    (_, family, e) => {
      const design = family.design(e.params, siteOn(e.vehicle))
      const { assembly } = design.assembled()
      const plan = buildPlan({
        stops: [],
        assembly,
        pieces: [{ assembly, finish: design.finish }],
        workshop: demoWorkshop,
        rules: defaultRules,
      })
      const order = ids(plan)
      expect(new Set(order).size).toBe(order.length)
      for (const [i, s] of plan.steps.entries()) for (const n of s.needs) expect(order.indexOf(n)).toBeLessThan(i)
      for (const s of plan.steps) expect([Number.isFinite(s.minutes), s.minutes >= 0, s.people >= 1]).toEqual([true, true, true])
    },
  )
  test('a basket: vents before tacks, tried on the vehicle before it is welded out, coat before it is lifted on, lamps wired with the battery off', () => {
    const plan = planOf(basket)
    const order = ids(plan)
    for (const [a, b] of [
      ['saddle', 'tack'],
      ['vents', 'tack'],
      ['trial-fit', 'weld'],
      ['straighten', 'powder'],
      ['vents', 'powder'],
      ['powder', 'lift'],
      ['fit', 'wire'],
    ])
      expect(order.indexOf(a!)).toBeLessThan(order.indexOf(b!))
    expect(plan.steps.find((s) => s.id === 'wire')!.caution).toMatch(/Battery off/)
    // 68 kg, two metres up: nobody lifts that by hand
    expect(plan.steps.find((s) => s.id === 'lift')!.why).toMatch(/hoist/)
    // its die was tried: no trial piece is asked for
    expect(order).not.toContain('trial-bend')
  })
  test('a die that nobody tried asks for a trial piece, signed before anything is cut; bolts through a bed ask to look behind', () => {
    const plan = planOf(guard)
    expect(plan.steps.find((s) => s.id === 'trial-bend')).toMatchObject({ gate: true, marks: ['HG'] })
    expect(plan.steps.find((s) => s.id === 'cut')!.needs).toContain('trial-bend')
    expect(plan.steps.find((s) => s.id === 'behind')).toMatchObject({ gate: true })
    expect(plan.steps.find((s) => s.id === 'drill-vehicle')!.needs).toEqual(['behind'])
  })
  test('a chest of folded sheet: no saw, an offcut is folded first and signed, the blanks before the folds, and all of it before the coat', () => {
    const family = familyOf('chest')!
    const e = family.examples[0]!
    const { assembly } = family.design(e.params, siteOn(e.vehicle)).assembled()
    const plan = buildPlan({ stops: [], assembly, pieces: [{ assembly, finish: 'powder' }], workshop: demoWorkshop, rules: defaultRules })
    const order = ids(plan)
    expect(order).not.toContain('cut')
    for (const [a, b] of [
      ['plates', 'trial-fold'],
      ['trial-fold', 'fold'],
      ['fold', 'powder'],
    ])
      expect(order.indexOf(a!)).toBeLessThan(order.indexOf(b!))
    const step = (id: string) => plan.steps.find((s) => s.id === id)!
    expect(step('trial-fold').gate).toBe(true)
    const folds = assembly.plates.reduce((s, p) => s + p.bends.length, 0)
    expect(step('fold').minutes).toBe(folds * defaultRules.foldMin)
    expect(step('buy').why).toMatch(/^sheet of 1 kind, 4 feet, 3 accessories, \d+ small parts$/)
  })
  test('minutes by hand: saddles of the basket are 2 × 12 ends of 8 min, bends 3 × 2 of 6', () => {
    const plan = planOf(basket)
    expect(plan.steps.find((s) => s.id === 'bend')!.minutes).toBe(36)
    // 7 cross tubes, 2 hoops, 2 side bars and the shell, both ends
    expect(plan.steps.find((s) => s.id === 'saddle')!.minutes).toBe(2 * 12 * 8)
  })
  test('a bolted rack of bare bars is neither welded nor painted; a job of nothing has no plan', () => {
    const [survey] = demoJobs
    const family = familyOf('crossbar-rack')!
    const { assembly } = family
      .design({ ...(survey.pieces[0]!.params as object), sideRails: false, fairing: false }, siteOn(survey.vehicle))
      .assembled()
    const plan = buildPlan({ stops: [], assembly, pieces: [{ assembly, finish: 'raw' }], workshop: demoWorkshop, rules: defaultRules })
    expect(ids(plan).filter((id) => ['weld', 'tack', 'paint', 'powder'].includes(id))).toEqual([])
    expect(buildPlan({ stops: [], assembly: emptyAssembly, pieces: [], workshop: demoWorkshop, rules: defaultRules })).toEqual({
      steps: [],
      workMinutes: 0,
      waitHours: 0,
    })
  })
  test('a step that has changed since it was ticked says so; what is not done holds up what needs it', () => {
    const plan = planOf(guard)
    const buy = plan.steps[0]!
    const built = { buy: tickOf('2026-11-27', stepMark(buy)), cut: tickOf('2026-11-27', 'other') }
    const states = stepStates(plan, built)
    expect(states.find((s) => s.step.id === 'buy')!.done).toMatchObject({ on: '2026-11-27', changed: false })
    expect(states.find((s) => s.step.id === 'cut')!.done).toMatchObject({ on: '2026-11-27', changed: true })
    expect(states.find((s) => s.step.id === 'kit')!.waitsFor).toEqual(['Receive and check'])
  })
})

test('stops to be fitted are named with how far each lets it go: degrees as they are, lengths in the units of the job, and on the vehicle', () => {
  const { assembly, pieces } = builtFrom(demoJobs[0]!, defaultRules)
  const stops = [
    { name: 'Lid', at: 75, unit: '°' as const },
    { name: 'Tray', at: 640, unit: 'mm' as const },
  ]
  const step = buildPlan({ stops, assembly, pieces, workshop: demoWorkshop, rules: defaultRules }).steps.find((s) => s.id === 'stops')!
  expect([step.why, step.place]).toEqual(['Lid at 75°, Tray at {640}', 'vehicle'])
})

describe('what tools get to decides what is done first', () => {
  const made = builtFrom(basket, defaultRules)
  const weld = made.assembly.joints.find((j) => j.kind === 'weld')!
  const bolt = (when: 'off' | 'bench' | 'opened' | 'fitted', by: string[] = []): BoltReach => ({
    ...{ id: 'b', name: '4 bolts of a shelf', pieceId: 'p1', count: 4, at: null, tool: null },
    when,
    by: by.map((name) => ({ id: name, name })),
  })
  const withReach = (reach: BuildGiven['reach']) => buildPlan({ ...made, reach, workshop: demoWorkshop, rules: defaultRules })
  const step = (plan: ReturnType<typeof withReach>, id: string) => plan.steps.find((s) => s.id === id)
  const shutIn: Welded = {
    ...{ id: weld.id, name: 'weld', pieceId: 'p1', at: weld.at, sides: 4, reached: 3, sharpDeg: null },
    when: 'before',
    by: [{ id: 'x', name: 'brace BC1L' }],
  }
  test('a weld that is shut in is the first of its piece, and is welded out between the tacks and the measuring', () => {
    const plan = withReach({ bolts: [], welds: [shutIn], captives: [] })
    expect(step(plan, 'weld-first')!.why).toBe('No 1 before brace BC1L')
    expect(step(plan, 'measure')!.needs).toContain('weld-first')
    expect(weldMap(made.assembly, demoWorkshop.welders, defaultRules, [shutIn]).seams[0]!.joint.id).toBe(weld.id)
    expect(step(withReach({ bolts: [], welds: [], captives: [] }), 'weld-first')).toBeUndefined()
  })
  test('bolts that are shut in are tightened and locked before it is lifted on; two minutes each', () => {
    const plan = withReach({ bolts: [bolt('off', ['deck DK']), { ...bolt('bench'), id: 'c' }], welds: [], captives: [] })
    expect(step(plan, 'tighten-first')).toMatchObject({
      why: '4 bolts of a shelf before deck DK; 4 bolts of a shelf on the bench',
      minutes: 16,
      gate: true,
    })
    expect(step(plan, 'lift')!.needs).toContain('tighten-first')
    for (const s of plan.steps) for (const n of s.needs) expect(ids(plan).indexOf(n)).toBeLessThan(ids(plan).indexOf(s.id))
  })
  test('what is opened or taken off for it is said where it is torqued again; what is simply reached asks nothing', () => {
    const why = (b: BoltReach) => step(withReach({ bolts: [b], welds: [], captives: [] }), 'recheck')!.why
    expect(why(bolt('opened', ['Lid']))).toMatch(/4 bolts of a shelf with lid open$/)
    expect(why(bolt('off', ['deck DK']))).toMatch(/with deck DK off$/)
    expect(why(bolt('bench'))).toMatch(/only with its piece off the vehicle$/)
    expect(why(bolt('fitted'))).not.toMatch(/shelf/)
  })
})

describe('lifted once, or twice and said so', () => {
  const stepsOf = (job: typeof guard) => planOf(job).steps
  test('a welded guard is tried on first: its holes are marked then, and the lift at the end is called the second', () => {
    const steps = stepsOf(guard)
    expect(steps.find((s) => s.id === 'trial-fit')!.why).toMatch(/marked through its feet now/)
    expect(steps.some((s) => s.id === 'template')).toBe(false)
    expect(steps.find((s) => s.id === 'lift')!.why).toMatch(/second lift, after the trial fit/)
  })
  test('a heavy bolted one that is drilled for gets a template, so that it is lifted once', () => {
    const made = builtFrom(guard, defaultRules)
    const { assembly } = made
    const bolted = { ...assembly, joints: assembly.joints.filter((j) => j.kind !== 'weld') }
    const plan = buildPlan({ ...made, assembly: bolted, workshop: demoWorkshop, rules: defaultRules })
    expect(plan.steps.find((s) => s.id === 'drill-vehicle')!.needs).toContain('template')
    expect(plan.steps.find((s) => s.id === 'lift')!.why).not.toMatch(/second lift/)
  })
})
