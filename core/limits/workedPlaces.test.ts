import { describe, expect, test } from 'vitest'
import { type Assembly, assemblyMassKg, coatedAreaM2, emptyAssembly, plateMassKg } from '../assembly/assembly'
import { unheldMm } from '../assembly/heldAt'
import { hardwareName } from '../catalogue/hardware'
import { quote } from '../cost/quote'
import { planDimensions } from '../drawing/dimensions'
import { rowPullN } from '../fasten/footPull'
import { rectangle } from '../geometry/polygon'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { rackFrame } from '../structure/rackFrame'
import { assembled, givenOf, rackParams, withRack as withParams } from '../testing/racks'
import { heightLimits } from './heightLimits'
import { stateOf } from './limit'
import { standingPlaces } from './whereSomebodyIs'

const [survey, , spar, drone] = demoJobs as [Job, Job, Job, Job]

test('the bands of a limit with near from 0.8: 0.79 clear, 0.8 to 1 near, above 1 over, no ratio not assessed', () => {
  expect([0.79, 0.8, 1, 1.001].map((r) => stateOf(r, 0.8))).toEqual(['clear', 'near', 'near', 'over'])
  expect([null, Number.NaN].map((r) => stateOf(r, 0.8))).toEqual(['unknown', 'unknown'])
})

describe('a passage driven through with nothing on top', () => {
  const job: Job = { ...survey, brief: { ...survey.brief, cargo: [], passages: [{ name: 'shed door', heightMm: 2750 }] } }
  test('the bars themselves are the highest: seats at 2560, feet of 90, bars of 40 make 2690, against 2750 less 50 of air', () => {
    const [shed] = heightLimits(givenOf(job))
    expect([shed!.used.value, shed!.allowed.value, shed!.state]).toEqual([2690, 2700, 'near'])
  })
  test('20 mm less and it does not pass', () => {
    const low = { ...job.brief, passages: [{ name: 'shed door', heightMm: 2730 }] }
    expect(heightLimits(givenOf({ ...job, brief: low }))[0]!.state).toBe('over')
  })
})

test('a foot passes pitch on by the length it stands on: k·80²/12 about the bar, clamped or free; roll only where it is free to turn on its seat', () => {
  const assembly = assembled(survey)
  for (const hold of ['free', 'clamped'] as const) {
    const rack = rackFrame(assembly, defaultRules, new Map(), hold)
    for (const seat of rack.seats) {
      const springs = rack.frame.nodes[seat]!.springs!
      const k = defaultRules.seatFirmNmm
      expect(springs[4]).toBeCloseTo((k * 80 * 80) / 12, 6)
      expect(springs[2]).toBeCloseTo(k, 6)
      expect(springs[3]).toBeCloseTo(hold === 'free' ? (k * 80 * 80) / 12 : 0, 6)
    }
  }
})

test('one pair of bolts 20 from the edge it tips on: a pitch of 30 N·m pulls more than two pairs 60 apart would', () => {
  const [one, two] = [rowPullN(1, 0, 30_000), rowPullN(2, 0, 30_000)]
  expect(one).toBeGreaterThan(two)
  // lifted by 1000 N without pitch, each of two rows takes half
  expect(rowPullN(2, -1000, 0)).toBeCloseTo(500, 6)
  // and the sign of the pitch does not matter: it tips forward or back
  expect(rowPullN(2, -200, -30_000)).toBeCloseTo(rowPullN(2, -200, 30_000), 9)
})

test('the longest stretch that nothing holds: of a bar between its feet, of a rail the widest gap between bars, not the mean', () => {
  const job = withParams(spar, { barXMm: [-200, 300, 1400] })
  const assembly = assembled(job)
  const rail = assembly.members.find((m) => m.name === 'Side rail')!
  // along the rail, which runs in with the taper
  expect(unheldMm(rail, assembly)).toBeCloseTo(1100, 0)
  const bar = assembly.members.find((m) => m.name === 'Crossbar')!
  const [left, right] = assembly.mounts.filter((m) => m.on === bar.id).map((m) => m.place.y)
  expect(unheldMm(bar, assembly)).toBeCloseTo(Math.abs(left! - right!), 6)
})

