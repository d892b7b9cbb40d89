import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { ownerCard } from './ownerCard'

const cardOf = (job: Job) => ownerCard(job, evaluate(job, defaultRules), defaultRules)
const [survey] = demoJobs as [Job, ...Job[]]
const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!

describe('what stays in the vehicle', () => {
  test('every limit that is over or not assessed stands on it, none is left out', () => {
    for (const job of demoJobs) {
      const e = evaluate(job, defaultRules)
      const bad = e.limits.filter((l) => l.state === 'over' || l.state === 'unknown')
      const { open } = ownerCard(job, e, defaultRules)
      expect(open).toHaveLength(bad.length)
      for (const l of bad) expect(open.some((o) => o.startsWith(`${l.name}:`))).toBe(true)
    }
  })
  test('what was agreed is on it with the greatest mass it was reckoned with; what nobody weighed says so', () => {
    const { may } = cardOf(survey)
    expect(may.map((m) => m.name)).toEqual(survey.brief.cargo.map((c) => c.name))
    const least = survey.brief.cargo[0]!
    const ranged = {
      ...survey,
      brief: {
        ...survey.brief,
        cargo: [
          { ...least, massKg: { least: 10, most: 19 } },
          { ...survey.brief.cargo[1]!, massKg: null },
        ],
      },
    }
    expect(cardOf(ranged).may.map((m) => m.mostKg)).toEqual([19, null])
  })
  test('kinds of use that nobody agreed to are named; once one is agreed it is not', () => {
    const not = (job: Job) => cardOf(job).mayNot.join(' ')
    const strict = { ...survey, brief: { ...survey.brief, agreedUses: ['goods' as const] } }
    expect(not(strict)).toMatch(/boats and boards/)
    expect(not({ ...strict, brief: { ...strict.brief, agreedUses: ['goods', 'boats'] } })).not.toMatch(/boats and boards/)
    expect(not(survey)).toMatch(/Nobody stands on it\./)
  })
  test('a tool case shut in a chest is held by that; the same case in the open is held by nobody', () => {
    expect(cardOf(hive).may[0]!.held).toBe('shut in, its lid latched')
    const outside = { ...hive, brief: { ...hive.brief, cargo: hive.brief.cargo.map((c) => ({ ...c, on: ['vehicle/bed.floor'] })) } }
    expect(cardOf(outside).may[0]!.held).toBe('nobody said how')
  })
  test('torque: M8 of A2-70 by hand, F = 0.75·450·36.6 = 12 353 N, T = 0.2·F·8 mm = 19.8 N·m; through an empty tube the shop’s 6', () => {
    const { torque } = cardOf(hive)
    const m8 = torque.filter((t) => t.size === 'M8')
    expect(m8.find((t) => !/tube/.test(t.where))!.torqueNm).toBeCloseTo(19.8, 1)
    expect(m8.find((t) => /tube/.test(t.where))!.torqueNm).toBe(defaultRules.tubeBoltTorqueNm)
  })
  test('its key number is on it; a job of no piece has nothing to look at again', () => {
    expect(cardOf(hive).keys.join()).toMatch(/key FE 27/)
    expect(cardOf({ ...hive, pieces: [] }).rechecks).toEqual([])
  })
})
