import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Member } from '../assembly/assembly'
import type { Vec3 } from '../geometry/vec3'
import { bendTube } from '../tube/bend'
import { templateOf } from '../tube/template'
import { tubePart } from '../tube/tubeParts'
import { bendSheet, hangsMm, turnedRound } from './bendSheet'
import { demoWorkshop, WorkshopSchema } from './workshop'

const p = (x: number, y: number, z: number): Vec3 => ({ x, y, z })
const member = (path: Vec3[], radius: number | null = 96, profileId = 'round-32x2-steel'): Member => ({
  id: 'm',
  mark: 'M',
  name: 'tube',
  profileId,
  path,
  ends: [{ kind: 'square' }, { kind: 'square' }],
  ...(radius === null ? {} : { bendRadiiMm: path.slice(2).map(() => radius) }),
})
const sheet = (m: Member, w = demoWorkshop) => bendSheet(tubePart(m, emptyAssembly), w)

describe('the bend sheet', () => {
  const hoop = member([p(0, 600, 0), p(0, 600, 300), p(0, -600, 300), p(0, -600, 0)])
  test('marks, what to pull to by the die’s own trials, and what a degree changes at the far end', () => {
    const s = sheet(hoop)!
    const arc = (96 * Math.PI) / 2
    expect(s.die!.id).toBe('die-1')
    expect(s.steps[0]!.markMm).toBeCloseTo(204, 6)
    expect(s.steps[1]!.markMm).toBeCloseTo(204 + arc + 1200 - 192, 6)
    const share = ((93 - 90.4) / 90.4 + (62 - 60.1) / 60.1) / 2
    expect(s.steps[0]!.pullToDeg).toBeCloseTo(90 * (1 + share), 6)
    expect(s.steps[1]!.perDegreeMm).toBeCloseTo((204 * Math.PI) / 180, 6)
  })
  test('without a die or a trial nothing is said of what to pull to; without a radius there is no sheet', () => {
    expect(sheet(hoop, WorkshopSchema.parse({}))!).toMatchObject({ die: null, spreadDeg: null })
    expect(sheet(hoop, WorkshopSchema.parse({}))!.steps[0]!.pullToDeg).toBeNull()
    expect(sheet(member(hoop.path, null))).toBeNull()
  })
  test('a flat hoop hangs nowhere; a leg bent first and then turned a quarter down reaches the floor, and from the other end it does not', () => {
    expect(hangsMm(hoop.path)).toBeCloseTo(0, 9)
    const long = [p(0, 0, 1500), p(0, 0, 0), p(800, 0, 0), p(800, 300, 0)]
    const down = [p(0, 0, -1500), p(0, 0, 0), p(800, 0, 0), p(800, 300, 0)]
    const [up, under] = [hangsMm(long), hangsMm(down)]
    expect(Math.max(up, under)).toBeCloseTo(1500, 6)
    const bad = up > under ? long : down
    const s = sheet(member(bad))!
    expect(s.from).toBe('second')
    expect(s.hangsMm).toBeLessThan(900)
    expect(s.order).toMatch(/from the other end/)
  })
  test('made from the other end it is the same tube: marks run back, planes turn the same way', () => {
    const path = [p(0, 0, 0), p(500, 0, 0), p(500, 400, 0), p(500, 400, 600), p(900, 400, 600)]
    const [one, other] = [bendTube(path, [60, 60, 60]), bendTube([...path].reverse(), [60, 60, 60])]
    const round = turnedRound(one)
    round.bends.forEach((b, i) => {
      expect(b.startMm).toBeCloseTo(other.bends[i]!.startMm, 9)
      expect(b.rotationDeg).toBeCloseTo(other.bends[i]!.rotationDeg, 9)
    })
  })
})

test('a mitre of round tube unrolled: nothing at its long point, the whole of d·tan θ opposite', () => {
  const t = templateOf({ kind: 'mitre', angleDeg: 30 }, 'round-32x2-steel')!
  expect(t.roundMm).toBeCloseTo(Math.PI * 32, 9)
  expect(t.cut[0]!.y).toBe(0)
  expect(t.cut[36]!.y).toBeCloseTo(32 * Math.tan(Math.PI / 6), 9)
  expect(templateOf({ kind: 'mitre', angleDeg: 30 }, 'square-40x3-steel')).toBeNull()
  expect(templateOf({ kind: 'square' }, 'round-32x2-steel')).toBeNull()
})
