import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { missingFor } from '../limits/limit'
import { chainFigure, forClient, strengthWords, weakest } from '../limits/strength'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { anchorRating } from './securing'
import { leastStraps, type Strap, strapMissing, strapNeeds } from './straps'

const strap = (way: Strap['way'] = 'over', over: Partial<Strap> = {}): Strap => ({ wllKg: 250, anchorN: 2000, angleDeg: 90, way, ...over })
const plan = {
  massKg: 100,
  lengthMm: 2000,
  blockedForward: false,
  friction: 0.3,
  safety: 1.25,
  tensionN: 500,
  forwardG: 0.8,
  sideG: 0.5,
  rearG: 0.5,
}
const need = (straps: Strap[], id: string, over = {}) => strapNeeds({ ...plan, straps, ...over }).find((n) => n.id === id)!

describe('how many straps (49 CFR 393.110)', () => {
  test.each([
    [1500, 400, false, 1],
    [1500, 600, false, 2],
    [3048, 100, false, 2],
    [3400, 15, false, 3],
    [6200, 40, false, 4],
    [6200, 40, true, 3],
    [1000, 40, true, 1],
  ])('%i mm long, %i kg, blocked forward %s: %i', (length, mass, blocked, straps) =>
    expect(leastStraps(length, mass, blocked)).toBe(straps),
  )
})

describe('what holds 100 kg on friction 0.3', () => {
  const W = 100 * G_M_S2
  test('forward: 0.8·W − 0.3·W = 490 N to hold; one strap straight over, pulled by hand with 500 N, gives 2·0.3·500/1.25 = 240', () => {
    const n = need([strap()], 'forward')
    expect(n.needN).toBeCloseTo(0.5 * W, 9)
    expect(n.haveN).toBeCloseTo(240, 9)
  })
  test('a strap that pulls rearward at 30° stops it sliding forward: F·(cos 30° + 0.3·sin 30°), F = 2000 N of its anchor, less than 250 kg', () => {
    const n = need([strap('forward', { angleDeg: 30 })], 'forward')
    expect(n.haveN).toBeCloseTo(2000 * (Math.cos(Math.PI / 6) + 0.15), 9)
    expect(need([strap('forward', { angleDeg: 30 })], 'rear').haveN).toBe(0)
  })
  test('half the weight in all: two of 2000 N against 490', () => {
    expect(need([strap(), strap()], 'rating')).toMatchObject({ needN: W / 2, haveN: 4000 })
  })
  test('what is missing is said for the first thing that is not held; nothing when all is', () => {
    expect(strapMissing(strapNeeds({ ...plan, straps: [] }))).toContain('2 more over it')
    expect(strapMissing(strapNeeds({ ...plan, straps: [strap(), strap()] }))).toContain('cannot slide forward: 11 N are not held')
    expect(strapMissing(strapNeeds({ ...plan, straps: [strap(), strap(), strap('forward', { angleDeg: 30 })] }))).toBeNull()
    expect(strapMissing(strapNeeds({ ...plan, straps: [strap('over', { wllKg: null }), strap()] }))).toContain('has no rating')
  })
  test('one more strap never holds less', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5 }),
        fc.constantFrom('over', 'forward', 'rear', 'side'),
        fc.integer({ min: 0, max: 90 }),
        (n, way, angleDeg) => {
          const before = strapNeeds({ ...plan, straps: Array.from({ length: n }, () => strap()) })
          const after = strapNeeds({
            ...plan,
            straps: [...Array.from({ length: n }, () => strap()), strap(way as Strap['way'], { angleDeg })],
          })
          after.forEach((a, i) => {
            expect(a.haveN!).toBeGreaterThanOrEqual(before[i].haveN! - 1e-9)
          })
        },
      ),
    )
  })
})

describe('the weakest link', () => {
  const link = (part: string, holdsN: number | null, word: (typeof strengthWords)[number] = 'calculated') => ({
    part,
    holdsN,
    word,
    source: 'test',
  })
  test('ring 3000, bolt 8500, rail 2600: the rail, 2600', () => {
    expect(weakest([link('ring', 3000), link('bolt', 8500), link('rail', 2600)])?.part).toBe('rail')
    expect(anchorRating(demoJobs[0].anchors[0])).toMatchObject({ value: 2600, name: 'Anchor Tie rings on the bars, held by its rail' })
  })
  test('one unknown link makes the whole unrated and is named; so does one that only felt sturdy', () => {
    expect(chainFigure('x', 'Anchor', [link('ring', 3000), link('weld', null)])).toMatchObject({ value: null, missing: ['weld'] })
    expect(chainFigure('x', 'Anchor', [link('ring', 3000), link('skin', 900, 'felt sturdy')])).toMatchObject({
      value: null,
      missing: ['skin'],
      source: 'ring: calculated, test',
      assumes: ['nothing of the skin: it only felt sturdy'],
    })
    expect(weakest([])).toBeNull()
  })
  test('only three of the four words leave the shop', () =>
    expect(strengthWords.filter(forClient)).toEqual(['calculated', 'maker-rated', 'proof-tested']))
})

test('in a job: straps stand in the gauge; an anchor nobody rated leaves them not assessed', () => {
  const [survey] = demoJobs
  const find = (job: typeof survey) => evaluate(job, defaultRules).limits.find((l) => l.id === 'straps.equipment-case')!
  expect(find(survey).state).not.toBe('unknown')
  const bare = { ...survey, anchors: [] }
  expect(find(bare).state).toBe('unknown')
  expect(missingFor(find(bare))).toEqual(['rating of an anchor of Equipment case'])
  expect(evaluate(survey, defaultRules).limits.some((l) => l.id === 'straps.side-awning')).toBe(false) // bolted on
})

test('what only felt sturdy reaches nothing that is printed: no source, no name, no missing figure says it', () => {
  const [survey] = demoJobs
  const anchors = survey.anchors.map((a) => ({
    ...a,
    links: [...a.links, { part: 'skin' as const, word: 'felt sturdy' as const, holdsN: 5000 }],
  }))
  const printed = evaluate({ ...survey, anchors }, defaultRules).limits.map((l) => [
    l.name,
    l.used.name,
    l.allowed.name,
    l.allowed.source,
    ...missingFor(l),
  ])
  expect(JSON.stringify(printed)).not.toContain('felt')
  expect(evaluate({ ...survey, anchors }, defaultRules).limits.find((l) => l.id === 'straps.equipment-case')!.state).toBe('unknown')
})
