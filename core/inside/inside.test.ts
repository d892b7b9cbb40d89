import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { archesOf, blocksOf, gapBetween } from './blocks'
import { checkInside } from './checkInside'
import { BicycleSchema, type Inside, InsideSchema, type InsideThing, InsideThingSchema } from './inside'
import { topUnder } from './stacks'
import { stow, whatFrees } from './stow'

const TAKEN = BicycleSchema.parse({})
const bike = (id: string, over: Partial<InsideThing> = {}): InsideThing =>
  InsideThingSchema.parse({
    ...{ id, name: id, kind: 'bicycle', lengthMm: 1800, widthMm: 700, heightMm: 1050, barBehindMm: 500, barHeightMm: 950 },
    ...{ pedalsWideMm: 360, pedalsBehindMm: 800, ...over },
  })
const box = (id: string, lengthMm: number, widthMm: number, heightMm: number, over: Partial<InsideThing> = {}): InsideThing =>
  InsideThingSchema.parse({ id, name: id, kind: 'box', lengthMm, widthMm, heightMm, ...over })
const room = (things: InsideThing[], over: Partial<Inside> = {}): Inside =>
  InsideSchema.parse({ lengthMm: 3000, widthMm: 1700, heightMm: 1800, archWidthMm: 0, gapMm: 30, things, ...over })

describe('side by side for the least width, by hand', () => {
  test('two boxes: their widths and three gaps', () => {
    const found = stow(room([box('a', 3000, 400, 500), box('b', 3000, 600, 500)]))!
    // wall, 30, 400, 30, 600, and 30 to the other wall
    expect([found.widthMm, found.leftMm, found.proven]).toEqual([1090, 610, true])
    expect(found.things.map((t) => t.place?.yMm)).toEqual([230, 760])
  })
  test('bicycles in a room no longer than they are: looking the same way the handlebars meet; reversed, the handlebars of one meet the frame of the other', () => {
    const tight = room([bike('a'), bike('b')], { lengthMm: 1800 })
    const found = stow(tight)!
    // the handlebars lie 500 from the front of one and 500 from the back of the other, clear of each other; the pedals, 800 ± 222 and 1,000 ± 222, meet:
    // 180 + 30 + 180. Bars against frame: 350 + 30 + 32.5 = 412.5, which is more. From wall to wall: 30 + 350 + 412.5 + 350 + 30
    expect(found.widthMm).toBeCloseTo(1172.5, 6)
    expect(found.width.with.map((w) => `${w.value} ${w.name}`)).toEqual([
      '380 wall to the middle of a, by its handlebars',
      '412.5 a to b, frame beside handlebars',
      '380 wall to the middle of b, by its handlebars',
    ])
    expect(new Set(found.things.map((t) => t.place?.deg)).size).toBe(2)
    // both looking to the front: 700 + 30 between the middle lines
    const same = { ...tight, things: found.things.map((t, i) => ({ ...t, place: { xMm: 0, yMm: 380 + i * 730, deg: 0 as const } })) }
    expect(checkInside(same).faults).toEqual([])
    const closer = { ...same, things: same.things.map((t, i) => ({ ...t, place: { xMm: 0, yMm: 380 + i * 700, deg: 0 as const } })) }
    expect(checkInside(closer).faults[0]).toMatchObject({ gapMm: 0, says: 'handlebars of a is only {0} from handlebars of b' })
  })
  test('four bicycles: reversed and staggered they need far less than four handlebars; the width is checked to be free', () => {
    const four = room(
      ['a', 'b', 'c', 'd'].map((id) => bike(id)),
      { lengthMm: 2600 },
    )
    const found = stow(four)!
    expect(found.widthMm).toBeLessThan(4 * 700 + 5 * 30 - 800)
    expect(checkInside({ ...four, widthMm: found.widthMm + 0.1, things: found.things }).faults).toEqual([])
    // a room of one millimetre less has no place for them
    expect(checkInside({ ...four, widthMm: found.widthMm - 2, things: found.things }).faults).not.toEqual([])
  })
  test('wheel arches: a low box stands clear of them, bars pass over', () => {
    const arches = { archFromMm: 1000, archLengthMm: 900, archWidthMm: 200, archHeightMm: 300 }
    expect(stow(room([box('a', 3000, 400, 500)], arches))!.widthMm).toBe(200 + 30 + 400 + 30 + 200)
    // the bars at 830 to 1,030 pass over the arch of 300; the wheels stand beside it: 30 + 200 + 30 is less than the bars' own 350 + 30
    expect(stow(room([bike('a')], { ...arches, archFromMm: 1060, lengthMm: 2800 }))!.widthMm).toBe(760)
    // 60 farther forward no place along the room brings the pedals past it: 200 + 30 + 180 on both sides
    expect(stow(room([bike('a')], { ...arches, lengthMm: 2800 }))!.widthMm).toBe(820)
    expect(archesOf(room([], arches))[1]).toMatchObject({ y0: 1500, y1: 1700 })
  })
  test('a short box goes behind another: nothing of the width is lost', () => {
    expect(stow(room([box('a', 1400, 600, 500), box('b', 1400, 600, 500)]))!.widthMm).toBe(660)
  })
  test('what a change frees: handlebars turned along, one left at home', () => {
    const tight = room([bike('a'), bike('b')], { lengthMm: 1800 })
    const frees = whatFrees(tight, stow(tight)!)
    // turned along, the pedals govern: 30 + 180 + 390 + 180 + 30 = 810, pedals of both ways round meeting; the bars are as long now as they were wide
    expect(frees.find((f) => f.says.startsWith('handlebars'))?.freesMm).toBeCloseTo(1172.5 - 810, 6)
    expect(frees.find((f) => f.says === 'without a')?.freesMm).toBeCloseTo(1172.5 - 760, 6)
  })
})

