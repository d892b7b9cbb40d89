import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { memberMassKg } from '../assembly/assembly'
import type { Tools } from '../calculator/tools'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection, profiles } from '../catalogue/profiles'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { highsTools } from '../nesting/highsTools'
import { wholeOf } from '../pieces/whole'
import { defaultRules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { inMetal, otherWays, twinOf, wayStands } from './otherWays'

const guard = demoJobs.find((j) => j.title.startsWith('Half guard'))!
let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const members = (job: Parameters<typeof wholeOf>[0]) => wholeOf(job, defaultRules).assembly.members

describe('the same in another metal', () => {
  test('a twin has the same section to the millimetre; a metal’s own tube is its own twin; what is not sold in it has none', () => {
    for (const p of profiles)
      for (const metal of ['steel', 'aluminium'] as const) {
        const twin = twinOf(p.id, metal)
        if (twin === null) continue
        expect(materialOf(profileOf(twin).materialId).group).toBe(metal)
        expect(profileSection(twin).areaMm2).toBeCloseTo(profileSection(p.id).areaMm2, 9)
        if (materialOf(p.materialId).group === metal) expect(twin).toBe(p.id)
      }
    expect(twinOf('square-40x3-steel', 'aluminium')).toBe('square-40x3-al6061t6')
    expect(profiles.some((p) => twinOf(p.id, 'steel') === null)).toBe(true)
  })
  test('in aluminium every tube weighs 2700/7850 of what it did, and stands where it stood', () => {
    const light = inMetal(guard, 'aluminium')!
    const [before, after] = [members(guard), members(light)]
    expect(after.map((m) => m.path)).toEqual(before.map((m) => m.path))
    for (const [i, m] of after.entries()) expect(memberMassKg(m) / memberMassKg(before[i]!)).toBeCloseTo(2700 / 7850, 9)
    // folded sheet too, in an alloy that folds
    expect(new Set(wholeOf(light, defaultRules).assembly.plates.map((p) => p.materialId))).toEqual(new Set(['al5052h32']))
  })
  test('a job that is all of that metal has no such way, nor one with a section that is not sold in it', () => {
    const light = inMetal(guard, 'aluminium')!
    expect(inMetal(light, 'aluminium')).toBeNull()
    const unsold = profiles.find((p) => twinOf(p.id, 'steel') === null)!
    const rack = demoJobs[0]!
    expect(
      inMetal({ ...rack, pieces: rack.pieces.map((p) => ({ ...p, params: { ...p.params, profileId: unsold.id } })) }, 'steel'),
    ).toBeNull()
  })
  test('nothing reads as in order while something is over, unknown, or does not work yet', () => {
    const row = { name: '', mass: null as never, price: null, governs: '', over: 0, unknown: 0, broken: 0 }
    expect(wayStands(row)).toBe('within every line')
    expect(wayStands({ ...row, unknown: 2 })).toBe('2 not assessed')
    expect(wayStands({ ...row, unknown: 2, over: 1 })).toBe('1 over')
    expect(wayStands({ ...row, broken: 1 })).toBe('1 do not work')
  })
  test('what is already there stays what it is', () => {
    const found = {
      id: 'p9',
      name: '',
      letter: 'Z',
      family: 'already-there',
      on: null,
      state: 'fitted' as const,
      params: { materialId: 'stainless', profileId: 'square-40x3-stainless' },
    }
    const light = inMetal({ ...guard, pieces: [...guard.pieces, found] }, 'aluminium')!
    expect(light.pieces.at(-1)).toEqual(found)
    expect(inMetal({ ...guard, pieces: [found] }, 'aluminium')).toBeNull()
  })
  test('each way has its own mass, price and limits, by the same reckoning as a job of its own', () => {
    const rows = otherWays(guard, demoStock, defaultRules, tools)
    expect(rows.map((r) => r.name)).toEqual(['As drawn', 'All in steel', 'All in aluminium'])
    const own = evaluate(inMetal(guard, 'aluminium')!, defaultRules)
    // part by part, the feet with it
    expect(rows[2]!.mass.value).toBeCloseTo(own.rackMassKg!, 6)
    expect(rows[2]!.mass.with.length).toBeGreaterThan(own.assembly.members.length)
    expect(rows[2]!.over).toBe(own.limits.filter((l) => l.state === 'over').length)
    expect(rows[2]!.mass.value!).toBeLessThan(rows[0]!.mass.value!)
    // the demo has all it needs for a price, and each opens into its lines
    for (const r of rows) expect([r.price!.value! > 0, r.price!.with.length > 0]).toEqual([true, true])
  })
})