test('a plate that is needed six times weighs and costs six times: three bars under two rails take six corner plates', () => {
  const barXMm = [-200, 400, 1000]
  const plain = withParams(spar, { build: 'bolted', cornerPlates: false, barXMm })
  const plated = withParams(spar, { build: 'bolted', cornerPlates: true, barXMm })
  const [without, withThem] = [assembled(plain), assembled(plated)]
  const corners = withThem.plates.filter((p) => p.name === 'Corner plate')
  expect(corners.length).toBe(6)
  const each = plateMassKg(corners[0]!)
  expect(assemblyMassKg(withThem)! - assemblyMassKg(without)!).toBeCloseTo(6 * each, 6)
  const price = (assembly: Assembly) =>
    quote([{ assembly, finish: 'raw' }], null, spar.brief, defaultRules)!.lines.find((l) => l.name === 'Flat parts')?.figure.value ?? 0
  expect(price(withThem)).toBeCloseTo(6 * price({ ...withThem, plates: [corners[0]!] }), 6)
})

test('a plate of 200 × 100 is coated on both its faces: 0.04 m²', () => {
  const plate = {
    ...assembled(withParams(spar, { build: 'bolted', cornerPlates: true })).plates[0]!,
    outline: rectangle(200, 100),
  }
  expect(coatedAreaM2({ ...emptyAssembly, plates: [plate] })).toBeCloseTo(0.04, 9)
})

test('what is counted for a fairing on the front bar, and two caps for each tube that is open at its ends', () => {
  const fair = assembled(withParams(drone, { fairing: true }))
  const count = (a: Assembly, use: RegExp) =>
    a.hardware.filter((h) => use.test(h.for)).map((h) => [hardwareName(h.part).split(' ')[0], h.quantity])
  expect(count(assembled(withParams(drone, { fairing: false })), /fairing/)).toEqual([])
  expect(count(fair, /fairing/).map(([, n]) => n)).toEqual([2, 2])
  const tubes = assembled(survey)
  const caps = tubes.hardware.find((h) => h.part.kind === 'end cap')!
  expect(caps.quantity).toBe(tubes.members.length * 2)
})

test('a dimension says the whole of what it spans: each bar from the datum, the bar from end to end', () => {
  const assembly = assembled(survey)
  const drawn = { min: { x: -2000, y: -1200 }, max: { x: 4000, y: 1200 } }
  const dims = planDimensions(assembly, survey.vehicle, [], drawn).flatMap((e) => (e.kind === 'dimension' ? [e] : []))
  expect(dims.length).toBe(rackParams(survey).barXMm.length + 1)
  for (const d of dims) expect(d.lengthMm).toBeCloseTo(d.axis === 'x' ? d.to.x - d.from.x : d.to.y - d.from.y, 6)
})

test('what swings is rack and cargo: the same rack with half the load swings faster, and by Rayleigh never above √(g/δ) of its least sag', () => {
  const light: Job = {
    ...survey,
    brief: {
      ...survey.brief,
      cargo: survey.brief.cargo.map((c) => ({ ...c, massKg: c.massKg && { least: c.massKg.least / 2, most: c.massKg.most / 2 } })),
    },
  }
  const [full, half] = [survey, light].map((job) => evaluate(job, defaultRules).dynamics.frequency.value!)
  expect(half!).toBeGreaterThan(full! * 1.05)
  // were all the mass in one place on one spring, twice the mass would swing √2 slower: the rack’s own mass stays, so less than that
  expect(half! / full!).toBeLessThan(Math.SQRT2)
})

test('a person stands at both ends of a rail and midway between the bars it lies on: bars at 0, 1000, 3000 and a rail from −60 to 3060', () => {
  const p = { ...rackParams(survey), barXMm: [0, 1000, 3000], sideRails: true }
  const places = standingPlaces(assembled(withParams(survey, p)))
  const on = (id: string) => places.filter((x) => x.memberId === id).map((x) => Math.round(x.atMm))
  expect(on('p1/rail:left')).toEqual([0, 60 + 500, 60 + 2000, 3120])
  // on a bar at its ends and in its middle
  const bar = on('p1/bar:1')
  expect(bar[0]).toBe(0)
  expect(bar).toContain(Math.round(bar.at(-1)! / 2))
})
