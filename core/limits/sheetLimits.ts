import type { Assembly, Panel } from '../assembly/assembly'
import { type Material, materialOf } from '../catalogue/materials'
import { figure, type Input, sum } from '../figure/figure'
import { greatest } from '../figure/greatest'
import type { Carried } from '../loads/carried'
import type { LoadCase } from '../loads/loadCases'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { patchOnPlate } from '../sheet/plateBending'
import { allowableFigure } from './allowable'
import { type Limit, limit } from './limit'

export type SheetGiven = {
  assembly: Assembly
  carried: Carried[]
  cases: LoadCase[]
  lacks: string[]
  rules: Rules
  own: (id: string) => boolean
}
const POISSON = 0.3
const SOURCE = 'Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells, art. 28 (Navier): four edges held, free to turn'

/** Most that what lies in the box is thrown one way, in g: on its floor, its front or back, an end, and up against the lid. */
const thrown: Record<Panel['takes'], (c: LoadCase) => number> = {
  down: (c) => c.downG,
  along: (c) => Math.abs(c.forwardG),
  aside: (c) => Math.abs(c.leftG),
  up: (c) => -c.downG,
}
/** The face of an item that presses on a field: as wide and as high as the item, no larger than the field. mm */
const faceOf: Record<Panel['takes'], (c: Carried) => [number, number]> = {
  down: (c) => [c.lengthMm, c.widthMm],
  along: (c) => [c.widthMm, c.heightMm],
  aside: (c) => [c.lengthMm, c.heightMm],
  up: (c) => [c.lengthMm, c.widthMm],
}

/** Sheets of a shut box under what lies in it, field by field, and its latches against what is thrown up against the lid. */
export function sheetLimits(given: SheetGiven): Limit[] {
  return given.assembly.supports
    .filter((s) => s.panels && given.own(s.id))
    .flatMap((s) => {
      const inside = given.carried.filter((c) => c.bearings.some((b) => b.on !== null && s.bearings.some((own) => own.on === b.on)))
      if (!inside.length) return []
      return [
        ...fields(given, s.panels ?? [], inside),
        ...ribsUnder(given, s.panels ?? [], inside),
        ...lidHeld(given, s.encloses?.lid.joints ?? [], inside),
      ]
    })
}

type Pressed = { c: Carried; forceN: number; patch: [number, number]; stressMPa: number }
type Field = { panel: Panel; loadCase: LoadCase; all: Pressed[]; stressMPa: number; material: Material; tMm: number }

function fields({ assembly, cases, lacks, rules }: SheetGiven, panels: Panel[], inside: Carried[]): Limit[] {
  const all = panels.flatMap((panel): Field[] => {
    const plate = assembly.plates.find((p) => p.id === panel.part)
    const loadCase = greatest(cases, thrown[panel.takes])
    if (!plate || !loadCase || thrown[panel.takes](loadCase) <= 0) return []
    const material = materialOf(plate.materialId)
    const pressed = inside.map((c): Pressed => {
      const forceN = (c.most ?? 0) * G_M_S2 * thrown[panel.takes](loadCase)
      // laid so that it presses on the least of the field
      const [p, q] = [...faceOf[panel.takes](c)].sort((x, y) => y - x) as [number, number]
      const patch: [number, number] = [Math.min(p, panel.longMm), Math.min(q, panel.shortMm)]
      const { stressMPa } = patchOnPlate({
        longMm: panel.longMm,
        shortMm: panel.shortMm,
        thicknessMm: plate.thicknessMm,
        elasticMPa: material.elasticMPa,
        poisson: POISSON,
        patchLongMm: patch[0],
        patchShortMm: patch[1],
        // what is larger than the field presses on others as well
        forceN: forceN * ((patch[0] * patch[1]) / Math.max(1, p * q)),
      })
      return { c, forceN, patch, stressMPa }
    })
    return [{ panel, loadCase, all: pressed, stressMPa: sum(pressed.map((x) => x.stressMPa)), material, tMm: plate.thicknessMm }]
  })
  const worst = greatest(all, (f) => f.stressMPa / f.material.yieldMPa)
  if (!worst) return []
  return [
    limit({
      id: 'sheet',
      name: 'Sheet under what lies in it',
      group: 'rack',
      unit: 'MPa',
      ref: worst.panel.part,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'sheet',
          name: `${worst.panel.name}, ${worst.all.map((x) => x.c.name).join(' and ')}, ${worst.loadCase.name}`,
          unit: 'MPa',
          formula: 'σ = Σ 6·M / t², M of a plate a × b pressed by F over u × v about its middle',
          source: SOURCE,
          assumes: [
            'everything lies, or is piled, where it bends the sheet most',
            'an upper edge is held by its rim',
            'a sheet that sinks by more than its own thickness is stiffer than this',
          ],
          with: {
            σ: worst.all.map((x): Input => [x.c.most === null ? null : x.stressMPa, 'MPa', `${x.c.name}, by Navier’s series`]),
            F: worst.all.map((x): Input => [x.c.most === null ? null : x.forceN, 'N', `what ${x.c.name} presses with`]),
            u: worst.all.map((x): Input => [x.patch[0], 'mm', `pressed by ${x.c.name}, length`]),
            v: worst.all.map((x): Input => [x.patch[1], 'mm', `pressed by ${x.c.name}, width`]),
            a: [worst.panel.longMm, 'mm', 'long side of the field'],
            b: [worst.panel.shortMm, 'mm', 'short side'],
            t: [worst.tMm, 'gauge', 'thickness'],
          },
          lacks,
        },
        ({ σ }) => sum(σ),
      ),
      allowed: allowableFigure('sheet.allowed', worst.material, rules),
      caution: 'A loose heavy thing in a box strikes harder than it presses: wedge or strap it inside.',
    }),
  ]
}

