import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { madeAssembly } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { ownerCard } from './ownerCard'
import { type Torque, torqueFigure, torquesOf } from './torques'

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
    // the working gives what the card says, for each of them
    for (const t of torque) expect(torqueFigure(t, defaultRules).value! / 1000).toBeCloseTo(t.torqueNm, 9)
  })
  test('through an empty tube never more than the bolt itself takes: F = 0.75·450·14.2 = 4 793 N, so M5 gets 4.8 N·m and not the shop’s 6', () => {
    const m5: Torque = { size: 'M5', count: 2, where: 'joints, through empty tube', soft: 'tube', torqueNm: 4.8 }
    expect(torqueFigure(m5, defaultRules).value! / 1000).toBeCloseTo(4.79, 2)
    const bolted = demoJobs.find((j) =>
      torquesOf(madeAssembly(j, defaultRules), j.vehicle, defaultRules).some((t) => t.where === m5.where),
    )!
    const small = madeAssembly(bolted, defaultRules)
    const asM5 = {
      ...small,
      joints: small.joints.map((j) => (j.bolts ? { ...j, bolts: { ...j.bolts, size: 'M5' as const, sleeved: false } } : j)),
    }
    const soft = torquesOf(asM5, bolted.vehicle, defaultRules).filter((t) => t.soft && t.size === 'M5')
    expect(soft.length).toBeGreaterThan(0)
    for (const t of soft) expect(t.torqueNm).toBeCloseTo(4.79, 2)
  })
  test('its key number is on it; a job of no piece has nothing to look at again', () => {
    expect(cardOf(hive).keys.join()).toMatch(/key FE 27/)
    expect(cardOf({ ...hive, pieces: [] }).rechecks).toEqual([])
  })
})
