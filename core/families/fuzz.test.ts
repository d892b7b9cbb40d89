import RAPIER from '@dimforge/rapier3d-compat'
import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import { memberLengthMm } from '../assembly/assembly'
import { centreOfParts, partMasses } from '../assembly/places'
import { buildPlan } from '../build/buildPlan'
import { cutList } from '../cutList/cutList'
import { stops } from '../cutList/stops'
import { templateDrawing } from '../drawing/templateDrawing'
import { drawView } from '../drawing/views'
import { fitOf } from '../fit/fit'
import { defaultRules } from '../rules/rules'
import { sweep } from '../solid/sweep'
import { siteOn } from '../testing/racks'
import { rapierKit } from '../touch/kit'
import { Measurer } from '../touch/meetings'
import { jigOf } from '../weldMap/jig'
import { weldMap } from '../weldMap/weldMap'
import { cannotDo } from '../workshop/cannotDo'
import { demoWorkshop } from '../workshop/workshop'
import { families } from './all'
import type { Design, Field } from './design'

beforeAll(() => RAPIER.init())

/** Families whose parts are the same left and right, and that are drawn from figures alone. */
const drawn = families.filter((f) =>
  [
    'hoop-basket',
    'half-guard',
    'welded-deck',
    'headboard',
    'ladder-rack',
    'cab-guard',
    'chest',
    'drawers',
    'extrusion-rack',
    'holders',
    'lattice',
  ].includes(f.id),
)

/** A value that a field takes: within its bounds, one of its choices, or nothing where it may be unknown. */
function valueFor(f: Field, seed: number): unknown {
  const between = (min: number, max: number) => min + (max - min) * ((seed % 997) / 996)
  switch (f.kind) {
    case 'switch':
      return seed % 2 === 0
    case 'count':
      return Math.round(between(f.min, f.max))
    case 'length':
    case 'angle':
    case 'mass':
    case 'force':
      return f.nullable && seed % 7 === 0 ? null : between(f.min, f.max)
    case 'choice':
    case 'profile':
    case 'place':
      return f.options.length ? f.options[seed % f.options.length]!.value : f.value
    default:
      return f.value
  }
}

describe.each(drawn.map((f) => [f.title, f] as const))('%s, whatever is typed into its fields', (_, family) => {
  const [example] = family.examples
  const site = siteOn(example!.vehicle)
  const anything = fc.array(fc.nat(1e6), { minLength: 40, maxLength: 40 })
  /** The design with some of its fields set to anything that they take; what the family refuses stays as it was. */
  const designOf = (seeds: number[]): Design => {
    let params = example!.params
    const count = family.design(params, site).fields().length
    for (let i = 0; i < count; i++) {
      if (seeds[i]! % 3) continue
      const field = family.design(params, site).fields()[i]
      const read = field?.set(valueFor(field, seeds[i + 1] ?? 1))
      if (read?.ok) params = read.value
    }
    return family.design(params, site)
  }

  test('its gaps, ways and order of taking apart are figures or said to be unknown; nothing throws', () => {
    const kit = rapierKit(RAPIER)
    const bad = (v: unknown): boolean =>
      typeof v === 'number' ? !Number.isFinite(v) : typeof v === 'object' && v !== null ? Object.values(v).some(bad) : false
    fc.assert(
      fc.property(anything, (seeds) => {
        const { assembly } = designOf(seeds).assembled()
        const given = { assembly, vehicle: site.vehicle, brief: site.brief, rules: defaultRules, moves: [], stops: {}, struts: [] }
        const { gaps, motions, limits, apart } = fitOf(given, kit, new Measurer(kit))
        expect([bad(gaps), bad(motions), bad(limits)]).toEqual([false, false, false])
        // every part is taken off, or named as trapped, or fixed to the vehicle already
        const told = new Set([...apart.order, ...apart.trapped].flatMap((x) => x.ids))
        for (const m of assembly.members) expect(told.has(m.id)).toBe(true)
      }),
      { numRuns: 3, seed: 11 },
    )
    kit.close()
  })
  test('it is drawn and cut, or says why not; no number is none', () => {
    fc.assert(
      fc.property(anything, (seeds) => {
        const { assembly, issues } = designOf(seeds).assembled()
        for (const m of assembly.members) {
          const length = memberLengthMm(m)
          expect(Number.isFinite(length) && length > 0, `${m.mark} ${length}`).toBe(true)
        }
        const parts = cutList(assembly)
        expect(parts.reduce((s, p) => s + p.quantity, 0)).toBe(assembly.members.length)
        for (const p of parts) if (p.lacks !== null) expect(p.lacks.length).toBeGreaterThan(3)
        expect(stops(parts, demoWorkshop.saws).flatMap((s) => s.marks).length).toBe(
          parts.filter((p) => p.lacks === null).reduce((s, p) => s + p.quantity, 0),
        )
        for (const i of issues) if ('says' in i) expect(i.says).not.toMatch(/NaN|undefined|Infinity/)
      }),
      { numRuns: 25 },
    )
  })
  test('what is worked out of it for bender, saw and welder has an answer', () => {
    fc.assert(
      fc.property(anything, (seeds) => {
        const design = designOf(seeds)
        const { assembly } = design.assembled()
        const map = weldMap(assembly, demoWorkshop.welders, defaultRules)
        expect(map.seams).toHaveLength(assembly.joints.filter((j) => j.kind === 'weld').length)
        for (const s of map.seams) expect([s.lengthMm > 0, s.throatMm > 0, Number.isFinite(s.minutes)]).toEqual([true, true, true])
        for (const c of cannotDo(assembly, demoWorkshop, defaultRules))
          expect([c.marks.length > 0, /NaN|undefined/.test(c.says + c.would)]).toEqual([true, false])
        const plan = buildPlan({
          stops: [],
          assembly,
          pieces: [{ assembly, finish: design.finish }],
          workshop: demoWorkshop,
          rules: defaultRules,
        })
        expect(plan.steps.every((s) => Number.isFinite(s.minutes))).toBe(true)
        const jig = jigOf(assembly, null)
        if (jig) expect(jig.diagonalMm).toBeGreaterThan(jig.apartMm)
        for (const e of templateDrawing(assembly).entities)
          if (e.kind === 'polygon') for (const p of e.points) expect(Number.isFinite(p.x + p.y)).toBe(true)
      }),
      { numRuns: 15 },
    )
  })
  test('its views and its solids have numbers for every corner', () => {
    fc.assert(
      fc.property(anything, (seeds) => {
        const { assembly } = designOf(seeds).assembled()
        for (const m of assembly.members) expect(sweep(m, assembly.members).positions.every(Number.isFinite), m.mark).toBe(true)
        for (const view of ['plan', 'side', 'rear'] as const)
          for (const e of drawView(view, assembly, site.vehicle, { ...site.brief, cargo: [] }).entities)
            if (e.kind === 'polygon') for (const p of e.points) expect(Number.isFinite(p.x + p.y), `${view} ${e.ref ?? ''}`).toBe(true)
      }),
      { numRuns: 8 },
    )
  })
  test('it weighs as much left as right', () => {
    fc.assert(
      fc.property(anything, (seeds) => {
        const { assembly } = designOf(seeds).assembled()
        const y = centreOfParts(partMasses(assembly)).y
        // a divider has its flanges on one side
        if (y !== null) expect(Math.abs(y)).toBeLessThan(family.id === 'chest' || family.id === 'drawers' ? 15 : 0.5)
      }),
      { numRuns: 25 },
    )
  })
})
