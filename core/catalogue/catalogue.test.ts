import { describe, expect, test } from 'vitest'
import { CargoSchema } from '../brief/cargo'
import { oneMore, placed, startPlace } from '../brief/placeCargo'
import { demoJobs } from '../job/demoJobs'
import { newJob } from '../job/job'
import { METRIC } from '../quantity/units'
import { defaultRules, RulesSchema, ruleFields } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { preparationMinor, StockSchema } from '../stock/stock'
import { compareProfiles } from '../swap/compareProfiles'
import { demoVehicles } from '../vehicle/demoVehicles'
import { VehicleSchema } from '../vehicle/vehicle'
import { accessories } from './accessories'
import { demoParts, PartsSchema } from './boughtParts'
import { type HardwarePart, hardwareName, hardwarePriceMinor } from './hardware'
import { materials } from './materials'
import { footTypes, mountKinds } from './mounts'
import { massPerMetre, profileOf, profileSection, profiles, sameShape } from './profiles'

describe('profiles', () => {
  test.each(profiles.map((p) => [p.name, p] as const))('%s has a section that can exist and a mass', (_, p) => {
    const s = profileSection(p.id)
    for (const v of [s.areaMm2, s.iyMm4, s.izMm4, s.torsionMm4, s.wyMm3]) expect(v).toBeGreaterThan(0)
    expect(massPerMetre(p.id)).toBeGreaterThan(0.2)
    // no fibre lies farther out than the height allows
    expect(s.wyMm3).toBeLessThanOrEqual(s.iyMm4 / (s.heightMm / 2) + 1e-6)
  })
  test('ids are used once; a shape in three metals is three profiles of one shape', () => {
    expect(new Set(profiles.map((p) => p.id)).size).toBe(profiles.length)
    const metals = sameShape('square-40x3-steel').map((p) => p.materialId)
    expect(metals).toEqual(['steel', 'stainless', 'al6061t6', 'al6063t6'])
  })
  test('merchant’s tables: round 42.4 × 3 weighs 2.91 kg/m in steel (EN 10220), square 30 × 2 about 1.68', () => {
    expect(massPerMetre('round-42x3-steel')).toBeCloseTo(2.91, 1)
    expect(massPerMetre('square-30x2-steel')).toBeCloseTo(1.68, 1)
  })
  test('an unknown profile is our own mistake and throws', () => expect(() => profileOf('no-such')).toThrow('no profile'))
})

describe('metals', () => {
  test.each(materials.map((m) => [m.name, m] as const))('%s: welded never stronger than unwelded, E ≈ 2.6·G, a source for both', (_, m) => {
    expect(m.weldedYieldMPa).toBeLessThanOrEqual(m.yieldMPa)
    expect(m.elasticMPa / m.shearMPa).toBeGreaterThan(2.5)
    expect(m.elasticMPa / m.shearMPa).toBeLessThan(2.8)
    expect(m.source.length).toBeGreaterThan(8)
  })
})