test('handlebars turned along the frame reach as far along it as they did across', () => {
  const blocks = blocksOf(bike('a', { barsTurned: true }), { xMm: 0, yMm: 0, deg: 0 }, TAKEN)
  expect(blocks.find((b) => b.part === 'handlebars')).toMatchObject({ x0: 150, x1: 850, y0: -110, y1: 110 })
})

describe('as it stands', () => {
  test('nothing measured is assessed: room and things are named, and nothing is said to fit', () => {
    const unknown = checkInside(InsideSchema.parse({ things: [bike('a', { barHeightMm: null, place: { xMm: 0, yMm: 400, deg: 0 } })] }))
    expect(unknown.missing).toEqual([
      ...['clear length of the floor', 'clear width of the floor', 'clear height', 'width of the wheel arches (0 = none)'],
      ...['where the wheel arches begin', 'length of the wheel arches', 'height of the wheel arches', 'height of the handlebars of a'],
    ])
    expect([unknown.aisle, unknown.faults, unknown.out]).toEqual([null, [], []])
    expect(stow(room([bike('a', { widthMm: null })]))).toBeNull()
    expect(stow(room([box('a', 3001, 400, 500)]))).toBeNull()
    expect(stow(room([box('a', 3000, 400, 1801)]))!.fits).toBe(false)
  })
  test('walls, roof and the aisle beside; what nobody stowed is named', () => {
    const r = room([box('a', 1000, 500, 1900, { place: { xMm: -10, yMm: 280, deg: 0 } }), box('b', 500, 500, 500)])
    const found = checkInside(r)
    expect(found.faults.map((f) => f.says)).toEqual(['a stands {100} into the roof', 'a stands {10} into the front wall'])
    expect(found.aisle).toEqual({ widthMm: 1170, fromMm: 530 })
    expect(found.notStowed).toEqual(['b'])
  })
  test('out to the rear: what stands behind comes out first; a thing over another is not in its way', () => {
    const at = (xMm: number, yMm: number) => ({ place: { xMm, yMm, deg: 0 as const } })
    const r = room([
      box('front', 800, 600, 500, at(0, 400)),
      box('rear', 800, 600, 500, at(1000, 400)),
      box('beside', 800, 400, 500, at(0, 1200)),
    ])
    const { out, held } = checkInside(r)
    expect(out.map((o) => `${o.name} after ${o.after.join()}`)).toEqual(['rear after ', 'beside after ', 'front after rear'])
    expect(held).toEqual([])
  })
  test('turned across the room: as long as it was, its front to the right or the left, and forward-most where it is said to be', () => {
    const t = bike('a')
    for (const deg of [90, 270] as const) {
      const blocks = blocksOf(t, { xMm: 100, yMm: 1000, deg }, TAKEN)
      const span = (from: 'x0' | 'y0', to: 'x1' | 'y1') => [Math.min(...blocks.map((b) => b[from])), Math.max(...blocks.map((b) => b[to]))]
      expect(span('x0', 'x1')).toEqual([100, 800])
      expect(span('y0', 'y1')).toEqual([100, 1900])
      const bars = blocks.find((b) => b.part === 'handlebars')!
      expect((bars.y0 + bars.y1) / 2).toBe(deg === 90 ? 1400 : 600)
    }
  })
})

