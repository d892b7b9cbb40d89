import DxfParser from 'dxf-parser'
import { expect, test } from 'vitest'
import { emptyAssembly, memberLengthMm } from '../assembly/assembly'
import { BriefSchema } from '../brief/brief'
import { families } from '../families/all'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { assembled, siteOn } from '../testing/racks'
import { unknownValue } from '../vehicle/vehicle'
import { type Dimension, dimensionLines, pointsOf, type ViewName } from './sheet'
import { toDxf } from './toDxf'
import { toSvg } from './toSvg'
import { drawView } from './views'

const views: ViewName[] = ['plan', 'side', 'rear']
const cases = families
  .filter((f) => f.id === 'crossbar-rack')
  .flatMap((f) =>
    f.examples.map((e) => ({
      name: `${f.title}: ${e.name}`,
      vehicle: e.vehicle,
      assembly: f.design(e.params, siteOn(e.vehicle)).assembled().assembly,
    })),
  )

test.each(cases)('$name goes to DXF and back: every bar is as long on paper as in the cut list', ({ vehicle, assembly }) => {
  const sheet = drawView('plan', assembly, vehicle, demoJobs[0].brief)
  const read = new DxfParser().parseSync(toDxf(sheet))
  expect(read?.header?.$INSUNITS).toBe(4) // millimetres
  const drawn = (read?.entities ?? [])
    .filter((e) => e.layer === 'MEMBER')
    .map((e) => {
      const ys = (e as unknown as { vertices: { x: number; y: number }[] }).vertices
      const [xs, yy] = [ys.map((v) => v.x), ys.map((v) => v.y)]
      return Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...yy) - Math.min(...yy))
    })
  expect(drawn).toHaveLength(assembly.members.length)
  assembly.members.forEach((m, i) => {
    // rails follow the taper, so their box is as long as the rail but for the slant
    expect(Math.abs(drawn[i] - memberLengthMm(m))).toBeLessThan(m.name === 'Crossbar' ? 1e-6 : 2)
  })
})

test('dimensions go to DXF as dimensions: read back, each measures what the drawing says, and its block shows its lines', () => {
  const { vehicle, assembly } = cases[0]!
  const sheet = drawView('plan', assembly, vehicle, BriefSchema.parse({}))
  const read = new DxfParser().parseSync(toDxf(sheet))!
  const found = read.entities.filter((e) => e.type === 'DIMENSION') as unknown as Read[]
  type Read = {
    block: string
    angle?: number
    linearOrAngularPoint1: { x: number; y: number }
    linearOrAngularPoint2: { x: number; y: number }
  }
  const dims = sheet.entities.filter((e): e is Dimension => e.kind === 'dimension')
  expect(found).toHaveLength(dims.length)
  dims.forEach((d, i) => {
    const { linearOrAngularPoint1: a, linearOrAngularPoint2: b, block } = found[i]!
    expect(d.axis === 'x' ? Math.abs(b.x - a.x) : Math.abs(b.y - a.y)).toBeCloseTo(d.lengthMm, 4)
    expect(read.blocks[block]!.entities.filter((e) => e.type === 'LINE')).toHaveLength(5)
  })
  const dashed = read.entities.filter((e) => e.lineType === 'DASHED')
  expect(dashed.length).toBe(sheet.entities.filter((e) => (e.kind === 'line' || e.kind === 'polygon') && e.dashed).length)
  expect(read.header.$EXTMAX).toMatchObject({ x: sheet.box.max.x, y: sheet.box.max.y })
})

test.each(views)('the %s view of every demo job holds only finite points and says each bar by name', (view) => {
  for (const job of demoJobs) {
    const assembly = assembled(job)
    const sheet = drawView(view, assembly, job.vehicle, job.brief)
    for (const e of sheet.entities) for (const p of pointsOf(e)) expect(Number.isFinite(p.x) && Number.isFinite(p.y)).toBe(true)
    const refs = new Set(sheet.entities.map((e) => e.ref))
    for (const m of assembly.members) expect(refs.has(m.id)).toBe(true)
  }
})

test('running positions start at the roof edge: bars at 0, 1100, 2200 on a roof that begins at −1180 read 1180, 2280, 3380', () => {
  const { vehicle, assembly } = cases[0]
  const sheet = drawView('plan', assembly, vehicle, BriefSchema.parse({}))
  const dims = sheet.entities.filter((e): e is Dimension => e.kind === 'dimension' && e.axis === 'x')
  expect(dims.map((d) => d.lengthMm)).toEqual([1180, 2280, 3380])
  for (const d of dims) expect(Math.abs(d.to.x - d.from.x)).toBeCloseTo(d.lengthMm, 6)
})

test('a dimension of 100 along x at row −1, text 10: its line lies 16 below the base and spans 100', () => {
  const d: Dimension = {
    kind: 'dimension',
    layer: 'dimension',
    axis: 'x',
    base: 0,
    row: -1,
    from: { x: 0, y: 50 },
    to: { x: 100, y: 50 },
    lengthMm: 100,
  }
  expect(dimensionLines(d, 10).lines[2]).toEqual([
    { x: 0, y: -16 },
    { x: 100, y: -16 },
  ])
  expect(dimensionLines({ ...d, axis: 'y', from: { x: 50, y: 0 }, to: { x: 50, y: 100 } }, 10).lines[2]).toEqual([
    { x: -16, y: 0 },
    { x: -16, y: 100 },
  ])
})

test('as SVG a drawing keeps its lines, writes y downwards and lets no text break out of it', () => {
  const svg = toSvg({
    view: 'plan',
    title: 'a <b>',
    box: { min: { x: 0, y: 0 }, max: { x: 100, y: 50 } },
    entities: [
      { kind: 'line', layer: 'datum', from: { x: 0, y: 0 }, to: { x: 100, y: 50 } },
      { kind: 'text', layer: 'datum', at: { x: 10, y: 10 }, text: '<script>&', anchor: 'start' },
    ],
  })
  expect(svg).toContain('x1="0" y1="0" x2="100" y2="-50"')
  expect(svg).toContain('&lt;script&gt;&amp;')
  expect(svg).not.toContain('<script>')
  for (const view of ['plan', 'side', 'rear'] as const) {
    const { assembly } = evaluate(demoJobs[0], defaultRules)
    const drawn = toSvg(drawView(view, assembly, demoJobs[0].vehicle, demoJobs[0].brief))
    expect(drawn).not.toContain('NaN')
    // as a file of its own it carries its real size, and what is only likeness is faint
    const alone = toSvg(drawView(view, assembly, demoJobs[0].vehicle, demoJobs[0].brief), undefined, 40, true)
    const [, , , w, h] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(alone)!
    expect(alone).toContain(`width="${w}mm" height="${h}mm"`)
    expect(alone).toContain('stroke-opacity="0.35"')
    expect(drawn.match(/<polyg?o?n?l?i?n?e? /g)?.length).toBeGreaterThan(8)
  }
})

test('a vehicle with nothing measured is still drawn, dashed as assumed', () => {
  const bare = { ...cases[0].vehicle, mounts: [], obstacles: [], swings: [] }
  for (const key of ['lengthMm', 'widthMm', 'heightMm', 'roofFromXMm', 'roofToXMm', 'roofHeightMm', 'rearOverhangMm'] as const)
    bare[key] = unknownValue
  const sheet = drawView('plan', emptyAssembly, bare, BriefSchema.parse({}))
  const known = sheet.entities.filter((e) => e.kind === 'polygon' && e.closed && e.layer !== 'likeness')
  expect(known.every((e) => e.layer === 'assumed')).toBe(true)
})