describe('small things', () => {
  test('every kind of mount has a foot with a price, and every part of a rack on it has one', () => {
    for (const kind of mountKinds) {
      const foot = footTypes[kind]
      expect(foot.priceMinor).toBeGreaterThan(0)
      for (const part of [{ kind: 'bolt' as const, ...foot.bolt }, ...foot.extras.map((kind) => ({ kind }) as HardwarePart)])
        expect([hardwareName(part), hardwarePriceMinor(part)]).not.toEqual([hardwareName(part), null])
    }
  })
  test('catalogue accessories make cargo that the schema takes, with a rule source wherever there is a rule', () => {
    for (const a of accessories) {
      expect(() => CargoSchema.parse(placed(a, 'x', 0, 0))).not.toThrow()
      if (a.maxOverhangMm !== null) expect(a.ruleSource.length).toBeGreaterThan(3)
    }
  })
  test('a new item is set where nothing lies yet, left and right in turn; with no room left it is set in the middle', () => {
    let job = newJob('x', demoVehicles[0], METRIC)
    const [poles] = accessories
    for (let i = 0; i < 3; i++) {
      const at = startPlace({ mounts: job.vehicle.mounts, cargo: job.brief.cargo }, poles)
      job = { ...job, brief: { ...job.brief, cargo: [...job.brief.cargo, placed(poles, `p${i}`, at.xMm, at.yMm)] } }
    }
    expect(job.brief.cargo.map((c) => c.yMm)).toEqual([0, 240, -240])
    expect(startPlace({ mounts: job.vehicle.mounts, cargo: job.brief.cargo }, { ...poles, widthMm: 1500 })).toEqual({ xMm: 900, yMm: 0 })
  })
  test('one more of an item with a name and an id as long as they may be still passes the schema, and differs', () => {
    const job = newJob('x', demoVehicles[0], METRIC)
    const long = { ...placed(accessories[0], 'i'.repeat(60), 0, 0), name: 'n'.repeat(120) }
    const cargo = [long]
    for (let i = 0; i < 11; i++) cargo.push(oneMore(long, { vehicle: job.vehicle, brief: { cargo } }))
    expect(cargo.map((c) => CargoSchema.parse(c))).toHaveLength(12)
    expect([new Set(cargo.map((c) => c.id)).size, new Set(cargo.map((c) => c.name)).size]).toEqual([12, 12])
  })
})

describe('the shop’s shelves', () => {
  test('demo stock and vehicles pass the same schemas as what a user types', () => {
    expect(StockSchema.parse(demoStock)).toEqual(demoStock)
    for (const v of demoVehicles) expect(VehicleSchema.parse(v)).toEqual(v)
    expect(new Set([...demoStock.sale, ...demoStock.remnants].map((s) => s.id)).size).toBe(
      demoStock.sale.length + demoStock.remnants.length,
    )
  })
  test('what it costs to make an offcut fit for use: clean nothing, coated 6, pitted 9, unknown alloy never', () =>
    expect((['clean', 'coated', 'pitted', 'unknown alloy'] as const).map((g) => preparationMinor(g, defaultRules))).toEqual([
      0,
      600,
      900,
      null,
    ]))
  test('every rule has a label, a group, a source, and a standard within its own limits', () => {
    for (const f of ruleFields) {
      expect([f.key, f.label.length > 3, f.group.length > 2, f.source.length > 3]).toEqual([f.key, true, true, true])
      expect(RulesSchema.safeParse({ [f.key]: f.standard }).success).toBe(true)
      expect(RulesSchema.safeParse({ [f.key]: Number.NaN }).success).toBe(false)
    }
  })
})

describe('the same rack in every profile', () => {
  const rows = compareProfiles(demoJobs[0], 'p1', defaultRules)
  const row = (id: string) => rows.find((r) => r.profileId === id)!
  test('one row a profile; steel weighs 7850/2700 times the aluminium of the same shape', () => {
    expect(rows).toHaveLength(profiles.length)
    expect(row('square-40x3-steel').massKgPerM / row('square-40x3-al6063t6').massKgPerM).toBeCloseTo(7850 / 2700, 9)
  })
  test('steel of the same shape sags 68.9/210 as much under the same load, a little more for its own weight', () => {
    const ratio = row('square-40x3-steel').sag! / row('square-40x3-al6063t6').sag!
    expect(ratio).toBeGreaterThan(68.9 / 210)
    expect(ratio).toBeLessThan(0.45)
  })
  test('the weakest bars are said to be over', () => expect(row('flat-40x8-al6061t6').bending).not.toBeNull())
})

test('bought parts: numbers used once, holes lie on the part, an unmeasured part has no dimension at all', () => {
  expect(PartsSchema.parse(demoParts)).toEqual(demoParts)
  expect(new Set(demoParts.map((p) => p.number)).size).toBe(demoParts.length)
  for (const p of demoParts) for (const h of p.holes) expect([p.name, h.xMm > 0 && h.xMm < (p.lengthMm ?? 0)]).toEqual([p.name, true])
  expect(demoParts.find((p) => p.id === 'latch-slam')).toMatchObject({ heightMm: null, lengthMm: null, priceMinor: null })
})