test('whatever rides along: what is stowed is free of faults in a room as wide as it needs', () => {
  const any = fc.oneof(
    fc
      .record({ l: fc.integer({ min: 200, max: 2400 }), w: fc.integer({ min: 100, max: 700 }), h: fc.integer({ min: 100, max: 1500 }) })
      .map(({ l, w, h }) => box('x', l, w, h)),
    fc
      .record({ w: fc.integer({ min: 400, max: 800 }), bar: fc.integer({ min: 300, max: 700 }), z: fc.integer({ min: 800, max: 1100 }) })
      .map(({ w, bar, z }) => bike('x', { widthMm: w, barBehindMm: bar, barHeightMm: z, heightMm: z + 100 })),
  )
  fc.assert(
    fc.property(fc.array(any, { minLength: 1, maxLength: 4 }), fc.integer({ min: 0, max: 60 }), (list, gapMm) => {
      const things = list.map((t, i) => ({ ...t, id: `t${i}`, name: `t${i}` }))
      const r = room(things, { gapMm, lengthMm: 2500, archFromMm: 800, archLengthMm: 700, archWidthMm: 150, archHeightMm: 250 })
      const found = stow(r)!
      const wide = { ...r, widthMm: found.widthMm + 1e-6, things: found.things }
      expect(checkInside(wide).faults).toEqual([])
      // the working leads from wall to wall and comes to the same
      expect(found.width.value).toBeCloseTo(found.widthMm, 6)
      for (const a of found.things)
        for (const b of found.things) {
          if (a === b) continue
          for (const p of blocksOf(a, a.place!, TAKEN))
            for (const q of blocksOf(b, b.place!, TAKEN)) expect(gapBetween(p, q)).toBeGreaterThan(gapMm - 1e-6)
        }
    }),
    { numRuns: 30, seed: 5 },
  )
})

describe('one on another', () => {
  const at = (xMm: number, yMm: number, zMm?: number, deg: 0 | 90 = 0) => ({
    place: { xMm, yMm, deg, ...(zMm === undefined ? {} : { zMm }) },
  })
  const chest = box('chest', 800, 600, 400, { massKg: 30, bearsKg: 50, ...at(0, 400) })
  const says = (things: InsideThing[], over: Partial<Inside> = {}) => checkInside(room(things, over)).faults.map((f) => f.says)
  test('on top it is in nobody’s way, but the roof’s; half over the edge it falls, in the air it has nothing under it', () => {
    const lid = box('lid', 400, 400, 300, { massKg: 12, ...at(200, 400, 400) })
    expect(says([chest, lid])).toEqual([])
    expect(says([chest, lid], { heightMm: 690 })).toEqual(['lid stands {10} into the roof'])
    // its middle at 800 + 1 of a chest of 800
    expect(says([chest, { ...lid, ...at(601, 400, 400) }])).toEqual(['the middle of lid hangs out over what it stands on, chest'])
    expect(says([chest, { ...lid, ...at(599, 400, 400) }])).toEqual([])
    expect(says([chest, { ...lid, ...at(200, 400, 500) }])).toEqual(['lid has no box under it, {500} above the floor'])
    const sunk = says([chest, { ...lid, ...at(200, 400, 390) }])
    expect(sunk).toContain('lid has no box under it, {390} above the floor')
    expect(sunk.some((f) => /^chest stands .* into lid$/.test(f))).toBe(true)
    // a bicycle is no shelf
    expect(says([bike('a', at(0, 400)), box('x', 400, 60, 100, at(0, 400, 1050))]).join()).toMatch(/x has no box under it/)
  })
  test('across a gap between two it stands on both; over one of them only its middle is out', () => {
    const [a, b] = [box('a', 500, 600, 400, at(0, 400)), box('b', 500, 600, 400, at(900, 400))]
    expect(says([a, b, box('plank', 1400, 200, 40, at(0, 400, 400))])).toEqual([])
    expect(says([a, box('plank', 1400, 200, 40, at(0, 400, 400))]).join()).toMatch(/middle of plank/)
  })
  test('a top bears all that stands on it, and on that: 12 + 45 on 50 is over, 12 + 30 is not; a mass or a top that nobody knows is not assessed', () => {
    const pile = (massKg: number | null, bearsKg: number | null = 50) =>
      checkInside(
        room([
          { ...chest, bearsKg },
          box('lid', 400, 400, 300, { massKg: 12, bearsKg: 99, ...at(200, 400, 400) }),
          box('top', 300, 300, 200, { massKg, ...at(250, 400, 700) }),
        ]),
      ).stacks.map((s) => [s.name, s.load.value, s.state])
    expect(pile(45)).toEqual([['chest', 57, 'over'], ['lid', 45, 'clear']]) // biome-ignore format: two rows
    expect(pile(30)).toEqual([['chest', 42, 'clear'], ['lid', 30, 'clear']]) // biome-ignore format: two rows
    expect(pile(null)).toEqual([['chest', null, 'unknown'], ['lid', null, 'unknown']]) // biome-ignore format: two rows
    expect(pile(30, null)[0]).toEqual(['chest', 42, 'unknown'])
  })
  test('flat things of no height bear nothing in a ring, and are worked through', () => {
    const flat = ['p', 'q'].map((id) => box(id, 300, 300, 0, at(0, 400, 5)))
    expect(says(flat).every((f) => /no box under it/.test(f))).toBe(true)
  })
  test('set down, it comes onto the highest top under its middle, never onto what stands on it', () => {
    const lid = box('lid', 400, 400, 300, at(200, 400, 777))
    const on = box('on', 200, 200, 100, at(300, 400, 1077))
    const all = [chest, lid, on].map((t) => ({ t: { ...t, place: t.place! }, blocks: blocksOf(t, t.place!, TAKEN) }))
    expect(all.map((a) => topUnder(a, all))).toEqual([0, 400, 1077])
  })
  test('stowed anew, what stands on a box goes with it, also on one that stands across', () => {
    for (const deg of [0, 90] as const) {
      const base = box('base', 700, 500, 400, at(900, 1000, undefined, deg))
      const lid = box('lid', 200, 200, 300, at(1000, 1000, 400))
      const r = room([bike('a'), base, lid])
      const found = stow(r)!
      expect(checkInside({ ...r, things: found.things, widthMm: found.widthMm + 0.1 }).faults).toEqual([])
      const [, b, l] = found.things
      const beside = [l!.place!.xMm - b!.place!.xMm, l!.place!.yMm - b!.place!.yMm, l!.place!.zMm]
      expect(beside).toEqual([100, 0, 400].map((v) => expect.closeTo(v, 6)))
    }
  })
})