/**
 * One rib as a beam between the walls it ends at, everything piled on its middle: what is longer than the ribs are apart rests on several, and what is wide
 * presses over its width, M = F·(2·L − w) / 8 (Gere & Goodno, 8th ed., ch. 4). The sheet over it is not counted with it.
 */
function ribsUnder({ assembly, cases, lacks, rules }: SheetGiven, panels: Panel[], inside: Carried[]): Limit[] {
  return panels.flatMap((panel): Limit[] => {
    const { ribs } = panel
    const plate = assembly.plates.find((p) => p.id === ribs?.part)
    const loadCase = greatest(cases, thrown[panel.takes])
    if (!ribs || !plate || !loadCase) return []
    const g = thrown[panel.takes](loadCase)
    const bent = inside.map((c): Input => {
      const share = Math.min(1, ribs.pitchMm / Math.max(1, c.lengthMm))
      const wideMm = Math.min(c.widthMm, ribs.spanMm)
      return [c.most === null ? null : (c.most * G_M_S2 * g * share * (2 * ribs.spanMm - wideMm)) / 8, 'N·mm', `bending by ${c.name}`]
    })
    return [
      limit({
        id: 'sheet.ribs',
        name: 'Ribs under sheet',
        group: 'rack',
        unit: 'MPa',
        ref: ribs.part,
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: 'sheet.ribs',
            name: `${plate.name}, ${inside.map((c) => c.name).join(' and ')}, ${loadCase.name}`,
            unit: 'MPa',
            formula: 'σ = Σ M / W, M = F·(2·L − w) / 8',
            source: 'Gere & Goodno, 8th ed., ch. 4 and 5: a beam on two ends',
            assumes: ['everything is piled on the middle of one rib', 'the sheet over it is not counted with it'],
            with: { M: bent, W: [ribs.modulusMm3, 'mm³', 'section modulus'], L: [ribs.spanMm, 'mm', 'span'] },
            lacks,
          },
          ({ M, W }) => sum(M) / W,
        ),
        allowed: allowableFigure('sheet.ribs.allowed', materialOf(plate.materialId), rules),
      }),
    ]
  })
}

/** Half of what is thrown up hangs on the hinge, the other half on the latches. */
function lidHeld({ assembly, cases, lacks, rules }: SheetGiven, joints: string[], inside: Carried[]): Limit[] {
  const loadCase = greatest(cases, thrown.up)
  const upG = loadCase ? thrown.up(loadCase) : 0
  if (!loadCase || upG <= 0 || !joints.length) return []
  const latches = assembly.joints.filter((j) => joints.includes(j.id))
  return [
    limit({
      id: 'lid',
      name: 'Lid, from inside',
      group: 'rack',
      unit: 'N',
      ref: latches[0]?.between[0] ?? null,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'lid',
          name: `Thrown up, ${loadCase.name}`,
          unit: 'N',
          formula: 'F = ½·Σ m·g·a',
          source: `statics; ${loadCase.source}`,
          with: {
            m: inside.map((c) => [c.most, 'kg', `mass of ${c.name}`] as const),
            a: [upG, '', 'thrown up, times the weight'],
          },
          lacks,
        },
        ({ m, a }) => 0.5 * m.reduce((s, kg) => s + kg, 0) * G_M_S2 * a,
      ),
      allowed: figure(
        {
          id: 'lid.allowed',
          name: `${latches.length} latches, by their maker`,
          unit: 'N',
          formula: 'R = Σ Rᵢ',
          source: latches[0]?.rated?.by ?? 'not given',
          with: { R: latches.map((j) => [j.rated?.holdsN ?? null, 'N', j.rated?.what ?? 'rating of the latch'] as const) },
        },
        ({ R }) => R.reduce((s, n) => s + n, 0),
      ),
    }),
  ]
}
