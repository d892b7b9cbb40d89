import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { missingFor } from '../limits/limit'
import { chainFigure, forClient, strengthWords, weakest } from '../limits/strength'
import { loadCases } from '../loads/loadCases'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { anchorRating, eachEndN, endsOnAnchors } from './anchors'
import { proposeStraps } from './proposeStraps'
import { type SecuringGiven, securingLimits, securingNeeds } from './securing'
import { type Held, isMet, leastStraps, type Strap, strapMissing, strapNeeds } from './straps'

const strap = (way: Strap['way'] = 'over', over: Partial<Strap> = {}): Strap => ({
  wllKg: 250,
  anchorN: 2000,
  angleDeg: 90,
  way,
  atMm: 0,
  ...over,
})
/** 100 kg, 2 m long, 0.8 wide, 0.4 high, centre of mass in its middle. */
const plan: Omit<Held, 'straps'> = {
  massKg: 100,
  lengthMm: 2000,
  widthMm: 800,
  heightMm: 400,
  centreUpMm: 200,
  centreForwardMm: 0,
  centreLeftMm: 0,
  blockedForward: false,
  blockHoldsN: null,
  friction: 0.3,
  safety: 1.25,
  tensionN: 500,
  forwardG: 0.8,
  sideG: 0.5,
  rearG: 0.5,
  tiltG: 0.6,
  reboundG: 0.4,
  liftN: 0,
  flatPitchMm: 1200,
  flatEndMm: 400,
}
const needs = (straps: Strap[], over: Partial<Held> = {}) => strapNeeds({ ...plan, straps, ...over })
const need = (straps: Strap[], id: string, over: Partial<Held> = {}) => needs(straps, over).find((n) => n.id === id)!

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
    expect(n.need).toBeCloseTo(490.33, 2)
    expect(n.have).toBeCloseTo(240, 9)
  })
  test('a direct strap at 30°, 2000 N of its anchor: F·(cos 30° + 0.75·0.3·sin 30°) = 1957 N; beside it the item’s own friction counts three quarters too', () => {
    const n = need([strap('forward', { angleDeg: 30 })], 'forward')
    expect(n.have).toBeCloseTo(1957.05, 2)
    expect(n.need).toBeCloseTo(W * (0.8 - 0.225), 9)
    expect(need([strap('forward', { angleDeg: 30 })], 'rear').have).toBe(0)
  })
  test('half the weight: a strap over the top counts whole, a direct one half (49 CFR 393.106d): 2000 + 1000 against 490', () => {
    expect(need([strap(), strap('left')], 'rating')).toMatchObject({ need: W / 2, have: 3000 })
  })
  test('at speed the air takes 400 N off it: friction is left with 581 of 981 N, so forward asks 0.8·981 − 0.3·581 = 610 N; lifted whole, none is left', () => {
    expect(need([strap()], 'forward', { liftN: 400 }).need).toBeCloseTo(0.8 * W - 0.3 * (W - 400), 9)
    expect(need([strap()], 'forward', { liftN: 400 }).need).toBeCloseTo(610.33, 2)
    // more than its weight: all that pushes must be held, and what lifts is a need of its own
    expect(need([strap()], 'forward', { liftN: 1200 }).need).toBeCloseTo(0.8 * W, 9)
    expect(need([strap()], 'lift', { liftN: 1200 }).need).toBeCloseTo(1200 - W, 9)
  })
  test('left and right are two ways: a strap that stops it going left does nothing against going right', () => {
    const straps = [strap('left', { angleDeg: 30 }), strap('left', { angleDeg: 30 })]
    expect(need(straps, 'left').have).toBeGreaterThan(3900)
    expect(need(straps, 'right').have).toBe(0)
    expect(isMet(need(straps, 'right'))).toBe(false)
  })
  test('a stop in front holds what it holds: 300 N of 490 is short, 600 is enough, and nobody knows is not held', () => {
    const stop = (blockHoldsN: number | null) => need([], 'forward', { blockedForward: true, blockHoldsN })
    expect(isMet(stop(300))).toBe(false)
    expect(isMet(stop(600))).toBe(true)
    expect(stop(null).have).toBeNull()
  })
  test('tipping: 1.2 m high and 0.5 wide tips at 0.6·600 − 250 = 110 mm of its weight; one strap over pulls 500·0.5/1.25 = 200 N·m on its far edge', () => {
    const tall = { heightMm: 1200, centreUpMm: 600, widthMm: 500 }
    const n = need([strap()], 'tilt', tall)
    expect(n.need).toBeCloseTo(W * 110, 6)
    expect(n.have).toBeCloseTo(200_000, 6)
    // the air’s 400 N stand on the same edge 250 off: 100 N·m more
    expect(need([strap()], 'tilt', { ...tall, liftN: 400 }).need).toBeCloseTo(W * 110 + 400 * 250, 6)
    // low and wide it cannot tip: nothing is asked
    expect(need([strap()], 'tilt')).toBeUndefined()
    // its mass 100 off the middle to the left is 100 nearer that edge
    expect(need([strap()], 'tilt', { ...tall, centreLeftMm: 100 }).need).toBeCloseTo(W * 210, 6)
  })
  test('tipping forward: 0.4 long and 1.2 high; a strap over it 150 behind its middle pulls on 2·350, one 150 ahead on 2·50', () => {
    const post = { heightMm: 1200, centreUpMm: 600, widthMm: 2000, lengthMm: 400, forwardG: 0.8, rearG: 0 }
    // 0.8·600 − 200 = 280 mm of its weight
    const held = (atMm: number) => need([strap('over', { atMm })], 'tilt', post)
    expect(held(-150).need).toBeCloseTo(W * 280, 6)
    expect(held(-150).have).toBeCloseTo(((500 * 0.7) / 1.25) * 1000, 6)
    expect(held(150).have).toBeCloseTo(((500 * 0.1) / 1.25) * 1000, 6)
  })
  test('rebound of −0.5 g on a rough track lifts half its weight: the straps must bear it, by what they hold, not by a hand’s pull', () => {
    expect(need([strap()], 'lift', { reboundG: -0.5 })).toMatchObject({ need: W / 2, have: 4000 })
    expect(need([strap()], 'lift')).toBeUndefined()
  })
  test('a sheet of 2.4 × 1.2 m: a front stop, a strap within 0.4 m of its front edge, none farther apart than 1.2 m', () => {
    const sheet = { lengthMm: 2400, widthMm: 1200, heightMm: 60, centreUpMm: 30 }
    const flat = (straps: Strap[], over: Partial<Held> = {}) => need(straps, 'flat', { ...sheet, ...over })
    expect(isMet(flat([strap('over', { atMm: 850 }), strap('over', { atMm: -300 })]))).toBe(false) // nothing stops it in front
    expect(isMet(flat([strap('over', { atMm: 850 }), strap('over', { atMm: -300 })], { blockedForward: true }))).toBe(true)
    expect(isMet(flat([strap('over', { atMm: 700 }), strap('over', { atMm: -300 })], { blockedForward: true }))).toBe(false)
    expect(flat([strap('over', { atMm: null })]).have).toBeNull()
    expect(need([], 'flat')).toBeUndefined() // a box is no sheet
  })
  test('what is missing is said for the first thing that is not held; nothing when all is', () => {
    expect(strapMissing(needs([]))).toContain('2 more over it')
    expect(strapMissing(needs([strap(), strap()]))).toContain('cannot slide forward')
    expect(strapMissing(needs([strap(), strap(), strap('forward', { angleDeg: 30 })]))).toBeNull()
    expect(strapMissing(needs([strap('over', { wllKg: null }), strap()]))).toContain('find its label')
  })
  test('one more strap over the top never holds less, in any need', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: -900, max: 900 }),
        (n, angleDeg, atMm) => {
          const some = Array.from({ length: n }, () => strap())
          const before = needs(some, { heightMm: 1200, centreUpMm: 600, reboundG: -0.5 })
          const after = needs([...some, strap('over', { angleDeg, atMm })], { heightMm: 1200, centreUpMm: 600, reboundG: -0.5 })
          for (const a of after.filter((x) => x.id !== 'tilt')) {
            const b = before.find((x) => x.id === a.id)!
            expect(a.have!).toBeGreaterThanOrEqual(b.have! - 1e-9)
          }
        },
      ),
    )
  })
})