describe('a door in the side', () => {
  const at = (xMm: number, yMm: number, zMm?: number) => ({ place: { xMm, yMm, deg: 0 as const, ...(zMm === undefined ? {} : { zMm }) } })
  const door = { doorSide: 'right', doorFromMm: 100, doorLengthMm: 900, doorHeightMm: 1300 } as const
  // from the front: tools at the door, a crate between them and the other wall, bicycles' boxes behind across the room
  const things = [
    box('tools', 600, 400, 500, at(200, 1300)),
    box('crate', 600, 400, 500, at(200, 600)),
    box('rear', 500, 1600, 500, at(1200, 850)),
  ]
  const aside = (over: Partial<Inside>, list = things) =>
    checkInside(room(list, { ...door, ...over })).aside?.map((o) => [o.name, o.after.join()]) ?? null
  test('what stands at it comes out at once, though to the rear it waits; what stands behind that comes after it; what passes it not at all is not named', () => {
    expect(aside({})).toEqual([['tools', ''], ['crate', 'tools']]) // biome-ignore format: two rows
    expect(checkInside(room(things, door)).out.map((o) => `${o.name} after ${o.after.join()}`)).toEqual([
      'rear after ',
      'tools after rear',
      'crate after rear',
    ])
    // on the other side the crate is first
    expect(aside({ doorSide: 'left' })).toEqual([['crate', ''], ['tools', 'crate']]) // biome-ignore format: two rows
  })
  test('a door shorter, lower or farther back than what should pass it lets nothing out; there is none where there is none, or nobody measured it', () => {
    for (const less of [{ doorLengthMm: 690 }, { doorHeightMm: 490 }, { doorFromMm: 210 }]) expect(aside(less)).toEqual([])
    expect([aside({ doorSide: 'none' }), aside({ doorHeightMm: null }), aside({ doorFromMm: null })]).toEqual([null, null, null])
  })
  test('what stands on top comes out first, by either way', () => {
    const list = [things[0]!, box('lid', 300, 300, 200, at(300, 1300, 500))]
    expect(aside({}, list)).toEqual([['lid', ''], ['tools', 'lid']]) // biome-ignore format: two rows
    expect(checkInside(room(list, {})).out.map((o) => o.name)).toEqual(['lid', 'tools'])
  })
})
