import { describe, expect, test } from 'vitest'
import { memberLengthMm } from '../../assembly/assembly'
import { quote } from '../../cost/quote'
import { cutList } from '../../cutList/cutList'
import { cross, minus, size, unit, type Vec3 } from '../../geometry/vec3'
import { defaultRules } from '../../rules/rules'
import { sweep } from '../../solid/sweep'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { endCuts } from '../../tube/endCuts'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { mountHalfWidthMm } from '../../vehicle/vehicle'
import { familyOf } from '../all'
import type { BasketParams } from './params'

const family = familyOf('hoop-basket')!
const van = demoVehicles[0]
const plain = { mountId: 'gutter', footXMm: [600, 1500, 2400], bendRadiusMm: 96, shell: true, lamps: 4, lampKg: 1.4 }
const made = (over: Partial<BasketParams> = {}) => built(family, { ...plain, ...over }, van)
const part = (b: ReturnType<typeof made>, id: string) => b.assembly.members.find((m) => m.id === id)!

describe('a hoop basket', () => {
  test('an upright rear hoop by hand: half width of the gutter there, 260 up, radius 96, less a saddle on each runner', () => {
    const b = made()
    const x = 600 - 120 + 40
    const half =
      mountHalfWidthMm(van.mounts[0]!, 600) +
      ((mountHalfWidthMm(van.mounts[0]!, 2400) - mountHalfWidthMm(van.mounts[0]!, 600)) * (x - 600)) / 1800
    // the longest fibre of 32 on 42.4 ends √(21.2² − 16²) off the runner's middle
    const saddle = Math.sqrt(21.2 ** 2 - 16 ** 2)
    const byHand = 2 * (260 - saddle) + 2 * half - 2 * (2 * 96 - (96 * Math.PI) / 2)
    expect(memberLengthMm(part(b, 'hoop:rear'))).toBeCloseTo(byHand, 3)
  })
  test('cross tubes follow the runners: each as long as the gutter is wide there, less both saddles', () => {
    const b = made()
    const lengths = b.assembly.members.filter((m) => m.id.startsWith('cross:')).map(memberLengthMm)
    for (const [i, l] of lengths.entries()) if (i) expect(l).toBeLessThan(lengths[i - 1]!)
    const [first] = b.assembly.members.filter((m) => m.id === 'cross:0')
    const runner = part(b, 'runner:left')
    const [p, q] = runner.path
    const y = p!.y + ((q!.y - p!.y) * (first!.path[0]!.x - p!.x)) / (q!.x - p!.x)
    expect(first!.path[0]!.y).toBeLessThan(y)
    expect(y - first!.path[0]!.y).toBeCloseTo(Math.sqrt(21.2 ** 2 - 16 ** 2), 0)
  })
  test.each(family.examples.map((e) => [e.name, e] as const))(
    '%s: every saddled end lies on the tube that it sits on, within 0.2 mm',
    (_, e) => {
      const { assembly } = family.design(e.params, siteOn(e.vehicle)).assembled()
      for (const m of assembly.members) {
        const mesh = sweep(m, assembly.members)
        const points = Array.from(
          { length: mesh.positions.length / 3 },
          (_, i): Vec3 => ({ x: mesh.positions[3 * i]!, y: mesh.positions[3 * i + 1]!, z: mesh.positions[3 * i + 2]! }),
        )
        for (const [which, end] of m.ends.entries()) {
          if (end.kind !== 'cope') continue
          const cut = endCuts(m, assembly)[which as 0 | 1]
          expect(cut.kind === 'cope' && cut.lacks).toBe(null)
          const main = assembly.members.find((o) => o.id === end.onto)!
          // the straight of the main tube that the end sits on
          const tip = m.path[which === 0 ? 0 : m.path.length - 1]!
          const leg = main.path.slice(1).map((q, i) => ({ p: main.path[i]!, way: unit(minus(q, main.path[i]!)) }))
          const off = (q: Vec3, l: (typeof leg)[number]) => size(cross(minus(q, l.p), l.way))
          const own = leg.reduce((a, b) => (off(tip, b) < off(tip, a) ? b : a))
          const R = cut.kind === 'cope' && cut.meeting.main.kind === 'round' ? cut.meeting.main.radiusMm : 0
          const near = points.filter((q) => size(minus(q, tip)) < 45 && off(q, own) < R + 30)
          expect(near.length).toBeGreaterThan(20)
          for (const q of near) expect(Math.abs(off(q, own) - R)).toBeLessThan(0.2)
        }
      }
    },
  )
  test('without a radius it says so, draws its corners, and nothing bent can be cut', () => {
    const b = made({ bendRadiusMm: null })
    expect(b.says.join()).toMatch(/no|Nothing bent has a cut length/)
    const bent = cutList(b.assembly).filter((p) => /hoop|shell/i.test(p.name))
    expect(bent.length).toBeGreaterThan(0)
    for (const p of bent) expect(p.lacks).toMatch(/no radius/)
  })
  test('lamps: the straight of the shell holds five of 180 with 20 between; twelve do not fit, and four too deep cannot come out again', () => {
    expect(made().says).toEqual([])
    expect(made({ lamps: 12 }).says.join()).toMatch(/12 of \{180\} do not fit.*need another place/)
    expect(made({ lampDeepMm: 290, shellAheadMm: 160 }).says.join()).toMatch(/cannot be taken out again/)
    expect(made({ shell: false }).says.join()).toMatch(/Lamps stand on the lamp shell/)
    const ys = made().assembly.fittings.map((f) => f.middle.y)
    // even gaps, the same left and right
    expect(ys[0]!).toBeCloseTo(-ys.at(-1)!, 6)
    expect(ys[0]! - ys[1]!).toBeCloseTo(ys[1]! - ys[2]!, 6)
  })
  test('sides too low for the radius leave no straight: side bars and shell are left off and named, never drawn in the bend', () => {
    const b = made({ sideMm: 120 })
    expect(b.assembly.members.some((m) => m.id.startsWith('side:') || m.id === 'shell')).toBe(false)
    expect(b.says.join()).toMatch(/no straight left for the side bars/)
    expect(b.says.join()).toMatch(/no straight left for the lamp shell/)
  })
  test('a smaller runner under larger tubes is refused in words, and its ends have no template', () => {
    const b = made({ runnerProfileId: 'round-25x2-steel' })
    expect(b.says.join()).toMatch(/larger than the runners/)
    expect(
      cutList(b.assembly)
        .filter((p) => p.name === 'Cross tube')
        .every((p) => p.lacks !== null),
    ).toBe(true)
  })
  test('a foot off its line is named with the place that takes it; two that touch are named', () => {
    const b = made({ footXMm: [600, 9000, 2400].map((x) => Math.min(x, 4000)) })
    const [issue] = b.issues.filter((i) => i.fix)
    expect(issue!.fix![0]!.to).toBe(van.mounts[0]!.toXMm)
    expect(made({ footXMm: [600, 650, 2400] }).says.join()).toMatch(/nearer than/)
  })
  test('a lamp that nobody weighed leaves its piece unassessed; weighed, every limit has a figure', () => {
    const unknown = made({ lampKg: null }).solve()
    expect(unknown.missing).toContain('mass of Lamp')
    expect(unknown.limits.some((l) => l.ratio === null)).toBe(true)
    const known = made().solve()
    expect(known.missing).toEqual([])
    for (const l of known.limits) expect(l.ratio, l.name).not.toBeNull()
  })
  test('doubling what the lamps weigh uses the shell more, and a lower road speed the feet less', () => {
    const use = (b: ReturnType<typeof made>, speedKmh: number) =>
      b.solve({ speedKmh }).limits.find((l) => l.name === 'Foot, pulled up')?.ratio ?? 0
    expect(use(made(), 130)).toBeGreaterThanOrEqual(use(made(), 60))
    const shell = (kg: number) =>
      Math.max(
        ...made({ lampKg: kg })
          .solve()
          .cases.map((c) => c.members.find((m) => m.memberId === 'shell')!.used),
      )
    expect(shell(6)).toBeGreaterThan(shell(1))
  })
  test('its price has the lamps and the floor in it, each as it was bought', () => {
    const with_ = made({ lampPriceMinor: 7900 })
    const without = made({ lampPriceMinor: 0 })
    const total = (b: typeof with_) => {
      const q = quote([{ assembly: b.assembly, finish: 'raw' }], null, siteOn(van).brief, defaultRules)
      return q?.lines.reduce((s, l) => s + (l.figure.value ?? 0), 0) ?? 0
    }
    if (total(with_) > 0) expect(total(with_) - total(without)).toBeGreaterThanOrEqual(4 * 7900 - 1)
    expect(with_.assembly.infills[0]!.priceMinor).toBeGreaterThan(0)
  })
})
