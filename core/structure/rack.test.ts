import { describe, expect, test } from 'vitest'
import type { Assembly } from '../assembly/assembly'
import { profileSection } from '../catalogue/profiles'
import { centreLine } from '../geometry/centreLine'
import { demoJobs } from '../job/demoJobs'
import { defaultRules } from '../rules/rules'
import { assembled, rackParams } from '../testing/racks'
import { continuousBeam } from './beam'
import { strutMayPush } from './buckling'
import { rackFrame } from './rackFrame'

describe('struts (AISC 360-16, E3)', () => {
  test('steel of 50 ksi at L/r = 100: 14.4 ksi over Ω, as in table 4-14', () => {
    const ksi = 6.894757
    const r = strutMayPush({
      lengthMm: 1000,
      areaMm2: 100,
      leastInertiaMm4: 100 * 10 ** 2,
      elasticMPa: 29_000 * ksi,
      yieldMPa: 50 * ksi,
      aluminium: false,
    })
    expect(r.slenderness).toBeCloseTo(100, 9)
    expect(r.mayN / 100 / ksi).toBeCloseTo(14.4, 1)
  })
  test('a very slender one is Euler’s: 0.877·π²E/(L/r)²; no length at all is yield', () => {
    const slim = { lengthMm: 4000, areaMm2: 100, leastInertiaMm4: 10_000, elasticMPa: 200_000, yieldMPa: 250, aluminium: false }
    expect(strutMayPush(slim).criticalMPa).toBeCloseTo((0.877 * Math.PI ** 2 * 200_000) / 400 ** 2, 6)
    expect(strutMayPush({ ...slim, lengthMm: 0 }).criticalMPa).toBeCloseTo(250, 6)
  })
})

describe('a beam on several supports (Gere & Goodno, continuous beams)', () => {
  const beam = {
    lengthMm: 3000,
    supportsMm: [0, 1500, 3000],
    supportNmm: null,
    pointLoads: [],
    spreadLoads: [{ fromMm: 0, toMm: 3000, newtonPerMm: 0.4 }],
    elasticMPa: 210_000,
    secondMomentMm4: 97_000,
    sectionModulusMm3: 4850,
  }
  test('two equal spans, spread load: 3/8, 10/8, 3/8 of q·L; M = −q·L²/8 over the middle; sag q·L⁴/(185·EI) at 0.4215·L', () => {
    const r = continuousBeam(beam)
    expect(r.reactionsN).toEqual([expect.closeTo(225, 6), expect.closeTo(750, 6), expect.closeTo(225, 6)])
    expect(r.maxMomentNmm).toBeCloseTo((-0.4 * 1500 ** 2) / 8, 3)
    expect(r.maxMomentAtMm).toBeCloseTo(1500, 6)
    expect(r.maxSagMm / ((0.4 * 1500 ** 4) / (184.6 * 210_000 * 97_000))).toBeCloseTo(1, 2)
  })
  test('on springs it only sinks where they are softest: sum of reactions is the load', () => {
    const r = continuousBeam({ ...beam, supportNmm: 50, pointLoads: [{ atMm: 2000, forceN: 300 }] })
    expect(r.reactionsN.reduce((s, x) => s + x, 0)).toBeCloseTo(1500, 4)
  })
  test('one support and it turns over: refused with what to change', () =>
    expect(() => continuousBeam({ ...beam, supportsMm: [1500] })).toThrow('two supports or more'))
})

describe('the centre line of a bent tube', () => {
  test('a right angle of radius 100: legs end 100 from the corner, the arc keeps its radius, its chords are π/2·100 long to a thousandth', () => {
    const line = centreLine(
      [
        { x: 0, y: 0, z: 0 },
        { x: 500, y: 0, z: 0 },
        { x: 500, y: 0, z: 400 },
      ],
      [100],
    )
    expect(line[1].x).toBeCloseTo(400, 6)
    expect(line[line.length - 2].z).toBeCloseTo(100, 6)
    for (const p of line.slice(1, -1)) expect(Math.hypot(p.x - 400, p.z - 100)).toBeCloseTo(100, 6)
    const chords = line.slice(2, -1).reduce((s, p, i) => s + Math.hypot(p.x - line[i + 1].x, p.z - line[i + 1].z), 0)
    expect(chords / (50 * Math.PI)).toBeGreaterThan(0.998)
  })
  test('no radius, or no room for it, leaves the corner sharp', () => {
    const path = [
      { x: 0, y: 0, z: 0 },
      { x: 50, y: 0, z: 0 },
      { x: 50, y: 0, z: 50 },
    ]
    expect(centreLine(path)).toEqual(path)
    expect(centreLine(path, [60])).toEqual(path)
  })
})

