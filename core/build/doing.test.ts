import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { demoWorkshop } from '../workshop/workshop'
import { buildPlan } from './buildPlan'
import { begun, corrected, done, needsName, undone } from './doing'
import { stepStates } from './ticks'

const job = { ...demoJobs.find((j) => j.title.startsWith('Hoop'))!, built: {}, atWork: null }
const plan = buildPlan({ ...builtFrom(job, defaultRules), workshop: demoWorkshop, rules: defaultRules })
const step = (id: string) => plan.steps.find((s) => s.id === id)!
const at = (iso: string) => ({ day: iso.slice(0, 10), iso })

describe('a step that is done on the floor', () => {
  test('begun at ten past nine and done at ten to ten it took 40 minutes, kept with what it was reckoned at and the figure for a cut', () => {
    const going = begun(job, step('cut'), at('2026-11-27T09:10:00.000Z'))
    const after = done(going, step('cut'), at('2026-11-27T09:50:00.000Z'), defaultRules, {
      by: ' Maren ',
      otherwise: ' Two bars came short ',
    })
    expect(after.built.cut).toMatchObject({
      on: '2026-11-27',
      tookMin: 40,
      reckonedMin: step('cut').minutes,
      figureMin: defaultRules.cutMin,
      by: 'Maren',
      otherwise: 'Two bars came short',
      settled: false,
    })
    expect(after.atWork).toBeNull()
    expect(stepStates(plan, after.built).find((s) => s.step.id === 'cut')!.done!.changed).toBe(false)
  })
  test('a gate asks for a name, any other step does not', () => {
    expect([needsName(step('kit'), ' '), needsName(step('kit'), 'Maren'), needsName(step('cut'), '')]).toEqual([true, false, false])
  })
  test('one that nobody began is done without a time, and leaves alone what is at work', () => {
    const going = begun(job, step('cut'), at('2026-11-27T09:10:00.000Z'))
    const after = done(going, step('buy'), at('2026-11-27T09:20:00.000Z'), defaultRules)
    expect([after.built.buy!.tookMin, after.atWork?.id]).toEqual([null, 'cut'])
  })
  test('taken back it is as if it had not been; a time is put right, but only of a step that is done', () => {
    const after = done(job, step('buy'), at('2026-11-27T09:20:00.000Z'), defaultRules)
    expect(undone(after, 'buy').built).toEqual({})
    expect(corrected(after, 'buy', { tookMin: 25 }).built.buy!.tookMin).toBe(25)
    expect(corrected(after, 'cut', { tookMin: 25 })).toBe(after)
  })
})
