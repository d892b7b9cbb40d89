import { describe, expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { familyOf } from '../families/all'
import { METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { siteOn } from '../testing/racks'
import { cutsText, templatesOf } from '../tube/template'
import { tubeWork } from '../tube/tubeParts'
import { withSeams } from '../weldMap/seamMarks'
import { weldMap } from '../weldMap/weldMap'
import { demoWorkshop } from '../workshop/workshop'
import { bentPartSheet } from './bentPart'
import { templateDrawing } from './templateDrawing'
import { toDxf } from './toDxf'
import { toSvg } from './toSvg'
import { drawView } from './views'

const family = familyOf('hoop-basket')!
const [example] = family.examples
const site = siteOn(example!.vehicle)
const { assembly } = family.design(example!.params, site).assembled()

describe('templates as a drawing', () => {
  const sheet = templateDrawing(assembly)
  const shared = templatesOf(assembly)
  test('each curve once, named with every end that it is for; no end is without one', () => {
    const ends = assembly.members.flatMap((m) => m.ends.flatMap((e, which) => (e.kind === 'cope' ? [`${m.mark} ${which}`] : [])))
    expect(shared.flatMap((t) => t.cuts.map((c) => `${c.mark} ${c.which}`)).sort()).toEqual([...ends].sort())
    expect(shared.length).toBeLessThan(ends.length / 2)
    expect(cutsText(shared[0]!)).not.toMatch(/end/)
    expect(cutsText({ ...shared[0]!, cuts: [{ mark: 'X', which: 1 }] })).toBe('X end 2')
  })
  test('full size: as wide as each tube is round, its curve within its frame, none over another', () => {
    const frames = sheet.entities.flatMap((e) => (e.kind === 'polygon' && e.closed ? [e.points] : []))
    expect(frames).toHaveLength(shared.length)
    frames.forEach((points, i) => {
      const xs = points.map((p) => p.x)
      expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(shared[i]!.template.roundMm, 9)
    })
    const bands = frames.map((points) => [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))] as const)
    for (const [i, [low]] of bands.entries()) if (bands[i + 1]) expect(bands[i + 1]![1]).toBeLessThan(low)
  })
  test('it leaves as DXF and as SVG in millimetres; of nothing saddled it says so', () => {
    expect(toDxf(sheet, METRIC)).toMatch(/SECTION/)
    expect(toSvg(sheet, METRIC, 5, true)).toMatch(/<svg[^>]*mm"/)
    const none = templateDrawing(emptyAssembly).entities
    expect(none).toEqual([expect.objectContaining({ kind: 'text', text: expect.stringMatching(/nothing/) })])
  })
})

describe('a bent part in the order of its bends', () => {
  const hoop = tubeWork(assembly).find((w) => w.marks.includes('HF'))!.part
  const sheet = bentPartSheet(hoop)
  test('one picture a bend, the last one finished, each with its words and the end that is held', () => {
    const shapes = sheet.entities.filter((e) => e.kind === 'polygon')
    expect(shapes).toHaveLength(2)
    expect(shapes.map((e) => e.kind === 'polygon' && e.filled)).toEqual([false, true])
    expect(sheet.entities.filter((e) => e.kind === 'text').map((e) => e.kind === 'text' && e.text)).toEqual([
      'after bend 1',
      'after bend 2',
    ])
    expect(sheet.entities.filter((e) => e.kind === 'circle')).toHaveLength(2)
  })
  test('the finished picture is as wide as the hoop outside', () => {
    const last = sheet.entities.filter((e) => e.kind === 'polygon').at(-1)!
    if (last.kind !== 'polygon') throw new Error('it is an outline')
    const xs = last.points.map((p) => p.x)
    const wide = hoop.member.path[1]!.y - hoop.member.path[2]!.y + 32
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(wide, -1)
  })
})

describe('numbers of welds on a drawing', () => {
  const map = weldMap(assembly, demoWorkshop.welders, defaultRules)
  test.each(['plan', 'side', 'rear'] as const)('%s: rings clear of one another, inside the frame, and no number twice', (view) => {
    const sheet = withSeams(drawView(view, assembly, site.vehicle, { ...site.brief, cargo: [] }), map, view)
    const rings = sheet.entities.flatMap((e) => (e.kind === 'balloon' ? [e] : []))
    expect(new Set(rings.map((r) => r.text)).size).toBe(rings.length)
    expect(rings.length).toBeGreaterThan(map.seams.length / 2)
    for (const [i, a] of rings.entries()) {
      expect(a.at.x).toBeGreaterThanOrEqual(sheet.box.min.x)
      expect(a.at.y).toBeLessThanOrEqual(sheet.box.max.y)
      for (const b of rings.slice(i + 1)) expect(Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y)).toBeGreaterThan(10)
    }
    // neither the vehicle nor a dimension stands between
    expect(sheet.entities.some((e) => e.layer === 'vehicle' || e.kind === 'dimension')).toBe(false)
  })
})

describe('a bent tube in the flat views', () => {
  const outline = (view: 'plan' | 'side' | 'rear') =>
    drawView(view, assembly, site.vehicle, { ...site.brief, cargo: [] }).entities.flatMap((e) =>
      e.kind === 'polygon' && e.ref === 'hoop:rear' ? [e.points] : [],
    )
  test('from behind it is one outline with both edges, as wide as the tube outside', () => {
    const [points, ...more] = outline('rear')
    expect(more).toEqual([])
    const xs = points!.map((p) => p.x)
    const hoop = assembly.members.find((m) => m.id === 'hoop:rear')!
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(hoop.path[1]!.y - hoop.path[2]!.y + 32, -1)
    expect(points!.length).toBeGreaterThan(40)
  })
  test('seen on edge it is a bar as thick as the tube', () => {
    const [points] = outline('side')
    const xs = points!.map((p) => p.x)
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(32, 0)
  })
})