describe('a rack as a frame', () => {
  const job = demoJobs[2] // welded steel with side rails
  const assembly = assembled(job)
  const rack = rackFrame(assembly, defaultRules, new Map(), 'clamped')
  test('every piece of every member is there: lengths add up, and only what lies by a weld is soft', () => {
    for (const m of assembly.members) {
      const own = rack.pieces.filter((p) => p.memberId === m.id)
      const length = Math.hypot(m.path[0].x - m.path[1].x, m.path[0].y - m.path[1].y)
      expect(own.reduce((s, p) => s + p.toMm - p.fromMm, 0)).toBeCloseTo(length, 6)
      // a bar has two rails welded on near its ends; a rail as many bars as there are
      const soft = own.flatMap((p) => p.welds).reduce((s, w) => s + w.toMm - w.fromMm, 0)
      expect(soft).toBeLessThanOrEqual((m.name === 'Crossbar' ? 2 : 4) * 2 * defaultRules.weldZoneMm + 1e-6)
      expect(soft).toBeGreaterThan(0)
    }
  })
  test('each mount has its seat on springs below the bar it carries', () => {
    assembly.mounts.forEach((m, i) => {
      const [seat, head] = [rack.frame.nodes[rack.seats[i]], rack.frame.nodes[rack.heads[i]]]
      expect([seat.x, seat.y, seat.z]).toEqual([m.place.x, m.place.y, m.place.z])
      expect(head.z - seat.z).toBeCloseTo(rackParams(job).footHeightMm + profileSection(rackParams(job).profileId).heightMm / 2, 6)
      expect(seat.springs?.[2]).toBe(defaultRules.seatFirmNmm)
    })
  })
  test('a bar bent into a hoop stands on its two feet and carries: a joint of two tubes at one place is a link of no length, and its weld gets its forces', () => {
    const hoop: Assembly = {
      ...assembly,
      plates: [],
      members: [
        {
          ...assembly.members[0],
          id: 'hoop',
          path: [
            { x: 0, y: 700, z: 100 },
            { x: 0, y: 700, z: 600 },
            { x: 0, y: -700, z: 600 },
            { x: 0, y: -700, z: 100 },
          ],
          bendRadiiMm: [150, 150],
        },
        {
          ...assembly.members[0],
          id: 'brace',
          path: [
            { x: 0, y: 0, z: 600 },
            { x: 300, y: 0, z: 600 },
          ],
        },
      ],
      joints: [{ id: 'j', kind: 'weld', between: ['hoop', 'brace'], at: { x: 0, y: 0, z: 600 } }],
      mounts: (['left', 'right'] as const).map((side) => ({
        ...assembly.mounts[0],
        id: side,
        on: 'hoop',
        normal: { x: 0, y: 0, z: 1 },
        side,
        place: { x: 0, y: side === 'left' ? 700 : -700, z: 100 },
      })),
    }
    const frame = rackFrame(hoop, defaultRules, new Map([['brace', [300]]]), 'clamped')
    const tip = frame.along.get('brace')!.at(-1)!.node
    const solved = frame.frame.solve({ nodes: [{ node: String(tip), force: [0, 0, -100], moment: [0, 0, 0] }], members: [] })
    expect(frame.seats.reduce((s, n) => s + solved.reaction(n)[2], 0)).toBeCloseTo(100, 6)
    expect(solved.movement(tip)[2]).toBeLessThan(0)
    // 100 N at 300 from the joint: 30 N·m bend it and 100 N shear it, half its own 10 mm of arm more or less
    const [link] = frame.links
    const inside = solved.inside(link!.element)
    expect(frame.links).toHaveLength(1)
    expect(Math.abs(Math.max(...inside.map((i) => Math.hypot(i.momentY, i.momentZ, i.torque))) - 30_000)).toBeLessThanOrEqual(500.1)
    expect(Math.max(...inside.map((i) => Math.hypot(i.axial, i.shearY, i.shearZ)))).toBeCloseTo(100, 6)
  })
})
