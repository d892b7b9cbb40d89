import { describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly, type Joint, type Panel, type Plate, type Support } from '../assembly/assembly'
import { rectangle } from '../geometry/polygon'
import type { Carried } from '../loads/carried'
import { LEVEL, type LoadCase } from '../loads/loadCases'
import { defaultRules } from '../rules/rules'
import { sheetLimits } from './sheetLimits'

const plate: Plate = {
  id: 'p1/box',
  mark: 'BX',
  name: 'Box',
  materialId: 'steel',
  thicknessMm: 2,
  outline: rectangle(600, 300),
  holes: [],
  bends: [],
  pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
  goodFace: 'either',
  air: 'board',
}
const panel = (takes: Panel['takes']): Panel => ({ part: 'p1/box', name: takes, longMm: 600, shortMm: 300, takes })
const latch = (holdsN: number | null): Joint => ({
  id: 'p1/latch',
  kind: 'latch',
  between: ['p1/lid', 'p1/box'],
  at: { x: 0, y: 0, z: 0 },
  rated: { holdsN, by: 'maker', what: 'what its maker lets the latch hold' },
})
const support: Support = {
  id: 'p1/inside',
  name: 'Inside',
  kind: 'tray',
  bodyId: null,
  bearings: [{ on: 'p1/box', xMm: 0, leftMm: 150, rightMm: -150, zMm: 0 }],
  surface: null,
  holds: true,
  walkOn: [],
  climbOn: [],
  panels: [panel('down'), panel('along'), panel('aside'), panel('up')],
  encloses: { room: { x: 600, y: 300, z: 300 }, lid: { joints: ['p1/latch'] } },
}
const box = (holdsN: number | null): Assembly => ({ ...emptyAssembly, plates: [plate], supports: [support], joints: [latch(holdsN)] })
const item = (over: Partial<Carried> = {}): Carried => ({
  name: 'Case',
  cargoId: 'case',
  least: 20,
  most: 20,
  basis: 'weighed',
  counts: 'both',
  use: 'goods',
  xMm: 0,
  yMm: 0,
  zMm: 0,
  middleXMm: 0,
  middleYMm: 0,
  middleZMm: 100,
  lengthMm: 600,
  widthMm: 300,
  heightMm: 200,
  rests: 'box',
  bearings: support.bearings,
  onFloor: false,
  frontalM2: 0,
  sideM2: 0,
  planM2: 0,
  ...over,
})
const only = (over: Partial<LoadCase>): LoadCase => ({ ...LEVEL, id: 'one', name: 'one', ...over })
const found = (cases: LoadCase[], carried = [item()], holdsN: number | null = 900) =>
  new Map(sheetLimits({ assembly: box(holdsN), carried, cases, lacks: [], rules: defaultRules, own: () => true }).map((l) => [l.id, l]))

describe('what lies in a box presses on its sheets', () => {
  test('pressed all over its floor, 2 : 1, by hand: M = 0.1017·q·b² (Timoshenko, table 8), σ = 6·M / t²', () => {
    const q = (20 * 9.80665 * 3) / (600 * 300)
    const sheet = found([only({ downG: 3 })]).get('sheet')!
    expect(sheet.used.value! / ((6 * 0.1017 * q * 300 ** 2) / 4)).toBeCloseTo(1, 2)
    expect(sheet.used.name).toBe('down, Case, one')
    expect(sheet.allowed.value).toBeCloseTo(235 / defaultRules.yieldSafety, 6)
  })
  test('thrown forward it presses on the front with its own face, and the worst of all fields governs', () => {
    const cases = [only({ downG: 1, forwardG: 2 })]
    const front = found(cases).get('sheet')!
    expect(front.used.name).toBe('along, Case, one')
    // its face is 300 × 200 of the 600 × 300: more concentrated than on the floor
    expect(front.used.with.filter((i) => i.symbol === 'u1' || i.symbol === 'v1').map((i) => i.value)).toEqual([300, 200])
    expect(found([only({ downG: 9, forwardG: 2 })]).get('sheet')!.used.name).toBe('down, Case, one')
  })
  test('two cases pile up: they bend it together, and one that nobody weighed leaves it open', () => {
    const one = found([only({ downG: 3 })]).get('sheet')!.used.value!
    const two = found([only({ downG: 3 })], [item(), item({ name: 'Anchor', most: 10 })]).get('sheet')!
    expect(two.used.value).toBeCloseTo(1.5 * one, 6)
    expect(two.used.name).toBe('down, Case and Anchor, one')
    const open = found([only({ downG: 3 })], [item(), item({ name: 'Anchor', most: null })]).get('sheet')!
    expect([open.state, open.used.missing.join()]).toEqual(['unknown', expect.stringContaining('Anchor')])
  })
  test('what is larger than a field presses on it with its share only', () => {
    const large = found([only({ downG: 3 })], [item({ lengthMm: 1200, most: 40 })]).get('sheet')!
    expect(large.used.value).toBeCloseTo(found([only({ downG: 3 })]).get('sheet')!.used.value!, 6)
  })
  test('thrown up half hangs on the latches: 20 kg at 0.5 g is 49 N on 900; nobody’s rating is open, and so is nobody’s mass', () => {
    const up = [only({ downG: -0.5 })]
    expect(found(up).get('lid')!.used.value).toBeCloseTo(0.5 * 20 * 9.80665 * 0.5, 6)
    expect(found(up).get('lid')!.state).toBe('clear')
    expect(found(up, [item()], 20).get('lid')!.state).toBe('over')
    expect(found(up, [item()], null).get('lid')!.state).toBe('unknown')
    expect(found(up, [item({ most: null })]).get('lid')!.state).toBe('unknown')
    expect(found([only({ downG: 3 })], [item({ most: null })]).get('sheet')!.state).toBe('unknown')
    expect(found([only({ downG: 1 })]).has('lid')).toBe(false)
  })
  test('an empty box, and what lies elsewhere, ask nothing of it', () => {
    expect(found([only({ downG: 3 })], []).size).toBe(0)
    expect(found([only({ downG: 3 })], [item({ bearings: [{ ...support.bearings[0]!, on: 'p2/bar' }] })]).size).toBe(0)
  })
})
