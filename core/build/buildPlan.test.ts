import { describe, expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { families, familyOf } from '../families/all'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { siteOn } from '../testing/racks'
import { tickOf } from '../workLog/tick'
import { demoWorkshop } from '../workshop/workshop'
import { buildPlan } from './buildPlan'
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
