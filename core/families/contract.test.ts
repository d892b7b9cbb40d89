import RAPIER from '@dimforge/rapier3d-compat'
import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { type Assembly, memberLengthMm, plateMassKg } from '../assembly/assembly'
import { partMasses } from '../assembly/places'
import type { Tools } from '../calculator/tools'
import { boltSizes } from '../catalogue/bolts'
import { materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { quote } from '../cost/quote'
import { cutList } from '../cutList/cutList'
import { toDxf } from '../drawing/toDxf'
import { drawView } from '../drawing/views'
import { boltFigure, drillFigure, stackFigure } from '../drilling/holeFigures'
import { holePlaces } from '../drilling/holes'
import { readJobFile, writeJobFile } from '../exchange/jobFile'
import { gapsOf } from '../fit/gaps'
import { motionsOf } from '../fit/motions'
import { edgeOfHole, holeAreaMm2 } from '../geometry/hole'
import { areaMm2 } from '../geometry/polygon'
import { cross, plus, size, times, type Vec3 } from '../geometry/vec3'
import { type Evaluation, evaluate } from '../job/evaluate'
import { type Job, JobSchema, newJob } from '../job/job'
import { designedIn, pricedPieces, withParams } from '../job/piecesOf'
import { loadCases } from '../loads/loadCases'
import { rackSolver } from '../loads/solveRack'
import { highsTools } from '../nesting/highsTools'
import { planCuts } from '../nesting/planCuts'
import { nextPlace, type Piece } from '../pieces/piece'
import { together } from '../pieces/whole'
import { G_M_S2, METRIC } from '../quantity/units'
import { takeApart } from '../reach/takeApart'
import { defaultRules } from '../rules/rules'
import { extrude } from '../solid/extrude'
import { volumeMm3 } from '../solid/mesh'
import { sweep } from '../solid/sweep'
import { demoStock } from '../stock/demoStock'
import { rackFrame } from '../structure/rackFrame'
import { rapierKit } from '../touch/kit'
import { Measurer } from '../touch/meetings'
import { families } from './all'
import { type ListedFamily, listed } from './design'
import { poorFamily } from './testing/poorFamily'

/** What every family is put through, alone and two together; and a deliberately poor one as well. */
const known = families.length
families.push(listed(poorFamily))
const examples = families.flatMap((family) =>
  family.examples.map((example) => [`${family.title}: ${example.name}`, family, example] as const),
)

let tools: Tools
beforeAll(async () => {
  await RAPIER.init()
  tools = highsTools(await loadHighs(), () => performance.now())
})

const pieceOf = (family: ListedFamily, params: Piece['params'], others: Piece[] = []): Piece => ({
  ...nextPlace(others),
  name: '',
  family: family.id,
  params,
  on: null,
  state: 'fitted',
})
const jobOf = (family: ListedFamily, example: ListedFamily['examples'][number]): Job => {
  const base = newJob('Contract', example.vehicle, METRIC)
  return { ...base, brief: { ...base.brief, speedKmh: 90 }, pieces: [pieceOf(family, example.params)] }
}
const designOf = (job: Job, at = 0) => designedIn(job, defaultRules)[at]!.design

function badNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} = ${value}`]
  if (Array.isArray(value)) return value.flatMap((v, i) => badNumbers(v, `${path}[${i}]`))
  if (value && typeof value === 'object') return Object.entries(value).flatMap(([k, v]) => badNumbers(v, `${path}.${k}`))
  return []
}
const sound = (e: Evaluation) => expect(badNumbers({ limits: e.limits, feet: e.feet, ledger: e.ledger, assembly: e.assembly })).toEqual([])
const parts = (a: Assembly) => new Set([...a.members, ...a.plates, ...a.fittings].map((p) => p.id))

describe.each(examples)('%s', (_, family, example) => {
  const job = jobOf(family, example)

  test('its own parts do not stand in one another, nothing that it moves meets the rest of it, and tools get to all of it', () => {
    const { assembly } = evaluate(job, defaultRules)
    const kit = rapierKit(RAPIER)
    const given = { assembly, vehicle: job.vehicle, brief: job.brief, rules: defaultRules, moves: [], stops: {} }
    const own = (x: { pieceId: string | null }) => x.pieceId !== null
    const met = gapsOf(given, new Measurer(kit)).filter((g) => own(g.a) && own(g.b) && (g.state === 'meets' || g.state === 'tight'))
    const moved = motionsOf(given, kit).flatMap((m) =>
      m.touch && own(m.mover) && m.touch.what.id.startsWith(`${m.mover.pieceId}/`) ? [m] : [],
    )
    const { trapped, bolts, welds } = takeApart(given, kit)
    kit.close()
    const never = [...bolts, ...welds].filter((x) => x.when === 'never' || x.when === 'unknown')
    expect([...trapped.map((t) => t.names[0]), ...never.map((x) => `${x.name}: ${x.by.map((b) => b.name).join()}`)]).toEqual([])
    expect(met.map((g) => `${g.a.name} and ${g.b.name}: ${g.gapMm.toFixed(1)}`)).toEqual([])
    expect(moved.map((m) => `${m.mover.name} meets ${m.touch!.what.name} at ${m.touch!.at.toFixed(0)}`)).toEqual([])
  })
  const e = evaluate(job, defaultRules)
  const { assembly } = e
  const stands = !e.limits.some((l) => l.id === 'rack')

  test('stands by itself', () => {
    if (family.id !== poorFamily.id) expect(e.issues.filter((i) => i.code === 'unstable')).toEqual([])
    else expect([stands, e.limits.find((l) => l.id === 'rack')?.state]).toEqual([false, 'unknown'])
  })
  test('is drawn, stands where it says, and goes out as a file and in again', () => {
    expect(family.read(example.params)).toEqual({ ok: true, value: example.params })
    expect(assembly.mounts.length + assembly.members.length).toBeGreaterThan(0)
    expect(e.issues.filter((i) => i.code === 'piece_does_not_fit')).toEqual([])
    sound(e)
    expect(readJobFile(writeJobFile(job))).toEqual({ ok: true, value: JobSchema.parse(job) })
    // every name is one part's, and every part that is named is there
    const ids = [...assembly.members, ...assembly.plates, ...assembly.fittings, ...assembly.mounts, ...assembly.joints].map((p) => p.id)
    expect(new Set(ids).size).toBe(ids.length)
    const there = new Set([...parts(assembly), ...assembly.mounts.map((m) => m.id)])
    for (const j of assembly.joints) for (const id of j.between) expect(there).toContain(id)
    for (const m of assembly.mounts) expect(there).toContain(m.on)
    for (const s of assembly.supports) for (const b of s.bearings) if (b.on !== null) expect(there).toContain(b.on)
  })

  test('every member is in the frame at its whole length, and every joint between two parts has its forces', () => {
    if (!stands) return
    const frame = rackFrame(assembly, defaultRules, new Map(), 'clamped')
    for (const m of assembly.members) {
      const own = frame.pieces.filter((p) => p.memberId === m.id).reduce((s, p) => s + p.toMm - p.fromMm, 0)
      expect(own).toBeCloseTo(memberLengthMm(m), 0)
    }
    const between = assembly.joints.filter((j) => j.between.every((id) => parts(assembly).has(id)))
    for (const c of e.cases) expect(new Set(c.joints.map((j) => j.joint.id))).toEqual(new Set(between.map((j) => j.id)))
    // checked by a rule of its own, or named as open
    const open = e.limits.find((l) => l.id === 'joints.open')?.used.missing ?? []
    const ruled = between.filter((j) => j.kind === 'weld' || j.bolts !== undefined || j.rated !== undefined || j.collar !== undefined)
    const theirs = between.filter((j) => j.between.every((id) => assembly.fittings.some((f) => f.id === id)))
    expect(open.length).toBe(new Set(between.filter((j) => !ruled.includes(j) && !theirs.includes(j)).map((j) => j.id)).size)
    if (ruled.some((j) => j.kind === 'weld')) expect(e.limits.some((l) => l.id === 'welds')).toBe(true)
    if (ruled.some((j) => j.bolts)) expect(e.limits.some((l) => l.id === 'joint.bolts')).toBe(true)
  })

  test('the vehicle takes the forces and the moments of every case, about all three axes', () => {
    const solver = stands ? rackSolver(assembly, [], defaultRules, [], 'clamped') : null
    if (!solver) return
    for (const c of loadCases(defaultRules, 'rough track').filter((l) => l.headWindKmh === null)) {
      const { feet } = solver.solve(c, 90, 'most', 'feet')
      const pushed = partMasses(assembly).map((p) => ({
        at: p.at,
        force: times({ x: c.forwardG, y: c.leftG, z: -c.downG }, (p.kg ?? 0) * G_M_S2),
      }))
      const total = (list: Vec3[]) => list.reduce(plus, { x: 0, y: 0, z: 0 })
      const [on, out] = [total(pushed.map((p) => p.force)), total(feet.map((f) => f.push))]
      const scale = Math.max(1, ...pushed.map((p) => size(p.force))) * pushed.length
      for (const k of ['x', 'y', 'z'] as const) expect(Math.abs(on[k] - out[k]) / scale).toBeLessThan(1e-6)
      const about = total(pushed.map((p) => cross(p.at, p.force)))
      const held = total(feet.map((f, i) => plus(cross(assembly.mounts[i]!.place, f.push), f.turn)))
      // brackets and infill weigh where they are carried, which is a hand’s breadth from their middle
      for (const k of ['x', 'y', 'z'] as const) expect(Math.abs(about[k] - held[k]) / scale).toBeLessThan(60)
    }
  })

  test('is cut as long as it is drawn, weighs what its solids weigh, and is nested and priced when it is made', () => {
    const cut = cutList(family.there ? together([]) : assembly)
    expect(cut.flatMap((p) => p.marks).sort()).toEqual(family.there ? [] : assembly.members.map((m) => m.mark).sort())
    for (const p of cut)
      for (const mark of p.marks)
        expect(Math.abs(memberLengthMm(assembly.members.find((m) => m.mark === mark)!) - p.lengthMm)).toBeLessThan(0.5)
    for (const m of assembly.members) {
      const kg = (volumeMm3(sweep(m)) * materialOf(profileOf(m.profileId).materialId).densityKgM3) / 1e9
      const own = partMasses(assembly).find((p) => p.id === m.id)!.kg!
      // an extrusion's slots are its maker's drawing, not ours
      if (profileOf(m.profileId).shape.kind !== 'slotted') expect([m.mark, Math.abs(kg / own - 1) < 0.02]).toEqual([m.mark, true])
    }
    for (const p of assembly.plates.filter((x) => !x.steps)) {
      const solid = (volumeMm3(extrude(p)) * materialOf(p.materialId).densityKgM3) / 1e9
      // the strips that stand for a bend lie on its outside
      if (p.faces) expect([p.mark, Math.abs(solid / plateMassKg(p) - 1) < 0.1]).toEqual([p.mark, true])
      // holes are drawn by chords: what these leave of the metal is in the solid and not in its mass
      const left = p.holes.reduce((s, h) => s + holeAreaMm2(h) - areaMm2(edgeOfHole(h)), 0) * p.thicknessMm
      if (!p.faces) expect(solid - (left * materialOf(p.materialId).densityKgM3) / 1e9).toBeCloseTo(plateMassKg(p), 6)
    }
    const plan = planCuts(cut, demoStock, defaultRules, { useRemnants: true, timeLimitMs: 3000 }, tools)
    const price = quote(pricedPieces(job, defaultRules), plan, job.brief, defaultRules)
    if (family.there) expect(price).toBeNull()
    else
      expect(plan.profiles.flatMap((p) => p.bars.flatMap((b) => b.cuts.map((x) => x.mark))).sort()).toEqual(
        cut.flatMap((p) => p.marks).sort(),
      )
    expect(badNumbers(price)).toEqual([])
  })

  test('is drawn in every view with each of its members, and as solids, all of it finite', () => {
    for (const view of ['plan', 'side', 'rear'] as const) {
      const sheet = drawView(view, assembly, job.vehicle, job.brief)
      const refs = new Set(sheet.entities.map((x) => x.ref))
      for (const m of assembly.members) expect(refs).toContain(m.id)
      expect(toDxf(sheet)).not.toContain('NaN')
    }
    for (const m of assembly.members) expect(sweep(m).positions.every(Number.isFinite)).toBe(true)
  })

  test('every bolt passes each hole that was cut for it, its nut the nut’s hole; the working of drill, stack and bolt gives what is shown', () => {
    for (const p of holePlaces(assembly, job.vehicle, defaultRules)) {
      const through = p.off ? Math.max(p.closeMm, boltSizes[p.size].diameterMm + 2 * p.off.mm) : p.closeMm
      for (const l of p.layers) {
        if (!l.cut) continue
        const named = `${p.id}: ${l.mark} ${l.name}`
        if (l.nut) expect([named, l.cut.diameterMm, l.cut.slot]).toEqual([named, l.nut.drillMm, undefined])
        // a slot takes up along it what a round hole takes up all round
        else expect([named, Math.max(l.cut.diameterMm, l.cut.slot?.lengthMm ?? 0) >= through - 1e-9]).toEqual([named, true])
        expect([named, l.cut.diameterMm >= boltSizes[p.size].diameterMm]).toEqual([named, true])
      }
      expect([drillFigure(p).value, stackFigure(p).value, boltFigure(p).value]).toEqual([expect.closeTo(p.drillMm, 9), p.stackMm, p.boltMm])
      if (p.stackMm !== null) expect(p.boltMm!).toBeGreaterThan(p.stackMm + 2 * boltSizes[p.size].diameterMm)
    }
  })

  test('without its mounts it is no structure, and nothing of it is clear', () => {
    if (!assembly.members.length || !stands) return
    const loose = { ...assembly, mounts: [] }
    expect(rackSolver(loose, [], defaultRules, [], 'free')).toBeNull()
  })

  test('each figure moved there and back leaves the same bytes; each handle sets a figure that there is', () => {
    const stored = JSON.stringify(JobSchema.parse(job).pieces[0]!.params)
    const design = designOf(job)
    const ids = new Set(design.measures().map((m) => m.id))
    for (const h of design.handles()) for (const m of h.moves) expect(ids).toContain(m.measure)
    for (const m of design.measures()) {
      const to = Math.min(m.max, m.value + 8) === m.value ? m.value - 8 : Math.min(m.max, m.value + 8)
      const there = m.set(to)
      if (!there.ok) throw new Error(`${m.id}: ${there.faults.map((f) => f.expected).join()}`)
      const again = designOf(withParams(job, job.pieces[0]!.id, there.value))
        .measures()
        .find((x) => x.id === m.id)!
      expect(again.value).toBeCloseTo(to, 6)
      const back = again.set(m.value)
      // what says where a figure comes from may change with it; what is drawn does not
      if (back.ok && m.id !== 'lean') expect(JSON.stringify(back.value)).toBe(stored)
    }
  })

  test('a dimension that can be pressed shows the figure that it sets', () => {
    const axes = { plan: { x: 'x', y: 'y' }, side: { x: 'x', y: 'z' }, rear: { x: 'y', y: 'z' } } as const
    const design = designOf(job)
    const figures = new Map(design.measures().map((m) => [m.id, m.value]))
    for (const d of design.assembled().assembly.dimensions) {
      if (!d.edits) continue
      const k = axes[d.view][d.axis]
      const named = `${d.id} sets ${d.edits.figure}`
      expect([named, figures.get(d.edits.figure)]).toEqual([named, expect.closeTo(Math.abs(d.to[k] - d.from[k]) + d.edits.offsetMm, 3)])
    }
  })

  // the plainest and the oddest of a family: its fields are the same in all of its examples
  const plainOrOdd = example === family.examples[0] || example === family.examples.at(-1)
  test.runIf(plainOrOdd)('the ends of every field give an answer, or a fault in words', () => {
    const design = designOf(job)
    for (const [i, f] of design.fields().entries()) {
      expect(f.label.length).toBeGreaterThan(2)
      const ends =
        'min' in f && f.kind !== 'lengths'
          ? [f.min, f.max, ...('nullable' in f && f.nullable ? [null] : [])]
          : f.options.map((o) => o.value)
      // of the oddest, each field's ends by turns: both were tried on the plainest
      const odd = example !== family.examples[0] && ends.length > 1
      const tried = f.kind === 'profile' ? ends.slice(0, 1) : odd ? ends.filter((_, k) => k % 2 === i % 2) : ends
      for (const end of tried) {
        const set = f.set(end)
        if (set.ok) sound(evaluate(withParams(job, job.pieces[0]!.id, set.value), defaultRules))
        else expect(set.faults.every((x) => x.expected.length > 5)).toBe(true)
      }
      if ('min' in f && f.kind !== 'lengths') expect(f.set(f.max + 1).ok).toBe(false)
    }
  })

  test.runIf(plainOrOdd)('every change that it offers says what it does and is worked out', () => {
    for (const c of designOf(job).changes()) {
      expect(c.label.length).toBeGreaterThan(4)
      sound(evaluate(withParams(job, job.pieces[0]!.id, c.params), defaultRules))
    }
  })

  test('every way to shorten it takes off a part what was asked', () => {
    const design = designOf(job)
    for (const way of design.shorten) {
      const by = Math.min(Math.max(10, way.least), way.most)
      if (by <= 0) continue
      const after = new Map(
        evaluate(withParams(job, 'p1', way.apply(by)), defaultRules).assembly.members.map((m) => [m.id, memberLengthMm(m)]),
      )
      expect(Math.max(...assembly.members.map((m) => memberLengthMm(m) - (after.get(m.id) ?? Number.NaN)))).toBeCloseTo(by, 2)
    }
  })

  test('two of them together are one assembly: parts, masses and limits of both, each under its own name', () => {
    const second = pieceOf(family, example.params, job.pieces)
    const both: Job = { ...job, pieces: [...job.pieces, second] }
    const two = evaluate(both, defaultRules)
    sound(two)
    expect(two.assembly.members.length).toBe(2 * assembly.members.length)
    expect(new Set(two.assembly.members.map((m) => m.mark)).size).toBe(2 * new Set(assembly.members.map((m) => m.mark)).size)
    expect(two.issues.some((i) => i.code === 'pieces_meet')).toBe(true)
    if (e.rackMassKg !== null) expect(two.rackMassKg).toBeCloseTo(2 * e.rackMassKg, 9)
    const own = (x: Evaluation, id: string) =>
      x.limits
        .filter((l) => l.pieceId === id)
        .map((l) => l.id)
        .sort()
    expect(own(two, second.id)).toEqual(own(e, 'p1'))
    for (const l of e.limits.filter((x) => x.pieceId === 'p1' && x.ratio !== null && x.group === 'rack'))
      expect(two.limits.find((x) => x.id === l.id && x.pieceId === 'p1')!.ratio).toBeCloseTo(l.ratio!, 6)
  })
})

test('the poor family is only here: no shelf lists it', () => {
  expect(families.slice(0, known).some((f) => f.id === poorFamily.id)).toBe(false)
})
