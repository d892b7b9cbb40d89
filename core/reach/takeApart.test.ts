import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly, type Joint, type Plate } from '../assembly/assembly'
import { fitGiven } from '../fit/fit'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { rapierKit } from '../touch/kit'
import { takeApart } from './takeApart'

beforeAll(() => RAPIER.init())

const [survey] = demoJobs
const apart = (assembly: Assembly) => {
  const kit = rapierKit(RAPIER)
  const given = {
    assembly,
    vehicle: { ...survey.vehicle, obstacles: [] },
    brief: survey.brief,
    rules: defaultRules,
    moves: [],
    stops: {},
  }
  const found = takeApart(given, kit)
  kit.close()
  return found
}

// a lamp of 100 in a shell of six sheets, 20 clear all round, 4 m up where nothing else is
const C = { x: 0, y: 0, z: 4000 }
const HALF = 70
const sheet = (id: string, axis: 'x' | 'y' | 'z', side: 1 | -1): Plate => {
  const [u, v] = {
    x: [
      { x: 0, y: 1, z: 0 },
      { x: 0, y: 0, z: 1 },
    ],
    y: [
      { x: 0, y: 0, z: 1 },
      { x: 1, y: 0, z: 0 },
    ],
    z: [
      { x: 1, y: 0, z: 0 },
      { x: 0, y: 1, z: 0 },
    ],
  }[axis] as [Plate['pose']['along'], Plate['pose']['up']]
  const out = { x: 0, y: 0, z: 0, [axis]: side }
  const origin = {
    x: C.x + out.x * HALF - (u.x + v.x) * HALF,
    y: C.y + out.y * HALF - (u.y + v.y) * HALF,
    z: C.z + out.z * HALF - (u.z + v.z) * HALF,
  }
  return {
    id,
    mark: id,
    name: 'Sheet',
    materialId: 'steel',
    thicknessMm: 2,
    outline: [0, 1, 2, 3].map((k) => ({ x: k === 1 || k === 2 ? 2 * HALF : 0, y: k > 1 ? 2 * HALF : 0 })),
    holes: [],
    bends: [],
    pose: { origin, along: u, up: v },
    goodFace: 'either',
    air: 'board',
  }
}
const shell = (['x', 'y', 'z'] as const).flatMap((axis) => ([1, -1] as const).map((side) => sheet(`${axis}${side}`, axis, side)))
const weld = (a: string, b: string): Joint => ({ id: `${a}-${b}`, kind: 'weld', between: [a, b], at: C })
const lamp = {
  id: 'lamp',
  mark: 'LP',
  name: 'Lamp',
  massKg: 1,
  at: C,
  middle: C,
  size: { x: 100, y: 100, z: 100 },
  unknown: [],
  priceMinor: 0,
  there: false,
}
const base: Assembly = { ...emptyAssembly, plates: shell, fittings: [lamp] }
const welded = (but: string[] = []) =>
  shell
    .slice(1)
    .filter((p) => !but.includes(p.id))
    .map((p) => weld(shell[0]!.id, p.id))

describe('what goes in comes out again', () => {
  test('a lamp welded in on all six sides is trapped, 20 from the sheet that is in its way', () => {
    const { trapped } = apart({ ...base, joints: welded() })
    const found = trapped.find((t) => t.ids[0] === 'lamp')!
    expect(found.by.name).toMatch(/^sheet/)
    // outside face to outside face 140, sheets of 2 drawn inward or outward: 18 to 20 clear
    expect(found.goesMm).toBeGreaterThan(17)
    expect(found.goesMm).toBeLessThan(20.1)
  })
  test('with the top bolted on, the top comes off first and then the lamp, upward', () => {
    const joints: Joint[] = [
      ...welded(['z1']),
      { id: 'screws', kind: 'bolt', between: ['z1', 'x1'], at: C, bolts: { size: 'M6', count: 4 } },
    ]
    const { order, trapped } = apart({ ...base, joints })
    expect(trapped).toEqual([])
    const ids = order.map((o) => o.ids[0])
    expect(ids.indexOf('z1')).toBeLessThan(ids.indexOf('lamp'))
    expect(order.find((o) => o.ids[0] === 'lamp')!.way).toBe('up')
  })
  test('a box that was there already is not taken off: what stands behind it is trapped by it', () => {
    // the shell open to the right; found boxes on both sides, so that neither comes out past the other
    const box = (id: string, side: 1 | -1) => ({
      ...lamp,
      id,
      name: 'Found box',
      there: true,
      middle: { ...C, y: C.y + side * (HALF + 60) },
      size: { x: 400, y: 100, z: 400 },
    })
    const plates = shell.filter((p) => p.id !== 'y-1')
    const between = (fittings: Assembly['fittings']) => apart({ ...base, plates, joints: welded(['y-1']), fittings })
    const { order, trapped } = between([lamp, box('f1', 1), box('f2', -1)])
    expect(order).toEqual([])
    expect(trapped.find((t) => t.ids[0] === 'lamp')!.by.name).toMatch(/found box|sheet/)
    // with one of them gone there is a way
    expect(between([lamp, box('f1', 1)]).trapped).toEqual([])
  })
  test('left out on one side it comes out there and no other way', () => {
    const plates = shell.filter((p) => p.id !== 'y-1')
    const { order } = apart({ ...base, plates, joints: welded(['y-1']) })
    expect(order.find((o) => o.ids[0] === 'lamp')!.way).toBe('to the right')
  })
  test('every lamp and winch of the demo comes out with the rack as it is welded; nothing of any job is trapped', () => {
    for (const job of demoJobs) {
      const kit = rapierKit(RAPIER)
      const { order, trapped } = takeApart(fitGiven(job, evaluate(job, defaultRules), defaultRules), kit)
      kit.close()
      expect(trapped).toEqual([])
      const names = order.flatMap((o) => o.names)
      if (/lamps/.test(job.title)) {
        expect(names.filter((n) => n === 'lamp')).toHaveLength(4)
        expect(order.findIndex((o) => o.names[0] === 'lamp')).toBeLessThan(order.findIndex((o) => o.names.length > 5))
      }
    }
  })
})
