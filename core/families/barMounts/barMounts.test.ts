import { describe, expect, test } from 'vitest'
import { quote } from '../../cost/quote'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { pricedPieces, withParams } from '../../job/piecesOf'
import { G_M_S2, METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { type BarMountsParams, BarMountsParams as schema } from './params'

const family = familyOf('bar-mounts')!
const [van] = demoVehicles
const own = { theirs: true, mountId: 'gutter', footXMm: [0, 1200], lengthMm: 2000, behindMm: 400, massKg: 20 }
const made = (over: Partial<BarMountsParams> = {}) => built(family, { ...own, ...over }, van!)
const limitOf = (b: ReturnType<typeof made>, id: string) => b.solve().limits.find((l) => l.id === id)

function onRack(over: Partial<BarMountsParams> = {}): Job {
  const base = newJob('Awning', van!, METRIC)
  return {
    ...base,
    brief: { ...base.brief, speedKmh: 90 },
    pieces: [
      ...base.pieces,
      { id: 'p2', name: '', letter: 'B', family: 'bar-mounts', params: schema.parse({ massKg: 20, ...over }), on: 'p1', state: 'fitted' },
    ],
  }
}

describe('brackets on bar ends', () => {
  test('its face is straight though the gutter tapers: every bracket reaches past its own bar’s end to the same line', () => {
    const { assembly } = made({ outMm: 25 })
    const ends = assembly.members.map((m) => m.path[0]!.y)
    expect(ends[0]).not.toBe(ends[1])
    const face = Math.max(...ends) + 25
    const thing = assembly.fittings[0]!
    expect(thing.middle.y - thing.size.y / 2).toBeCloseTo(face, 6)
    for (const [i, p] of assembly.plates.entries()) {
      const out = Math.max(...p.faces!.flatMap((f) => f.outline.map((o) => f.pose.origin.y + o.x * f.pose.along.y + o.y * f.pose.up.y)))
      expect(out).toBeCloseTo(face, 1)
      // leg on the bar, what is past it, and the leg that holds: the blank is their sum less what the bend gains
      const ys = p.outline.map((o) => o.y)
      const flat = Math.max(...ys) - Math.min(...ys)
      const reach = 90 + face - ends[i]!
      const [t, r, k] = [4, 6, defaultRules.kFactor]
      const gain = 2 * (r + t) - (Math.PI / 2) * (r + k * t)
      expect(flat).toBeCloseTo(reach + 90 - gain, 1)
    }
  })

  test('the template: brackets from its own rear end, 400 and 1600 on a length of 2000', () => {
    const d = made().assembly.dimensions.filter((x) => x.running)
    expect(d.map((x) => x.to.x - x.from.x)).toEqual([400, 1600])
  })

  test('by hand, standing still: each of two brackets carries 98 N straight down 45 from its fold, which bends it at 4.4 kN·mm or more: 28 MPa on 60 × 4', () => {
    const b = made({ thicknessMm: 4, wideMm: 60 })
    const fold = limitOf(b, 'plate.fold')!
    // parked alone: half of 20 kg hangs on each leg, half its depth outside the face
    const parked = b.solve({ speedKmh: 0 }).cases.find((c) => c.case.id === 'parked')!
    const on = parked.joints.filter((j) => j.joint.id === 'joint:thing:0')
    expect(Math.hypot(on[0]!.alongN, on[0]!.acrossN)).toBeCloseTo((20 * G_M_S2) / 2, 0)
    const least = (6 * ((20 * G_M_S2) / 2) * 45) / (60 * 4 ** 2)
    expect(fold.used.value!).toBeGreaterThan(least)
    // a bracket twice as thick is stressed a quarter as much by the same forces, but for its own weight
    const thick = limitOf(made({ thicknessMm: 6, wideMm: 60 }), 'plate.fold')!
    expect(fold.used.value! / thick.used.value!).toBeCloseTo((6 / 4) ** 2, 0)
    expect(limitOf(made({ massKg: 60 }), 'plate.fold')!.used.value! / fold.used.value!).toBeGreaterThan(2)
  })

  test('what nobody weighed is not assessed', () => {
    const b = made({ massKg: null })
    expect(limitOf(b, 'plate.fold')!.state).toBe('unknown')
    // but what no load changes: a bolt tightened through an empty tube
    const clear = b.solve().limits.filter((l) => l.state === 'clear' && l.group === 'rack')
    expect(clear.map((l) => l.id)).toEqual(['joint.squeeze'])
  })

  test('on a rack its brackets are bolted to the ends of the rack’s bars and weigh on its feet; the rack gone, it says so', () => {
    const e = evaluate(onRack({ lengthMm: 2600, behindMm: 300 }), defaultRules)
    const bars = e.assembly.joints.filter((j) => j.id.startsWith('p2/joint:bar'))
    expect(bars.length).toBeGreaterThan(1)
    for (const j of bars) expect(j.between[1]).toMatch(/^p1\//)
    expect(e.issues.filter((i) => i.code === 'unstable' || i.code === 'piece_does_not_fit')).toEqual([])
    const feet = (job: Job) =>
      evaluate(job, defaultRules)
        .cases.find((c) => c.case.id === 'cruise')!
        .feetDownN.reduce((s, n) => s + n, 0)
    const more = feet(onRack({ lengthMm: 2600, behindMm: 300, massKg: 30 })) - feet(onRack({ lengthMm: 2600, behindMm: 300 }))
    expect(more).toBeCloseTo(10 * G_M_S2, 1)
    const gone = { ...onRack(), pieces: onRack().pieces.slice(1) }
    expect(evaluate(gone, defaultRules).issues.map((i) => i.code)).toContain('piece_on_gone')
    // moved off all bars it is held by nothing, and nothing of it is clear
    const off = evaluate(withParams(onRack(), 'p2', schema.parse({ massKg: 20, lengthMm: 200, behindMm: 2000 })), defaultRules)
    expect(off.issues.some((i) => 'says' in i && /passes no bar/.test(i.says))).toBe(true)
    expect(off.limits.filter((l) => l.pieceId === 'p2' && l.state === 'clear')).toEqual([])
  })

  test('a new one begins as long as the bars are apart and 200 more at each end', () => {
    const start = family.start(siteOn(van!)) as BarMountsParams
    const span = Math.max(...start.footXMm) - Math.min(...start.footXMm)
    expect([start.lengthMm, start.behindMm]).toEqual([span + 400, 200])
  })

  test('bought for the job and not priced it leaves the price open; the client’s own costs nothing', () => {
    const plan = { complete: true, costMinor: 100, purchases: [], used: [] } as unknown as Parameters<typeof quote>[1]
    const priceOf = (over: Partial<BarMountsParams>) => {
      const job = onRack({ lengthMm: 2600, behindMm: 300, ...over })
      return quote(pricedPieces(job, defaultRules), plan, job.brief, defaultRules)!
    }
    const [open, brought, bought] = [priceOf({}), priceOf({ theirs: true }), priceOf({ priceMinor: 40_000 })]
    expect(open.price.value).toBeNull()
    expect(open.lines.find((l) => l.name === 'Bought for it')!.figure.missing.join()).toMatch(/Awning/)
    expect(bought.cost.value! - brought.cost.value!).toBeCloseTo(40_000, 6)
  })

  test('its two bolts stand where the blank is drilled: 20 from the fold and from the end, measured back from the folded leg', () => {
    const plate = made({ dropMm: 100, thicknessMm: 4 }).assembly.plates[0]!
    expect(plate.holes).toHaveLength(4)
    const ys = plate.holes.map((h) => h.at.y).sort((a, b) => a - b)
    const tip = Math.max(...plate.outline.map((o) => o.y))
    // 100 outside from the apex: holes at 80 and 20 of it are 20 and 80 from the tip
    expect(tip - ys[3]!).toBeCloseTo(20, 6)
    expect(tip - ys[2]!).toBeCloseTo(80, 6)
    expect(made({ dropMm: 40 }).says.join()).toMatch(/no room on this leg: \{50\}/)
  })

  test('a bar that stands at another height than the rest holds nothing, and that is said', () => {
    const site = siteOn(van!)
    const below = built(family, own, van!).assembly
    const [first, second] = below.members
    const raised = { ...second!, path: second!.path.map((v) => ({ ...v, z: v.z + 60 })) }
    const design = family.design(schema.parse({ ...own, lengthMm: 2000, behindMm: 400 }), {
      ...site,
      below: { ...below, members: [first!, raised] },
    })
    const { assembly, issues } = design.assembled()
    expect(assembly.plates).toHaveLength(1)
    expect(issues.map((i) => ('says' in i ? i.says : '')).join()).toMatch(/1 of the bars that it passes stand at another height/)
  })

  test('what cannot be is said', () => {
    expect(made().says).toEqual([])
    expect(made({ lengthMm: 400, behindMm: 200 }).says.join()).toMatch(/Only one bracket holds it/)
    expect(made({ outMm: 10, thicknessMm: 6 }).says).toEqual([])
    expect(made({ legMm: 40 }).says.join()).toMatch(/no room on this leg: \{50\}/)
    expect(built(family, {}, { ...van!, mounts: [] }).says.join()).toMatch(/add one at Measure/)
  })
})
