import { describe, expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { familyOf } from '../families/all'
import { partsOf } from '../limits/joinedParts'
import { weldStress } from '../limits/weldLimits'
import { LEVEL } from '../loads/loadCases'
import { rackSolver } from '../loads/solveRack'
import { defaultRules } from '../rules/rules'
import { siteOn } from '../testing/racks'
import { demoWorkshop } from '../workshop/workshop'
import { jigOf } from './jig'
import { leadOf } from './lead'
import { closedTubes, weldMap } from './weldMap'

const basket = familyOf('hoop-basket')!
const example = (i: number) => {
  const e = basket.examples[i]!
  return basket.design(e.params, siteOn(e.vehicle)).assembled().assembly
}

describe('the weld map', () => {
  test('every weld once, numbered without a gap; alternately left and right, the middle before the ends', () => {
    const a = example(0)
    const map = weldMap(a, demoWorkshop.welders, defaultRules)
    expect(map.seams.map((s) => s.number)).toEqual(map.seams.map((_, i) => i + 1))
    expect(new Set(map.seams.map((s) => s.joint.id))).toEqual(new Set(a.joints.filter((j) => j.kind === 'weld').map((j) => j.id)))
    const [first, second] = map.seams
    expect(Math.sign(first!.at.y)).toBe(-Math.sign(second!.at.y))
    const middle = map.seams.reduce((s, x) => s + x.at.x, 0) / map.seams.length
    expect(Math.abs(first!.at.x - middle)).toBeLessThan(Math.abs(map.seams.at(-1)!.at.x - middle))
  })
  test('a cross tube of 32 × 2 by hand: leg no more than its wall of 2, throat 1.41; 3 × 32 = 96 mm round; 0.44 min of arc and 2.5 to set up; 1.7 g of wire', () => {
    const map = weldMap(example(0), demoWorkshop.welders, defaultRules)
    const seam = map.seams.find((s) => s.joint.between[0] === 'cross:0')!
    expect(seam).toMatchObject({ process: 'MIG', legMm: 2, lengthMm: 96, tacks: 4, filler: '70 ksi wire' })
    expect(seam.throatMm).toBeCloseTo(Math.SQRT2, 3)
    expect(seam.flushThroatMm).toBeCloseTo(0.99, 2)
    expect(seam.minutes).toBeCloseTo(96 / 220 + 2.5, 6)
    // 2²/2 × 96 mm³ of steel, 0.9 of the wire in the joint
    expect(seam.wireG).toBeCloseTo((2 * 96 * 7.85e-3) / 0.9, 2)
    expect(map.minutes).toBeCloseTo(
      map.seams.reduce((s, x) => s + x.minutes, 0),
      6,
    )
  })
  test('aluminium is welded by TIG with two tacks or more; with nobody to do it the process stands and the welder does not', () => {
    const map = weldMap(example(1), demoWorkshop.welders, defaultRules)
    for (const s of map.seams) {
      expect(s).toMatchObject({ process: 'TIG', welder: 'welder-2' })
      expect(s.tacks).toBeGreaterThanOrEqual(2)
    }
    expect(weldMap(example(1), [], defaultRules).seams[0]).toMatchObject({ process: 'TIG', welder: null })
    expect(map.notes.join(' ')).toMatch(/softened/)
  })
  test('a seam is as long as the checks count it, pattern given or not', () => {
    const a = example(0)
    const solver = rackSolver(a, [], defaultRules, [], 'clamped')!
    const { joints } = solver.solve(LEVEL, null, 'most', 'all')
    const bare = { ...a, joints: a.joints.map(({ weld: _, ...j }) => j) }
    for (const assembly of [a, bare]) {
      const seams = new Map(weldMap(assembly, demoWorkshop.welders, defaultRules).seams.map((s) => [s.joint.id, s]))
      for (const j of joints.filter((x) => x.joint.kind === 'weld')) {
        const joint = assembly.joints.find((o) => o.id === j.joint.id)!
        const counted = weldStress({ j: { ...j, joint }, parts: partsOf(assembly, joint) }, defaultRules)
        expect(seams.get(joint.id)!.lengthMm).toBeCloseTo(counted.lengthMm, 6)
        expect(seams.get(joint.id)!.legMm).toBe(counted.legMm)
      }
    }
  })
  test('tubes shut at both ends are named for a vent, and a job without a weld has an empty map', () => {
    expect(closedTubes(example(2))).toEqual(expect.arrayContaining(['CT1', 'HF', 'HR']))
    expect(weldMap(emptyAssembly, demoWorkshop.welders, defaultRules)).toMatchObject({ seams: [], lengthMm: 0, notes: [] })
  })
})

test('the jig of a guard over a bed that narrows: widths at both ends, and a diagonal that Pythagoras gives', () => {
  const family = familyOf('half-guard')!
  const e = family.examples[0]!
  const a = family.design(e.params, siteOn(e.vehicle)).assembled().assembly
  const jig = jigOf(a, null)!
  expect(Math.abs(jig.rearMm - jig.frontMm)).toBeGreaterThan(10)
  // the corners by coordinates
  const at = (mark: string) => a.mounts.find((m) => m.mark === mark)!.place
  const [rl, rr, fl] = [at(jig.feet[0]!), at(jig.feet[1]!), at(jig.feet[2]!)]
  expect(jig.diagonalMm).toBeCloseTo(Math.hypot(fl.x - rr.x, fl.y - rr.y), 6)
  expect(jig.rearMm).toBeCloseTo(rl.y - rr.y, 6)
  expect(Math.tan((jig.taperPerSideDeg * Math.PI) / 180)).toBeCloseTo((rl.y - fl.y) / (fl.x - rl.x), 9)
  expect(jigOf(emptyAssembly, null)).toBeNull()
})

test('26 A through 30 m of 2.5 mm²: 12.4 V gone over both conductors, 5.4 %; a breaker of 16 does not hold it', () => {
  const lead = leadOf({ supplyV: 230, drawsA: 26, breakerA: 16, leadMm2: 2.5, leadMm: 30_000 })
  expect(lead.dropV).toBeCloseTo((2 * 0.01988 * 30 * 26) / 2.5, 1)
  expect(lead.dropShare).toBeCloseTo(0.054, 3)
  expect(lead.breakerHolds).toBe(false)
})
