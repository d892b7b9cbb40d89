import { describe, expect, test } from 'vitest'
import { plateNormal } from '../../assembly/places'
import { type BoughtPart, demoParts } from '../../catalogue/boughtParts'
import { along, dot, minus } from '../../geometry/vec3'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { type LaidOut, withAdapter } from '../../job/withAdapter'
import { G_M_S2, METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { inRow } from '../pattern'
import { BracketsParams } from './params'

const family = familyOf('brackets')!
const [van] = demoVehicles
const camper = demoVehicles.find((v) => v.id === 'camper-van')!
const pickup = demoVehicles[1]!

const rib = {
  placeId: 'van.rib',
  upMm: -200,
  atMm: [210, 690],
  runs: 'down',
  padMm: 90,
  holdMm: 120,
  one: inRow(2, 40, 9, 'along'),
} as const
const onRib = (over: Partial<BracketsParams> = {}) => built(family, { ...rib, massKg: 12, ...over }, camper)

/** A rack of two bars across, and brackets on its first. */
const onBar = (over: Partial<BracketsParams>) => {
  const rack = built(familyOf('bar-mounts')!, { theirs: true, mountId: 'gutter', footXMm: [0, 1200], lengthMm: 2000, behindMm: 400 }, van!)
  const site = siteOn(van!, { below: rack.assembly })
  const read = family.read({ ...family.start(site), massKg: 8, ...over })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const { assembly, issues } = family.design(read.value, site).assembled()
  return { rack: rack.assembly, assembly, says: issues.map((i) => ('says' in i ? i.says : i.code)) }
}

describe('where brackets stand', () => {
  test('an angle on a rib: pad on the wall, bolts above the fold, the leg out level at the bottom, what it holds on top of it', () => {
    const { assembly, says } = onRib()
    expect(says).toEqual([])
    const [first] = assembly.plates
    const [pad, leg] = first!.faces!.filter((f) => !f.bend)
    // the rib’s wall looks to the right on the left side
    expect(plateNormal(pad!)).toEqual({ x: expect.closeTo(0, 9), y: expect.closeTo(-1, 2), z: expect.closeTo(0, 9) })
    expect(leg!.pose.along).toEqual({ x: expect.closeTo(0, 9), y: expect.closeTo(-1, 2), z: expect.closeTo(0, 9) })
    const feet = assembly.mounts.filter((m) => m.on === 'bracket:0')
    // two screws 40 apart about the height that was asked: the rib’s line is 1310 up
    expect(feet.map((m) => m.place.z).sort()).toEqual([expect.closeTo(1090, 6), expect.closeTo(1130, 6)])
    const thing = assembly.fittings[0]!
    // the leg lies under both screws, and the thing stands on it
    expect(thing.middle.z - thing.size.z / 2).toBeLessThan(1090)
    for (const j of assembly.joints.filter((x) => x.id.startsWith('joint:thing')))
      expect(j.at.z).toBeCloseTo(thing.middle.z - thing.size.z / 2, 6)
  })

  test('on the top of a bar across, on its side, and round it: every hole is in the bar, the plate beside it and never in it', () => {
    for (const over of [
      { form: 'angle', face: 'up', runs: 'ahead', lies: 'under' },
      { form: 'step', face: 'up', runs: 'behind', holdMm: 60 },
      { form: 'angle', face: 'ahead', runs: 'up', holdMm: 220 },
      { form: 'flat', face: 'up', runs: 'ahead', shiftXMm: 140 },
    ] as const) {
      const { assembly, rack, says } = onBar(over)
      expect([over.form, says]).toEqual([over.form, []])
      const bar = rack.members.find((m) => m.id === assembly.joints[0]!.between[1])!
      for (const j of assembly.joints.filter((x) => x.id.startsWith('joint:base')))
        for (const at of j.bolts!.rows!) expect(Math.abs(minus(at, bar.path[0]!)[over.face === 'up' ? 'x' : 'z'])).toBeLessThan(0.01)
    }
  })

  test('a clamp: inside it the bar and its lining on both sides, its bolts just under the bar, through both legs', () => {
    const { assembly, rack, says } = onBar({ form: 'clamp', liningMm: 3, legMm: 80, thicknessMm: 4 })
    expect(says).toEqual([])
    const bar = rack.members[0]!
    const legs = assembly.plates[0]!.faces!.filter((f) => !f.bend)
    // the bar is 30 wide and 50 high: outside over the legs 30 + 2·3 + 2·4
    const apartMm = Math.abs(dot(minus(legs[2]!.pose.origin, legs[0]!.pose.origin), plateNormal(legs[0]!)))
    expect(apartMm).toBeCloseTo(44, 6)
    const holes = assembly.plates[0]!.faces!.flatMap((f) =>
      f.bend ? [] : (f.holes ?? []).map((h) => along(along(f.pose.origin, f.pose.along, h.at.x), f.pose.up, h.at.y)),
    )
    const under = holes.filter((h) => h.z < bar.path[0]!.z)
    expect(under).toHaveLength(4)
    // 25 below its middle, 3 of lining, half of a hole of 9
    for (const h of under) expect(bar.path[0]!.z - h.z).toBeCloseTo(25 + 3 + 4.5, 6)
    expect(assembly.joints[0]).toMatchObject({ kind: 'clamp', collar: { size: 'M8', count: 2 } })
  })
})

describe('what brackets bear', () => {
  const limitOf = (b: ReturnType<typeof onRib>, id: string) => b.solve().limits.find((l) => l.id === id)!
  test('by hand, parked: half of 12 kg on a leg of 120, its bolts 8 + 2 from the free end, 96 from the fold’s end: 59 N·96 bends 70 × 4 at 30 MPa or more', () => {
    const b = onRib()
    const parked = b.solve({ speedKmh: 0 }).cases.find((c) => c.case.id === 'parked')!
    const on = parked.joints.filter((j) => j.joint.id === 'joint:thing:0')[0]!
    expect(Math.hypot(on.alongN, on.acrossN)).toBeCloseTo((12 * G_M_S2) / 2, 0)
    // outside length 120, edge of M8 10.8, set-back 10 left of the fold’s end
    const least = (6 * ((12 * G_M_S2) / 2) * (120 - 10.8 - 10)) / (70 * 16)
    expect(limitOf(b, 'plate.fold').used.value!).toBeGreaterThan(least)
    // at its screws the 9 mm holes are gone from its width, and the leg’s fold lies nearer to what it holds
    const bolts = limitOf(b, 'plate.bolts')
    expect(bolts.used.value!).toBeGreaterThan(limitOf(b, 'plate.fold').used.value!)
  })

  test('a slanted step bends more at its foot than a square one, for its load lies farther out; twice the sheet, a quarter', () => {
    const step = {
      form: 'step',
      placeId: 'track',
      atMm: [300, 1100, 1900],
      runs: 'right',
      padMm: 70,
      holdMm: 60,
      wideMm: 90,
      stepMm: 60,
    } as const
    const of = (over: Partial<BracketsParams>) =>
      limitOf(built(family, { ...step, massKg: 19, deepMm: 35, highMm: 760, ...over }, camper), 'plate.fold').used.value!
    expect(of({ webDeg: 35 })).toBeGreaterThan(of({ webDeg: 90 }))
    expect(of({ thicknessMm: 3 }) / of({ thicknessMm: 6 })).toBeGreaterThan(3.3)
  })

  test('a foot with one row of bolts is pried by what turns its bracket over: half the foot’s width holds it, and what hangs farther out pulls harder', () => {
    const tray = demoVehicles.find((v) => v.id === 'flat-tray-truck')!
    const of = (deepMm: number) =>
      built(
        family,
        {
          placeId: 'tray.edge',
          side: 'left',
          atMm: [500, 1500],
          runs: 'left',
          padMm: 60,
          holdMm: 160,
          wideMm: 100,
          thicknessMm: 5,
          massKg: 20,
          lies: 'under',
          deepMm,
          highMm: 300,
        },
        tray,
      )
    const parked = of(400)
      .solve({ speedKmh: 0 })
      .cases.find((c) => c.case.id === 'parked')!
    const [a] = parked.feet
    // 10 kg at each, 200 out from a leg that stands a hand’s breadth beside the bolts
    expect(a!.rollNmm).toBeGreaterThan(10 * G_M_S2 * 200)
    const pull = (deepMm: number) =>
      of(deepMm)
        .solve()
        .limits.find((l) => l.id === 'foot.up')!.used.value!
    expect(pull(400)).toBeGreaterThan(1.5 * pull(200))
    // by hand: the roll over 20 mm is more than what hangs there
    expect(pull(400)).toBeGreaterThan((10 * G_M_S2 * 200) / 20)
  })

  test('a flat adapter whose second holes stand round its first ones bends too, though both have one middle: by hand 100 past the near bolt', () => {
    const wide = (apartMm: number) =>
      onRib({
        form: 'flat',
        one: inRow(2, 40, 9, 'along'),
        other: inRow(2, apartMm, 9, 'along'),
        sunk: true,
        shiftXMm: -(apartMm - 40) / 2,
      })
    const bolts = limitOf(wide(240), 'plate.bolts')
    const arm = bolts.used.with.find((x) => x.symbol === 'a')?.value ?? Number.NaN
    expect(arm).toBeGreaterThanOrEqual(100 - 1e-6)
    expect(bolts.used.value!).toBeGreaterThan(limitOf(wide(140), 'plate.bolts').used.value!)
  })
  test('not weighed, or in rivet nuts that nobody rated, it is not assessed', () => {
    const b = onRib({ massKg: null })
    expect(['plate.fold', 'plate.bolts', 'foot.bolts'].map((id) => limitOf(b, id).state)).toEqual(['unknown', 'unknown', 'unknown'])
    expect(limitOf(onRib(), 'foot.bolts').state).toBe('unknown')
  })
})

describe('what cannot be is said where it is typed', () => {
  const says = (over: Partial<BracketsParams>) => onRib(over).says.join('; ')
  test('what lies on the heads of bolts: sunk, or moved off them', () => {
    expect(says({ highMm: 220 })).toMatch(/lies on 4 heads of the bolts under it/)
    expect(says({ highMm: 220, sunk: true })).toBe('')
    expect(says({ highMm: 160 })).toBe('')
  })
  test('a sunk head needs the sheet for it: M6 goes 3.3 deep, 3.8 with what is left under it', () => {
    expect(says({ sunk: true, thicknessMm: 3 })).toMatch(/A sunk head goes \{g 3.3\} deep: sheet of \{g 3.8\} or more/)
    expect(says({ sunk: true, thicknessMm: 4 })).toBe('')
  })
  test('legs without room, holes too near, a place that takes no bolt, two in one place', () => {
    expect(says({ padMm: 40 })).toMatch(/no room for its bolts beside the fold: \{\d+\} or more/)
    expect(says({ wideMm: 40 })).toMatch(/too near the long edge: \{62\} wide or more/)
    expect(says({ other: inRow(3, 12, 9, 'across') })).toMatch(/Two holes stand \{g 12\} apart: \{g 21.6\} or more/)
    expect(says({ other: inRow(2, 40, 6.6, 'across') })).toMatch(/A bolt M8 does not go into a hole of \{g 6.6\}/)
    expect(says({ atMm: [215, 690] })).toMatch(/takes bolts at \d+ places only: \{210\}/)
    expect(says({ atMm: [210, 210] })).toMatch(/stand in one another: \{70\} apart or more/)
    expect(says({ atMm: [210, 4000] })).toMatch(/past the end/)
  })
  test('what was told to be enough is enough', () => {
    const least = (over: Partial<BracketsParams>, key: 'padMm' | 'wideMm' | 'holdMm') => {
      const found = Number(/\{(\d+)\} (?:wide )?or more/.exec(says({ ...over, sunk: true }))![1])
      expect(says({ ...over, sunk: true, [key]: found })).toBe('')
      expect(says({ ...over, sunk: true, [key]: found - 1 })).not.toBe('')
    }
    least({ padMm: 40 }, 'padMm')
    least({ wideMm: 40 }, 'wideMm')
    least({ holdMm: 25 }, 'holdMm')
  })
  test('a flat leg on a round tube, a clamp with nothing to go round, a narrow tube, a row that faces along', () => {
    expect(built(family, { form: 'clamp', placeId: 'van.rib' }, camper).says.join()).toMatch(/goes round a tube of another piece/)
    expect(onBar({ face: 'up', runs: 'left', form: 'angle', one: inRow(2, 40, 9, 'along'), padMm: 90 }).says.join()).toMatch(
      /one behind another/,
    )
    expect(onBar({ face: 'up', runs: 'ahead', one: inRow(2, 40, 9, 'along') }).says.join()).toMatch(
      /too near the edges of a tube so narrow/,
    )
    expect(built(family, {}, { ...pickup, mounts: [], measures: {}, bodies: [] }).says.join()).toMatch(/nothing to lie on/)
  })
})

test('in a job on a rack they are one structure with it: the bar bends under what they hold, and their bolts are drilled through it', () => {
  const base = newJob('Locker', van!, METRIC)
  const piece = (massKg: number) => ({
    ...{ id: 'p2', name: '', letter: 'B', family: 'brackets', on: 'p1', state: 'fitted' as const },
    params: BracketsParams.parse({ form: 'step', runs: 'ahead', atMm: [400, 800], massKg }),
  })
  const job = (massKg: number): Job => ({ ...base, brief: { ...base.brief, speedKmh: 90 }, pieces: [...base.pieces, piece(massKg)] })
  const e = evaluate(job(10), defaultRules)
  expect(e.limits.filter((l) => l.pieceId === 'p2' && l.state === 'unknown').map((l) => l.id)).toEqual([])
  const sag = (kg: number) => evaluate(job(kg), defaultRules).limits.find((l) => l.id === 'bar.sag')?.used.value ?? Number.NaN
  expect(sag(60)).toBeGreaterThan(sag(5))
})

test('as they begin, on every vehicle and on a rack, nothing is wrong with them', () => {
  for (const vehicle of demoVehicles) {
    const site = siteOn(vehicle)
    if (family.fits(site)) continue
    const { issues } = family.design(family.start(site), site).assembled()
    expect([vehicle.id, issues.map((i) => ('says' in i ? i.says : i.code))]).toEqual([vehicle.id, []])
  }
  expect(onBar({}).says).toEqual([])
})

describe('an adapter from the shelf onto a job', () => {
  const job = newJob('Adapter', van!, METRIC)
  const [foot, other] = demoParts.filter((p) => p.kind === 'foot') as [BoughtPart, BoughtPart]
  const laid: LaidOut = {
    ...{ one: foot, other, turnDeg: 90, shiftXMm: 30, shiftYMm: 5, materialId: 'steel', thicknessMm: 5 },
    boltOne: 'M8',
    boltOther: 'M8',
  }
  test('both patterns as they lie, what the second weighs and measures; what nobody measured of it stays as a new one begins', () => {
    const made = withAdapter(job, { ...laid, other: { ...other, massKg: null, lengthMm: null } }, defaultRules)
    if ('faults' in made) throw new Error('refused')
    const piece = made.job.pieces.at(-1)!
    expect([piece.id, piece.on, made.job.pieces.slice(0, -1)]).toEqual([made.pieceId, 'p1', job.pieces])
    expect(piece.params).toMatchObject({ form: 'flat', turned: '90', shiftXMm: 30, massKg: null, lengthMm: 800, highMm: other.widthMm })
    // of unknown mass: nothing of it that a load bends or pulls passes
    const own = evaluate(made.job, defaultRules).limits.filter((l) => l.pieceId === piece.id && /^(plate|joint\.bolts)/.test(l.id))
    expect(own.length).toBeGreaterThan(0)
    expect(own.map((l) => l.state)).toEqual(own.map(() => 'unknown'))
  })
  test('what a bracket cannot take is refused by name, and the job is as it was', () => {
    const many = Array.from({ length: 25 }, (_, i) => ({ xMm: i * 30, yMm: 0, diameterMm: 9 }))
    const refused = withAdapter(job, { ...laid, other: { ...other, holes: many } }, defaultRules)
    expect('faults' in refused && refused.faults.map((f) => `${f.where}: ${f.expected}`).join()).toMatch(/other.*twenty-four holes at most/)
    const thick = withAdapter(job, { ...laid, thicknessMm: 25 }, defaultRules)
    expect('faults' in thick && thick.faults[0]!.where).toMatch(/thicknessMm/)
  })
})
