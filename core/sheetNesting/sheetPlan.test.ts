import DxfParser from 'dxf-parser'
import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Plate } from '../assembly/assembly'
import { cuttingDxf, nestDrawing, nestedParts } from '../drawing/sheetDrawing'
import { readJobFile, writeJobFile } from '../exchange/jobFile'
import { familyOf } from '../families/all'
import { areaMm2 } from '../geometry/polygon'
import { JobSchema, newJob } from '../job/job'
import { METRIC } from '../quantity/units'
import { asNew } from '../reuse/asNew'
import { defaultRules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import type { SheetOffcut } from '../stock/stock'
import { built } from '../testing/onSite'
import { demoVehicles } from '../vehicle/demoVehicles'
import type { AcceptedSheets } from './acceptedSheets'
import { sheetsFigure } from './sheetFigures'
import { acceptedFrom, flatKinds, laidParts, planSheets, sheetOf, stillStands } from './sheetPlan'
import { goneFromRack } from './sheetRack'

const { assembly } = built(familyOf('chest')!, { widthMm: 900, bearers: 5, dividers: 1 }, demoVehicles[1]!)
const plan = () => planSheets(assembly, { rules: defaultRules, system: 'metric', begun: [] }, () => performance.now())

describe('the flat parts of a chest', () => {
  test('alike ones stand together with all their marks: two ends, five bearers', () => {
    const kinds = flatKinds(assembly, defaultRules)
    expect(kinds.map((k) => k.marks)).toEqual([['BO'], ['EN', 'EN'], ['DV'], ['LD'], ['BR', 'BR', 'BR', 'BR', 'BR']])
    const bearer = kinds.at(-1)!
    // a strip of so wide, 520 long: four sides, no hole
    const wide = areaMm2(bearer.plate.outline) / 520
    expect(bearer.cutMm / (2 * (520 + wide))).toBeCloseTo(1, 1)
    expect(bearer.pierces).toBe(1)
  })
  test('each is on one sheet of its metal, inside it and clear of the others by its true outline', () => {
    const [group] = plan()
    expect(group!.nest.unplaced).toEqual([])
    const laid = laidParts(group!)
    expect(laid.map((l) => l.mark).sort()).toEqual(assembly.plates.map((p) => p.mark).sort())
    for (const l of laid) {
      const size = sheetOf(group!, group!.nest.sheets[l.sheet]!.sheetId)
      const points = l.plate.outline.map(l.on)
      expect(areaMm2(points)).toBeCloseTo(areaMm2(l.plate.outline), 3)
      for (const p of points)
        expect(Math.min(p.x, p.y, size.width - p.x, size.height - p.y)).toBeGreaterThan(defaultRules.sheetEdgeMm - 0.01)
    }
    // what is bought costs its mass: sheet area × thickness × density × price per kg
    const areaM2 = group!.nest.sheets.reduce((s, x) => s + (sheetOf(group!, x.sheetId).width * sheetOf(group!, x.sheetId).height) / 1e6, 0)
    expect(group!.priceMinor / (areaM2 * 0.002 * 2680 * 980)).toBeCloseTo(1, 3)
    expect(nestDrawing(group!, 0).entities.filter((e) => e.kind === 'text').length).toBe(group!.nest.sheets[0]!.placements.length)
  })
  test('on a busy machine as on an idle one: the print and the file for the table show the same nest', () => {
    let clock = 0
    // a clock that runs forty times as fast
    const hurried = planSheets(assembly, { rules: defaultRules, system: 'metric', begun: [] }, () => (clock += 20))
    expect(hurried).toEqual(plan())
  })
  test('its price opens its working: whole sheets by their mass', () => {
    const [group] = plan()
    expect(sheetsFigure(group!).value).toBeCloseTo(group!.priceMinor, 6)
  })
  test('where sheet is sold by the foot it is: 96 by 48 inches and larger', () => {
    const [group] = planSheets(assembly, { rules: defaultRules, system: 'inch', begun: [] }, () => performance.now())
    for (const s of group!.nest.sheets)
      expect(
        [sheetOf(group!, s.sheetId).width / 25.4, sheetOf(group!, s.sheetId).height / 25.4].every(
          (v) => Math.abs(v / 12 - Math.round(v / 12)) < 1e-9,
        ),
      ).toBe(true)
  })
  test('the file for the table reads back: closed outlines of the right size, folds on their own layer, millimetres', () => {
    const [group] = plan()
    const read = new DxfParser().parseSync(cuttingDxf(nestedParts(group!), defaultRules))!
    expect(read.header.$INSUNITS).toBe(4)
    const outlines = read.entities.filter((e) => e.layer === 'CUT') as unknown as { shape: boolean; vertices: { x: number; y: number }[] }[]
    expect(outlines.every((o) => o.shape)).toBe(true)
    const areas = (list: number[]) => list.map(Math.round).sort((a, b) => a - b)
    expect(areas(outlines.map((o) => areaMm2(o.vertices)))).toEqual(areas(assembly.plates.map((p) => areaMm2(p.outline))))
    expect(read.entities.filter((e) => e.layer === 'BEND_UP')).toHaveLength(assembly.plates.reduce((s, p) => s + p.bends.length, 0))
    const marks = read.entities.filter((e) => e.layer === 'MARK') as unknown as { text: string }[]
    expect(marks.map((m) => m.text).sort()).toEqual(assembly.plates.map((p) => p.mark).sort())
  })
})

describe('holes that are too small for the table', () => {
  // 90 × 60 of 4 mm: 5.9 closes up in the cut at one and a half thicknesses, 6 does not
  const plate = (diametersMm: number[]): Plate => ({
    ...{ id: 'p', mark: 'P', name: 'Plate', materialId: 'steel', thicknessMm: 4, bends: [], goodFace: 'up', air: 'sheltered' },
    outline: [
      { x: 0, y: 0 },
      { x: 90, y: 0 },
      { x: 90, y: 60 },
      { x: 0, y: 60 },
    ],
    holes: diametersMm.map((diameterMm, i) => ({ at: { x: 20 + 25 * i, y: 30 }, diameterMm })),
    pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
  })
  const given = plate([9, 5.9, 6])
  const [kind] = flatKinds({ ...emptyAssembly, plates: [given] }, { cutHoleT: 1.5 })
  test('are marked and drilled: the table runs 300 round the plate and round the other two, and pierces three times', () => {
    expect(kind!.drilled.map((h) => h.diameterMm)).toEqual([5.9])
    expect([kind!.cutMm, kind!.pierces]).toEqual([300 + Math.PI * 15, 3])
    expect(flatKinds({ ...emptyAssembly, plates: [given] }, { cutHoleT: 0 })[0]!.drilled).toEqual([])
  })
  test('in its file they are a cross on MARK, and what is cut inside stands before the outline round it', () => {
    const read = new DxfParser().parseSync(cuttingDxf([{ plate: given, mark: 'P', on: (p) => p }], { cutHoleT: 1.5 }))!
    const cut = read.entities.filter((e) => e.layer === 'CUT') as unknown as { type: string; radius?: number }[]
    expect(cut.map((e) => [e.type, e.radius])).toEqual([
      ['CIRCLE', 4.5],
      ['CIRCLE', 3],
      ['LWPOLYLINE', undefined],
    ])
    const lines = read.entities.filter((e) => e.layer === 'MARK' && e.type === 'LINE') as unknown as {
      vertices: { x: number; y: number }[]
    }[]
    expect(lines).toHaveLength(2)
    // both go through the middle of the hole
    for (const {
      vertices: [a, b],
    } of lines)
      expect([(a!.x + b!.x) / 2, (a!.y + b!.y) / 2]).toEqual([45, 30])
  })
})

describe('sheets that were accepted', () => {
  const sheets = (made = assembly, accepted: AcceptedSheets | null = null, begun: SheetOffcut[] = []) =>
    planSheets(made, { rules: defaultRules, system: 'metric', begun, accepted }, () => 0)
  const accepted = acceptedFrom(sheets(), { on: '2026-11-30', cut: false, reason: '' })
  const rack: SheetOffcut = { ...demoStock.sheets[0]!, materialId: 'al5052h32', thicknessMm: 2, lengthMm: 1900, widthMm: 1100, quantity: 2 }
  test('keep their places whatever else comes onto the rack; not accepted, they would lie on what came', () => {
    expect(sheets(assembly, null, [rack])[0]!.nest.sheets[0]!.sheetId).toBe(`begun ${rack.id}`)
    const [now] = sheets(assembly, accepted, [rack])
    const [then] = sheets()
    expect([now!.standing, now!.nest, now!.priceMinor]).toEqual(['accepted', then!.nest, then!.priceMinor])
    expect(laidParts(now!).map((l) => l.on({ x: 3, y: 4 }))).toEqual(laidParts(then!).map((l) => l.on({ x: 3, y: 4 })))
    expect(stillStands(accepted, sheets(assembly, accepted, [rack]))).toBe(true)
  })
  test.each([
    ['another edge', { widthMm: 905 }],
    ['one part more', { dividers: 2 }],
    ['another sheet', { thicknessMm: 2.5 }],
    ['another hole', { build: 'slotted' }],
  ])('with %s they are laid anew, and say that they moved', (_, over) => {
    const other = built(familyOf('chest')!, { widthMm: 900, bearers: 5, dividers: 1, ...over }, demoVehicles[1]!).assembly
    const groups = sheets(other, accepted)
    expect([groups.map((g) => g.standing), stillStands(accepted, groups)]).toEqual([groups.map(() => 'moved'), false])
  })
  test('what a file says of them is taken only whole: a part too few, one that is none, a sheet that is none', () => {
    const spoilt = (change: (g: AcceptedSheets['groups'][number]) => void) => {
      const other = structuredClone(accepted)
      change(other.groups[0]!)
      return sheets(assembly, other)[0]!.standing
    }
    expect(spoilt(() => undefined)).toBe('accepted')
    expect(spoilt((g) => g.nest.sheets[0]!.placements.pop())).toBe('moved')
    expect(spoilt((g) => Object.assign(g.nest.sheets[0]!.placements[0]!, { partId: '99' }))).toBe('moved')
    expect(spoilt((g) => g.sheets.pop())).toBe('moved')
  })
  test('a metal that is no longer in the job moves them too', () => expect(stillStands(accepted, [])).toBe(false))
  test('are kept with the job as they are, and a place that cannot be is refused by its path', () => {
    const job = { ...newJob('Hive', demoVehicles[1]!, METRIC), flatSheets: accepted }
    expect(readJobFile(writeJobFile(job))).toEqual({ ok: true, value: JobSchema.parse(job) })
    const bad = structuredClone(job)
    bad.flatSheets.groups[0]!.nest.sheets[0]!.placements[0]!.turn = 45 as never
    const read = readJobFile(JSON.stringify(bad))
    expect(read.ok ? '' : read.faults.map((f) => f.where).join()).toContain('turn')
    // another vehicle's are its own
    expect(asNew(job, 'Hive, second').flatSheets).toBeNull()
  })
  test('a begun sheet that is gone from the rack, smaller or fewer, is named', () => {
    const begun = sheets(assembly, null, [rack])
    expect(goneFromRack(begun, { sheets: [rack] })).toEqual([])
    expect(goneFromRack(begun, { sheets: [] })).toEqual([rack])
    expect(goneFromRack(begun, { sheets: [{ ...rack, widthMm: 900 }] })).toEqual([rack])
    expect(goneFromRack(begun, { sheets: [{ ...rack, quantity: 0 }] })).toEqual([rack])
    expect(goneFromRack(sheets(), { sheets: [] })).toEqual([])
  })
})
