import { describe, expect, test } from 'vitest'
import { barMounts } from '../families/barMounts/family'
import { BarMountsParams } from '../families/barMounts/params'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { patchedParams } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { openAwning } from './openAwning'

const kitchen = demoJobs.find((j) => j.title.startsWith('Awning'))!
const limitsOf = (params: object, rules = defaultRules) => evaluate(patchedParams(kitchen, 'p1', params as never), rules).limits
const foot = (params: object, rules = defaultRules) =>
  limitsOf(params, rules).find((l) => l.id === 'foot.up' || l.name === 'Foot, pulled up')!

describe('an awning left open in wind', () => {
  test('by hand: 5 m² at 30 km/h, 42.5 Pa: 1.4 of 213 N lifts, a quarter of the way in from where the wind comes over it', () => {
    // q = ½ · 1.225 · (30/3.6)² = 42.53 Pa
    const of = (legs: boolean, from: string, way: string) => {
      const w = openAwning({ lengthMm: 2500, opensMm: 2000, legs }, defaultRules).find((x) => x.from === from && x.way === way)!
      return [w.forceN, w.outMm, w.aheadMm].map((v) => Math.round(v))
    }
    // over its outer edge the wind stands three quarters out: 298 N at 1500
    expect(of(false, 'side', 'up')).toEqual([298, 1500, 0])
    expect(of(false, 'side', 'down')).toEqual([106, 1500, 0])
    // along the vehicle it stands a quarter of the length off the middle
    expect(of(false, 'front', 'up')).toEqual([298, 1000, 625])
    // on pegged legs the case holds three quarters when the wind comes over the vehicle, a quarter when it comes over the legs
    expect(of(true, 'vehicle', 'up')).toEqual([223, 0, 0])
    expect(of(true, 'side', 'up')).toEqual([74, 0, 0])
  })
  test('of unknown reach it is not assessed, by a limit of its own that names what is missing; no other limit is lost by it', () => {
    const before = limitsOf({ opensMm: null })
    const open = before.find((l) => l.id === 'openWind')!
    expect([open.state, open.used.missing]).toEqual(['unknown', ['how far it reaches when it is open']])
    const known = limitsOf({ opensMm: 2000 })
    expect(before.filter((l) => l.id !== 'openWind' && l.state === 'unknown').map((l) => l.name)).toEqual(
      known.filter((l) => l.id !== 'openWind' && l.state === 'unknown').map((l) => l.name),
    )
  })
  test('without its maker’s wind limit it is not assessed; at more wind than that limit it is over', () => {
    const wind = (params: object, kmh = 30) =>
      limitsOf({ opensMm: 2000, ...params }, { ...defaultRules, awningKmh: kmh }).find((l) => l.id === 'openWind')!
    expect(wind({ windRatedKmh: null }).state).toBe('unknown')
    expect(wind({ windRatedKmh: 38 }).state).toBe('clear')
    expect(wind({ windRatedKmh: 38 }, 40).state).toBe('over')
    expect(limitsOf({ opensMm: 2000 }).filter((l) => l.id === 'openWind')).toHaveLength(1)
  })
  test('its lift is on the feet: more wind pulls more, legs that are not pegged pull more than legs that are, and what lies on the rack is not counted on', () => {
    const up = (params: object, kmh: number) => foot({ opensMm: 2500, ...params }, { ...defaultRules, awningKmh: kmh }).used.value ?? 0
    expect(up({ legs: false }, 60)).toBeGreaterThan(up({ legs: true }, 60))
    expect(up({ legs: false }, 80)).toBeGreaterThan(up({ legs: false }, 60))
    const heavy = {
      ...kitchen,
      brief: {
        ...kitchen.brief,
        cargo: kitchen.brief.cargo.map((c) => ({ ...c, massKg: { least: 100, most: 100 }, counts: 'parked' as const })),
      },
    }
    const pulled = (job: typeof kitchen) =>
      evaluate(patchedParams(job, 'p1', { opensMm: 2500, legs: false } as never), { ...defaultRules, awningKmh: 80 }).limits.find(
        (l) => l.name === 'Foot, pulled up',
      )!.used.value
    expect(pulled(heavy)).toBeCloseTo(pulled({ ...heavy, brief: { ...heavy.brief, cargo: [] } })!, 3)
  })
  test('what is no awning has no such force', () => {
    const site = { vehicle: kitchen.vehicle, brief: kitchen.brief, rules: defaultRules, below: null, state: 'fitted' as const }
    const params = BarMountsParams.parse({ ...kitchen.pieces[0]!.params, what: 'boards' })
    expect(barMounts.assemble(params, site).assembly.pulls).toEqual([])
  })
})
