import { describe, expect, test } from 'vitest'
import { cutList } from '../cutList/cutList'
import { cutListCsv } from '../exchange/csv'
import { readJobFile, writeJobFile } from '../exchange/jobFile'
import { demoJobs } from '../job/demoJobs'
import { patchedParams } from '../job/piecesOf'
import { assembled } from '../testing/racks'
import { tickOf } from '../workLog/tick'
import { piecesOf, planMoved } from './planMoved'

const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const accepted = piecesOf(assembled(basket))
const now = (patch: Record<string, unknown>) => planMoved(accepted, assembled(patchedParams(basket, 'p1', patch)))
const words = (patch: Record<string, unknown>) => new Map(now(patch).map((m) => [m.mark, m.what]))

describe('what was accepted for the saw, and bends or saddles that have moved since', () => {
  test('as it was accepted nothing has moved', () => expect(now({})).toEqual([]))
  test('another radius shortens what is bent and nothing else', () => {
    const moved = words({ bendRadiusMm: 110 })
    expect([...moved.keys()].sort()).toEqual(expect.arrayContaining(['HF', 'HR']))
    expect(moved.get('HF')).toBe('shorter')
    expect(moved.has('CT1')).toBe(false)
    expect(moved.has('RNL')).toBe(false)
  })
  test('a hoop that leans more is cut otherwise at its ends, though hardly longer', () => {
    const [front] = now({ frontLeanDeg: 12.6 }).filter((m) => m.mark === 'HF')
    expect(['other ends', 'longer']).toContain(front!.what)
  })
  test('larger runners move every saddle on them', () => {
    const moved = words({ runnerProfileId: 'round-42x3-stainless' })
    // the same size in another metal: only the runners themselves
    expect([...moved]).toEqual([
      ['RNL', 'other profile'],
      ['RNR', 'other profile'],
    ])
  })
  test('a plan accepted before bends were kept tells by its ends and lengths alone', () => {
    const old = accepted.map(({ work: _, ...p }) => p)
    expect(planMoved(old, assembled(basket))).toEqual([])
    expect(planMoved(old, assembled(patchedParams(basket, 'p1', { sideMm: 300 }))).map((m) => m.mark)).toEqual(
      expect.arrayContaining(['HF', 'HR']),
    )
  })
})

describe('the cut list of tubes', () => {
  const parts = cutList(assembled(basket))
  test('side bars between a leaning hoop and an upright one are a mirrored pair, as long as one another and two lines; so are the hoops', () => {
    const [left, right] = ['SBL', 'SBR'].map((mark) => parts.find((p) => p.marks.includes(mark))!)
    expect(left!.lengthMm).toBeCloseTo(right!.lengthMm, 6)
    expect(left!.marks).toEqual(['SBL'])
    expect(left!.work).not.toBe(right!.work)
    expect(parts.filter((p) => /hoop/i.test(p.name))).toHaveLength(2)
  })
  test('what an end sits on stands in words, in the list and in the file', () => {
    const hoop = parts.find((p) => p.marks.includes('HF'))!
    expect(hoop.endTexts).toEqual(['cope onto RNL at 78°', 'cope onto RNR at 78°'])
    expect(cutListCsv(parts, [])).toContain('cope onto RNL at 78°')
  })
  test('parts are conserved: every member once', () => {
    const a = assembled(basket)
    expect(parts.flatMap((p) => p.marks).sort()).toEqual(a.members.map((m) => m.mark).sort())
  })
  test('job files carry basket, ticks and all, and come back as they were; a file of before ticks reads as untouched', () => {
    const job = { ...basket, built: { cut: tickOf('2026-11-27', 'ff') } }
    expect(readJobFile(writeJobFile(job))).toEqual({ ok: true, value: job })
    const { built: _, ...old } = JSON.parse(writeJobFile(basket))
    const back = readJobFile(JSON.stringify(old))
    expect(back.ok && back.value.built).toEqual({})
  })
})