describe('anchors shared by straps', () => {
  const rings = demoJobs[0].anchors[0]!
  test('a strap over the top hangs on two points: ten ends on eight rings of 2600 N leave 2080 each; nobody counted is not known', () => {
    expect(eachEndN({ ...rings, count: 8 }, 10)).toBeCloseTo(2080, 9)
    expect(eachEndN({ ...rings, count: 8 }, 6)).toBe(2600)
    expect(eachEndN({ ...rings, count: null }, 2)).toBeNull()
    expect(endsOnAnchors(demoJobs[0].brief.cargo).get('rings')).toBe(2 * 3 + 2 * 2 + 1)
  })
})

describe('straps proposed', () => {
  const [survey] = demoJobs
  const given = (cargo = survey.brief.cargo): SecuringGiven => ({
    cargo,
    anchors: survey.anchors,
    cases: loadCases(defaultRules, 'rough track'),
    speedKmh: 100,
    rules: defaultRules,
  })
  test('for every item of the catalogue what is proposed meets every need, with places on the item, or says what still lacks', () => {
    for (const a of accessories.filter((x) => x.counts !== 'parked')) {
      const item = placed(a, 'x', 900, 0)
      const { securing, lacks } = proposeStraps(item, given([item]))
      const after = securingNeeds({ ...item, securing }, given([{ ...item, securing }]))!
      expect([a.id, lacks === null]).toEqual([a.id, after.every((n) => n.need <= 0 || isMet(n))])
      for (const s of securing.straps) expect(Math.abs(s.atMm!)).toBeLessThanOrEqual(item.lengthMm / 2 + 1e-9)
    }
  })
  test('one strap fewer would not do', () => {
    const item = { ...survey.brief.cargo[1]!, securing: null }
    const { securing } = proposeStraps(item, given([item]))
    securing.straps.forEach((_, i) => {
      const fewer = { ...item, securing: { ...securing, straps: securing.straps.filter((__, k) => k !== i) } }
      expect(securingNeeds(fewer, given([fewer]))!.every((n) => n.need <= 0 || isMet(n))).toBe(false)
    })
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
  expect(missingFor(find(bare))).toContain('rating and number of an anchor of Equipment case')
  const unsaid = { ...survey, brief: { ...survey.brief, cargo: survey.brief.cargo.map((c) => ({ ...c, securing: null })) } }
  expect(find(unsaid)).toMatchObject({ state: 'unknown', ratio: null })
  expect(missingFor(find(unsaid))).toEqual(['how Equipment case is held down'])
  // bolted on: six M8; nobody counted them is not assessed
  const awning = (job: typeof survey) => evaluate(job, defaultRules).limits.find((l) => l.id === 'straps.side-awning')!
  expect(awning(survey).state).toBe('clear')
  const uncounted = survey.brief.cargo.map((c) => (c.securing?.by === 'bolts' ? { ...c, securing: { ...c.securing, bolts: null } } : c))
  expect(awning({ ...survey, brief: { ...survey.brief, cargo: uncounted } }).state).toBe('unknown')
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

describe('bolts of a mount, by hand: a box of 40 kg, 600 × 400, 300 high, pushed with 0.8 g on a road', () => {
  const [survey] = demoJobs
  const box = { ...survey.brief.cargo[1]!, massKg: { least: 40, most: 40 }, lengthMm: 600, widthMm: 400, heightMm: 300 }
  const limitOf = (count: number | null, speedKmh: number | null = 100) => {
    const bolts = count === null ? null : { size: 'M8' as const, count }
    const securing = { by: 'bolts' as const, blockedForward: false, blockHoldsN: null, friction: null, straps: [], bolts }
    const given = { cargo: [{ ...box, securing }], anchors: [], cases: loadCases(defaultRules, 'road'), speedKmh, rules: defaultRules }
    return securingLimits(given)[0]!
  }
  const value = (limit: ReturnType<typeof limitOf>, symbol: string) => limit.used.with.find((i) => i.symbol === symbol)?.value
  test('tipped over 400: six put three on the side that lifts, five two, two one; one alone in the middle has half the lever', () =>
    expect([6, 5, 2, 1].map((n) => value(limitOf(n), 'k'))).toEqual([3, 2, 1, 0.5]))
  test('each figure of the working put together again gives its use, and fewer bolts are used more', () => {
    const used = [8, 6, 4, 2, 1].map((n) => limitOf(n).used.value!)
    expect([...used].sort((a, b) => a - b)).toEqual(used)
    const one = limitOf(1)
    const v = (symbol: string) => value(one, symbol)!
    const shear = 0.8 * 40 * G_M_S2
    const pull = Math.max(0, v('L') - v('r') * 40 * G_M_S2) + (0.8 * 40 * G_M_S2 * v('d')) / 200
    expect(one.used.value).toBeCloseTo(Math.max(pull / v('Ft,R'), shear / v('Fv,R') + pull / (1.4 * v('Ft,R'))), 6)
  })
  test('neither a number nobody counted nor a speed nobody knows is assessed', () => {
    expect(limitOf(null).state).toBe('unknown')
    expect(limitOf(4, null).state).toBe('unknown')
    expect(missingFor(limitOf(4, null))).toContain('driving speed')
  })
  test('a load case that is not there is an error, not a push of nothing', () => {
    const securing = survey.brief.cargo[1]!.securing
    const given = { cargo: [{ ...box, securing }], anchors: survey.anchors, cases: [], speedKmh: 100, rules: defaultRules }
    expect(() => securingLimits(given)).toThrow('no load case braking')
  })
})
