import { describe, expect, test } from 'vitest'
import { plateMassKg } from '../../assembly/assembly'
import { boxOf, onPlate, plateCorners } from '../../assembly/places'
import { placed } from '../../brief/placeCargo'
import { accessories } from '../../catalogue/accessories'
import { issueMessage } from '../../issue/messages.en'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { withParams } from '../../job/piecesOf'
import { METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { flatKinds } from '../../sheetNesting/sheetPlan'
import { rackFrame } from '../../structure/rackFrame'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { type ChestParams, ChestParams as schema } from './params'

const family = familyOf('chest')!
const pickup = demoVehicles[1]!
const made = (over: Partial<ChestParams> = {}) => built(family, { widthMm: 900, ...over }, pickup)
const part = (b: ReturnType<typeof made>, id: string) => b.assembly.plates.find((p) => p.id === id)!

/** A job of one chest, with a box of so many kg in it. */
function jobOf(over: Partial<ChestParams> = {}, kg: number | null = 40, size = { lengthMm: 300, widthMm: 200, heightMm: 250 }): Job {
  const base = newJob('Chest', pickup, METRIC)
  const job: Job = {
    ...base,
    brief: { ...base.brief, speedKmh: 100, agreedUses: base.brief.agreedUses },
    pieces: [
      {
        id: 'p1',
        name: '',
        letter: '',
        family: 'chest',
        params: schema.parse({ widthMm: 900, latchN: 1500, ...over }),
        on: null,
        state: 'fitted',
      },
    ],
  }
  const box = boxOf(evaluate(job, defaultRules).assembly.plates.flatMap(plateCorners))
  const item = {
    ...placed(accessories[0]!, 'tools', box.centre.x, 100, {}),
    name: 'Tool case',
    ...size,
    use: 'goods' as const,
    massKg: kg === null ? null : { least: kg, most: kg },
    massBasis: kg === null ? ('unknown' as const) : ('weighed' as const),
    counts: 'both' as const,
    securing: null,
    on: ['p1/inside'],
  }
  return { ...job, brief: { ...job.brief, agreedUses: [item.use], cargo: [item] } }
}
const limits = (job: Job) => new Map(evaluate(job, defaultRules).limits.map((l) => [l.id, l]))

describe('a chest', () => {
  test('stands in its own measures: floor, rim and lid, each end between front and back', () => {
    const b = made({ lengthMm: 500, heightMm: 400, bearerHeightMm: 30, thicknessMm: 2 })
    const box = (id: string) => boxOf(plateCorners(part(b, id)))
    const body = box('body')
    expect([body.size.x, body.size.y, body.size.z]).toEqual([500, 900, 400].map((v) => expect.closeTo(v, 3)))
    const floorZ = b.assembly.mounts[0]!.place.z
    expect(body.centre.z - 200).toBeCloseTo(floorZ + 30, 3)
    const end = box('end:left')
    expect([end.size.x, end.size.z]).toEqual([495, 396].map((v) => expect.closeTo(v, 1)))
    expect(end.centre.y + end.size.y / 2).toBeCloseTo(450, 3)
    expect(box('end:right').centre.y).toBeCloseTo(-end.centre.y, 3)
    const lid = box('lid')
    expect([lid.size.x, lid.size.y, lid.size.z]).toEqual([510, 910, 35].map((v) => expect.closeTo(v, 2)))
    // the top of the lid lies a sheet and a hair over the rim
    expect(lid.centre.z + lid.size.z / 2).toBeCloseTo(floorZ + 30 + 400 + 3, 2)
    const bearer = box('bearer:0')
    expect([bearer.size.x, bearer.size.y, bearer.size.z]).toEqual([500, 60, 30].map((v) => expect.closeTo(v, 2)))
    expect(bearer.centre.z - 15).toBeCloseTo(floorZ, 2)
  })
  test('its body weighs by hand: a strip of 500 + 2·400 + 2·22 less four bends of 3.97, 900 wide, 2 thick', () => {
    const b = made({ lengthMm: 500, heightMm: 400, thicknessMm: 2 })
    // r = 3, K = 0.42: BD = 2·5 − 3.84·π/2 = 3.968; the rims are 2·(25 + …) shorter than the body is wide
    const strip = 500 + 2 * 400 + 2 * 22 - 4 * 3.968
    const most = (strip * 900 * 2 * 2680) / 1e9
    expect(plateMassKg(part(b, 'body')) / most).toBeGreaterThan(0.985)
    expect(plateMassKg(part(b, 'body'))).toBeLessThanOrEqual(most)
  })
  test('hinge and latches weigh what the shop says a metre and a piece of them weigh', () => {
    const kg = (over: Partial<ChestParams>) => made(over).assembly.fittings.reduce((s, f) => s + (f.massKg ?? Number.NaN), 0)
    expect(kg({ latches: 2 })).toBeCloseTo(0.6 * 0.86 + 2 * 0.3, 9)
    expect(kg({ latches: 4 }) - kg({ latches: 2 })).toBeCloseTo(0.6, 9)
  })
  test('the lid turns about its hinges: without a latch nothing keeps it shut, with one it stands', () => {
    const { assembly } = made({ latches: 1 })
    const open = { ...assembly, joints: assembly.joints.filter((j) => j.kind !== 'latch') }
    expect(() => rackFrame(open, defaultRules, new Map(), 'clamped')).toThrow(/turns about y|slides along z/)
    expect(() => rackFrame(assembly, defaultRules, new Map(), 'clamped')).not.toThrow()
  })
  test('what lies in it is held by its sheets: the floor between bearers by hand, more bearers help, a thicker sheet helps more', () => {
    const floor = (over: Partial<ChestParams>, kg = 40) => limits(jobOf(over, kg)).get('sheet')!
    const used = floor({ bearers: 3 })
    expect(used.used.name).toMatch(/floor between bearers, Tool case, /)
    // 3 bearers in 900: fields of 417; a case of 300 × 200 at 3 g: by Roark for a circle of the same area at the least, σ = 3W/(2πt²)·[1.3·ln(2b/πr) + β]
    const W = used.used.with.find((i) => i.symbol === 'F1')!.value!
    const r = Math.sqrt((300 * 200) / Math.PI)
    const roark = ((3 * W) / (2 * Math.PI * 4)) * (1.3 * Math.log((2 * 418) / (Math.PI * r)) + 0.6)
    expect(used.used.value! / roark).toBeGreaterThan(0.7)
    expect(used.used.value! / roark).toBeLessThan(1.3)
    expect(floor({ bearers: 9 }).used.value!).toBeLessThan(used.used.value!)
    expect(floor({ bearers: 3, thicknessMm: 4 }).used.value!).toBeLessThan(used.used.value! / 3)
    expect(floor({ bearers: 3 }, 80).used.value!).toBeCloseTo(2 * used.used.value!, 3)
  })
  test('shut in it needs no straps; in the open it is not said how it is held', () => {
    expect(limits(jobOf()).has('straps.tools')).toBe(false)
    const job = jobOf()
    const outside = { ...job, brief: { ...job.brief, cargo: job.brief.cargo.map((c) => ({ ...c, on: ['vehicle/bed.floor'] })) } }
    expect(limits(outside).get('straps.tools')!.state).toBe('unknown')
    expect(limits(outside).has('sheet')).toBe(false)
    // strapped down inside, its straps are looked at all the same
    const straps = { by: 'straps' as const, blockedForward: false, blockHoldsN: null, friction: null, straps: [], bolts: null }
    const strapped = { ...job, brief: { ...job.brief, cargo: job.brief.cargo.map((c) => ({ ...c, securing: straps })) } }
    expect(limits(strapped).has('straps.tools')).toBe(true)
  })
  test('a latch that nobody rated, a mass that nobody weighed: open, never clear', () => {
    for (const [job, ids] of [
      [jobOf({ latchN: null }), ['joint.rated', 'lid']],
      [jobOf({}, null), ['sheet', 'joint.rated']],
    ] as const)
      for (const id of ids) {
        const l = limits(job).get(id)
        if (l) expect([id, l.state]).toEqual([id, 'unknown'])
      }
    expect(limits(jobOf({ latchN: null })).get('joint.rated')!.allowed.missing).toEqual(['what its maker lets the latch hold'])
    expect(limits(jobOf({ latchN: 5000 })).get('joint.rated')!.state).toBe('clear')
    expect(limits(jobOf({ latchN: 1 })).get('joint.rated')!.state).toBe('over')
  })
  test('what does not go in is said with the room there is; a divider less makes it', () => {
    const big = jobOf({ dividers: 2 }, 40, { lengthMm: 400, widthMm: 420, heightMm: 250 })
    const says = (job: Job) => evaluate(job, defaultRules).issues.map((i) => issueMessage(i, (mm) => `${Math.round(mm)} mm`))
    expect(says(big).join()).toMatch(/Tool case does not go in: .* 516 mm along, 299 mm across and 418 mm of height clear/)
    expect(says(withParams(big, 'p1', { ...big.pieces[0]!.params, dividers: 1 })).join()).not.toMatch(/does not go in/)
  })
  test('what cannot be folded or has no room is said', () => {
    expect(made().says).toEqual([])
    expect(made({ rimMm: 8 }).says.join()).toMatch(/Body: a lip of \{8\} is too short/)
    expect(made({ skirtMm: 12, thicknessMm: 4 }).says.join()).toMatch(/Lid: a flange of \{12\} is too short/)
    expect(made({ widthMm: 1400 }).says.join()).toMatch(/wider than its floor between the arches: \{1092\} at most/)
    expect(made({ lengthMm: 2000 }).says.join()).toMatch(/runs out behind/)
    expect(made({ bearers: 16 }).says.join()).toMatch(/bearers have no room/)
    const van = built(family, {}, demoVehicles[0]!)
    expect([van.assembly.plates.length, van.says.join()]).toEqual([0, expect.stringMatching(/no floor to stand on/)])
  })
})

describe('a chest whose dividers stand in slots of its floor', () => {
  const slotted = (over: Partial<ChestParams> = {}) =>
    built(family, { build: 'slotted', dividers: 2, tabs: 3, widthMm: 900, ...over }, pickup)
  const plates = (b: ReturnType<typeof slotted>) => b.assembly.plates
  test('each divider is flat, with three tabs that end level with the underside of the floor', () => {
    const dividers = plates(slotted()).filter((p) => p.name === 'Divider')
    expect(dividers.map((p) => [p.bends.length, p.faces])).toEqual([
      [0, undefined],
      [0, undefined],
    ])
    const body = plates(slotted()).find((p) => p.id === 'body')!
    for (const d of dividers) {
      const low = Math.min(...d.outline.map((q) => onPlate(d, q).z))
      expect(low).toBeCloseTo(body.pose.origin.z, 6)
      expect(d.outline).toHaveLength(4 + 3 * 4)
    }
  })
  test('every tab stands in a slot of the floor, the outer two against its far ends, the middle one clear of both', () => {
    const b = slotted()
    const body = plates(b).find((p) => p.id === 'body')!
    for (const d of plates(b).filter((p) => p.name === 'Divider')) {
      const y = d.pose.origin.y - d.thicknessMm / 2
      const slots = body.holes.filter((h) => Math.abs(onPlate(body, h.at).y - y) < 1e-6).sort((p, q) => p.at.x - q.at.x)
      expect(slots).toHaveLength(3)
      const feet = d.outline.filter((q) => q.y < -1).map((q) => onPlate(d, q).x)
      const gaps = slots.map((h, i) => {
        const [from, to] = [2 * i, 2 * i + 1].map((k) => [...feet].sort((p, q) => p - q)[k]!) as [number, number]
        const xs = h.edge!.map((q) => onPlate(body, { x: h.at.x + q.x, y: 0 }).x)
        // and half the allowance beside its faces
        expect(Math.max(...h.edge!.map((q) => q.y))).toBeCloseTo((d.thicknessMm + 0.5) / 2, 9)
        return [from - Math.min(...xs), Math.max(...xs) - to]
      })
      expect(gaps).toEqual([
        [expect.closeTo(0, 6), expect.closeTo(0.5, 6)],
        [expect.closeTo(0.25, 6), expect.closeTo(0.25, 6)],
        [expect.closeTo(0.5, 6), expect.closeTo(0, 6)],
      ])
    }
  })
  test('its slots are cut with the body, and counted in its cut and pierces', () => {
    const [kind] = flatKinds(slotted().assembly, defaultRules).filter((k) => k.plate.id === 'body')
    expect(kind!.pierces).toBe(1 + 6)
    const plain = flatKinds(built(family, { dividers: 2, widthMm: 900 }, pickup).assembly, defaultRules).find((k) => k.plate.id === 'body')!
    // each is 30.5 × 2.5
    expect(kind!.cutMm - plain.cutMm).toBeCloseTo(6 * 2 * (30.5 + 2.5), 6)
  })
  test('more tabs than a divider has room for are refused with how many go in', () =>
    expect(slotted({ tabs: 8, tabMm: 60 }).says.join()).toMatch(/room along a divider: 4 of that length at most/))
})
