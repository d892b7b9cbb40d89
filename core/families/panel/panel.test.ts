import DxfParser from 'dxf-parser'
import { describe, expect, test } from 'vitest'
import { boxOf, plateCorners } from '../../assembly/places'
import { cuttingDxf } from '../../drawing/sheetDrawing'
import { drawView } from '../../drawing/views'
import { holePlaces } from '../../drilling/holes'
import { endsOfHole } from '../../geometry/hole'
import { areaMm2 } from '../../geometry/polygon'
import type { Point } from '../../geometry/vec3'
import { torquesOf } from '../../handOver/torques'
import { evaluate } from '../../job/evaluate'
import { newJob } from '../../job/job'
import { METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { flatPattern } from '../../sheet/flatPattern'
import { flatKinds } from '../../sheetNesting/sheetPlan'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { type PanelParams, PanelParams as schema } from './params'

const family = familyOf('panel')!
const camper = demoVehicles.find((v) => v.id === 'camper-van')!
const crew = family.examples.at(-1)!.vehicle
// ribs of the camper stand 210, 690, 1170, 1650 … from the rear end of its floor, which lies 880 behind the axle
const plain = { fromMm: 180, lengthMm: 1500 }
const made = (over: Partial<PanelParams> = {}, vehicle = camper) => built(family, { ...plain, ...over }, vehicle)
const plate = (b: ReturnType<typeof made>, id = 'panel') => b.assembly.plates.find((p) => p.id === id)!
const walked = (a: Point, b: Point, n: number): Point[] =>
  Array.from({ length: n + 1 }, (_, i) => ({ x: a.x + ((b.x - a.x) * i) / n, y: a.y + ((b.y - a.y) * i) / n }))
const box = (b: ReturnType<typeof made>, id = 'panel') => boxOf(plateCorners(plate(b, id)))

describe('a panel before the ribs of a van', () => {
  test('its screws stand in the ribs that it reaches, its back 15 off their line and its good face inside', () => {
    const b = made()
    expect([...new Set(b.assembly.mounts.map((m) => m.place.x))]).toEqual([-670, -190, 290, 770])
    expect(b.assembly.mounts).toHaveLength(12)
    // 1780 wide at the waist: a left one lies from 875 inwards, 2 thick
    const left = box(b)
    expect([left.centre.y, left.size.y, left.size.x, left.size.z]).toEqual([874, 2, 1500, 600].map((v) => expect.closeTo(v, 6)))
    expect(box(made({ side: 'right' })).centre.y).toBeCloseTo(-874, 6)
    // floor 590 over the ground, lower edge 400 over that
    expect(left.centre.z).toBeCloseTo(590 + 400 + 300, 6)
  })
  test('a left and a right one are mirror images, hole for hole', () => {
    const [l, r] = [plate(made({ topMm: [80, 0] })), plate(made({ topMm: [80, 0], side: 'right' }))]
    const at = (p: typeof l, flip: boolean) =>
      p.holes.map((h) => `${(flip ? 1500 - h.at.x : h.at.x).toFixed(3)} ${h.at.y.toFixed(3)}`).sort()
    expect(at(l, false)).toEqual(at(r, true))
    expect(areaMm2(l.outline)).toBeCloseTo(areaMm2(r.outline), 6)
    expect(areaMm2(l.outline)).toBeCloseTo(1500 * 600 - (1500 * 80) / 2, 6)
  })
  test('three vehicles of a line, their holes off by 1.5, 2.5 and 0.5: the worst makes it d + 2·2.5 = 11, in panel and schedule', () => {
    const b = made({ offMm: [1.5, 2.5, 0.5] })
    const holes = plate(b).holes.filter((h) => !h.slot)
    expect(holes.map((h) => h.diameterMm)).toEqual(Array(12).fill(11))
    const [place] = holePlaces(b.assembly, camper, defaultRules)
    expect(place!.drillMm).toBe(11)
    // the body takes the rivet nut, not the clearance hole
    expect(place!.layers.map((l) => l.nut?.drillMm)).toEqual([undefined, 9])
    expect(made({ offMm: [6] }).says.join()).toMatch(/washer of \{g 18\} does not cover a hole of \{g 18\}/)
    // nobody read any: the shop's own 1 mm
    expect(plate(made()).holes.find((h) => !h.slot)!.diameterMm).toBe(8)
  })
  test('slots instead are as wide as a plain hole and as long as the round one would be', () => {
    const [hole] = plate(made({ holes: 'up', offMm: [3] })).holes
    expect([hole!.diameterMm, hole!.slot]).toEqual([6.6, { lengthMm: 12, turnDeg: 90 }])
  })
  test('the wall leans: each row has spacers as long as its gap, and bolts for them', () => {
    const b = made({ gapsMm: [22, 15, 31] })
    const spacers = b.assembly.hardware.flatMap((h) => (h.part.kind === 'spacer' ? [[h.part.lengthMm, h.quantity]] : []))
    expect(spacers).toEqual([
      [22, 4],
      [15, 4],
      [31, 4],
    ])
    // 2 + 31 + 1.5 and 2.2 diameters: 47.7, sold as 50
    expect(b.assembly.hardware.flatMap((h) => (h.part.kind === 'bolt' ? [h.part.lengthMm] : []))).toEqual([40, 35, 50])
    // the screw's place is on the body: 15 off less the gap
    expect(b.assembly.mounts[2]!.place.y).toBeCloseTo(890 - 15 + 31, 6)
  })
  test('every slot keeps 6 of metal to edges, washers, seam and each other', () => {
    for (const over of [
      {},
      { bottomMm: [0, 220, 260, 180, 0, 0, 0], topMm: [90, 40, 10, 0] },
      { split: 'overlap' as const, splitMm: 700 },
    ]) {
      const b = made(over)
      for (const p of b.assembly.plates) {
        const slots = p.holes.filter((h) => h.slot)
        expect(slots.length).toBeGreaterThan(20)
        // by walking along each slot and each edge, the other way than the code does it
        const edge = p.outline.flatMap((a, i) => walked(a, p.outline[(i + 1) % p.outline.length]!, 60).map((at) => ({ at, half: 0 })))
        const others = [...edge, ...p.holes.filter((h) => !h.slot).map((h) => ({ at: h.at, half: h.diameterMm / 2 }))]
        const metal = slots.flatMap((s) =>
          walked(...endsOfHole(s), 16).flatMap((q) => others.map((o) => Math.hypot(q.x - o.at.x, q.y - o.at.y) - 4 - o.half)),
        )
        expect(metal.reduce((least, v) => Math.min(least, v))).toBeGreaterThan(6 - 0.05)
      }
    }
  })
  test('a screw is left out where the wheel arch takes the metal away', () => {
    const b = made({ lowMm: 0, bottomMm: [300, 300, 0, 0] })
    // rows at 25, 300, 575: over the arch only the uppermost has metal 25 below it
    const perRib = [-670, -190, 290, 770].map((x) => b.assembly.mounts.filter((m) => Math.abs(m.place.x - x) < 1).length)
    // where it comes down again 6 are still taken at the third rib: 19 are left under its lowest
    expect(perRib).toEqual([1, 1, 2, 3])
  })
})

test('seam bolts M6: where it passes the hole is 6.6, where its rivet nut sits 9, and the wrench is set to what the nut takes', () => {
  const sizes = (id: string, b: ReturnType<typeof made>, y: number) => [
    ...new Set(
      plate(b, id)
        .holes.filter((h) => !h.slot && Math.abs(h.at.x - y) < 1e-6)
        .map((h) => h.diameterMm),
    ),
  ]
  const lapped = made({ split: 'overlap', splitMm: 700, lapMm: 40 })
  expect([sizes('panel:0', lapped, 720), sizes('panel:1', lapped, 20)]).toEqual([[9], [6.6]])
  const strip = made({ split: 'strap', splitMm: 780, lapMm: 30 })
  expect([sizes('panel:0', strip, 765), sizes('panel:1', strip, 15), sizes('strap', strip, 15), sizes('strap', strip, 45)]).toEqual([
    [6.6],
    [6.6],
    [9],
    [9],
  ])
  // a bolt of its strength would take 8: the nut spins before that
  const rules = { ...defaultRules, rivetNutTorqueNm: 5 }
  const turned = torquesOf(lapped.assembly, camper, rules)
  expect(turned.map((t) => [t.size, t.soft, t.torqueNm])).toEqual(turned.map(() => ['M6', 'nut', 5]))
  expect(turned.length).toBeGreaterThan(0)
  expect(torquesOf(lapped.assembly, camper, { ...rules, rivetNutTorqueNm: 500 })[0]!.torqueNm).toBeLessThan(12)
})

describe('a panel in two', () => {
  test('lapped over, the second lies on the first by the lap; each seam bolt is a hole in both at one place', () => {
    const b = made({ split: 'overlap', splitMm: 700, lapMm: 40 })
    const [one, two] = [box(b, 'panel:0'), box(b, 'panel:1')]
    expect([one.size.x, two.size.x]).toEqual([740, 800].map((v) => expect.closeTo(v, 6)))
    expect(one.centre.y - two.centre.y).toBeCloseTo(2, 6)
    const seam = b.assembly.joints.filter((j) => j.id.startsWith('seam'))
    expect(seam).toHaveLength(4)
    for (const j of seam) {
      const x = j.at.x + 880 - 180
      expect(x).toBeCloseTo(720, 6)
      for (const [id, from] of [
        ['panel:0', 0],
        ['panel:1', 700],
      ] as const)
        expect(plate(b, id).holes.some((h) => Math.hypot(h.at.x - (x - from), h.at.y - (j.at.z - 990)) < 1e-6)).toBe(true)
    }
  })
  test('a jog brings it back into one plane: the blank is longer by what two bends of 20° and the web between them take', () => {
    const b = made({ split: 'jog', splitMm: 780, thicknessMm: 1.5, materialId: 'steel' })
    const second = plate(b, 'panel:1')
    const flat = second.faces!.filter((f) => !f.bend)
    const outAt = (f: (typeof flat)[number]) => f.pose.origin.y
    // back of the lap on the first part, back of the rest beside it: one thickness apart
    expect(outAt(flat[2]!) - outAt(flat[0]!)).toBeCloseTo(1.5, 6)
    expect(outAt(flat[2]!)).toBeCloseTo(875, 6)
    // it ends where it was drawn
    expect(boxOf(plateCorners(second)).size.x).toBeCloseTo(720, 6)
    // the same blank by the flat pattern, from outside lengths: web √(1.5² + run²) + t·tan 10°
    const [r, t, K] = [second.bends[0]!.insideRadiusMm, 1.5, second.bends]
    expect(K).toHaveLength(2)
    const run = Math.hypot(flat[2]!.pose.origin.x - (flat[0]!.pose.origin.x + 40), 0)
    const setback = (r + t) * Math.tan(Math.PI / 18)
    const inner = r * Math.tan(Math.PI / 18)
    // along one face: the lap ends at an inner apex, the rest begins at an outer one
    const web = Math.hypot(1.5, run - setback - inner)
    const blank = flatPattern({
      ...{ thickness: t, insideRadius: r, kFactor: 0.42 },
      flanges: [40 + inner + t * Math.tan(Math.PI / 18), web + t * Math.tan(Math.PI / 18), 720 - 40 - run + setback],
      bends: [{ angle: 20 }, { angle: 20 }],
    })
    expect(Math.abs(boxOf(second.outline.map((q) => ({ ...q, z: 0 }))).size.x - blank.flatLength)).toBeLessThan(0.1)
  })
  test('with a strip behind, both parts lie in one plane and the strip behind both', () => {
    const b = made({ split: 'strap', splitMm: 780, lapMm: 30 })
    expect(box(b, 'panel:0').centre.y).toBeCloseTo(box(b, 'panel:1').centre.y, 6)
    expect(box(b, 'strap').centre.y - box(b, 'panel:0').centre.y).toBeCloseTo(2, 6)
    expect(plate(b, 'strap').holes).toHaveLength(8)
    expect(made({ split: 'strap', splitMm: 780, standOffMm: 1 }).says.join()).toMatch(/No room behind the panel/)
  })
  test('a rib in the seam is named, for its screws would pass both parts', () =>
    expect(made({ split: 'overlap', splitMm: 500 }).says.join()).toMatch(/rib \{510\} from the first edge lies in the seam/))
})

describe('what it cannot be', () => {
  test.each([
    [{ lengthMm: 400, fromMm: 230 }, /reaches no rib/],
    [{ lengthMm: 2600 }, /runs past its wall: \{2430\} at most/],
    [{ heightMm: 1400 }, /higher than the room inside: \{1240\} at most/],
    [{ bottomMm: [400], topMm: [180] }, /Nothing is left of the panel/],
    [{ pitchMm: 41 }, /slots run into one another/],
    [{ slotMm: 300, pitchMm: 500, marginMm: 300 }, /No slot has room/],
    [{ rowPitchMm: 11 }, /rows of slots run into one another: \{12\} or more/],
    [{ slotMm: 5, slotWideMm: 3, pitchMm: 10, rowPitchMm: 10 }, /More than 2000 slots/],
    [{ split: 'overlap' as const, splitMm: 1420 }, /leaves too little of one part/],
    // 1.2 diameters from an edge (EN 1993-1-8, table 3.3): of a hole of 10, and of a slot 6.6 wide whose end is 2.7 nearer
    [{ edgeMm: 10, offMm: [2] }, /Holes of \{g 10\} stand too near the edge: \{12\} or more/],
    [{ edgeMm: 10, holes: 'up' as const, offMm: [3] }, /too near the edge: \{11\} or more/],
    // two edges from the middle of a lap, each 1.2 of the nut's hole of 9
    [{ split: 'overlap' as const, splitMm: 700, lapMm: 20 }, /bolts of the seam stand too near its edge: \{22\} or more/],
    // 30 apart where 120 is left between them, holes of 9 want 21.6: six of them; ten do not go in
    [{ split: 'overlap' as const, splitMm: 730, seamBolts: 10, topMm: [0, 430, 0], edgeMm: 25 }, /room for 6 bolts one above another/],
  ])('%j', (over, says) => expect(made(over).says.join(' ')).toMatch(says))
  test('ribs are needed, and where the first one stands', () => {
    const without = (...ids: string[]) => ({
      ...camper,
      measures: Object.fromEntries(Object.entries(camper.measures).filter(([k]) => !ids.includes(k))),
    })
    expect(family.fits(siteOn(without('van.ribFirst')))).toMatch(/ribs/)
    expect(family.fits(siteOn(camper))).toBeNull()
  })
})

test('what hangs on it was never tried, what pulls a rivet nut out is not known: nothing of it is clear', () => {
  const base = newJob('Panel', camper, METRIC)
  const job = (over: Partial<PanelParams>) => ({
    ...base,
    pieces: [
      { id: 'p1', name: '', letter: '', family: 'panel', params: schema.parse({ ...plain, ...over }), on: null, state: 'fitted' as const },
    ],
  })
  const inside = { ...base.brief, speedKmh: 100 }
  const states = (over: Partial<PanelParams>, rules = defaultRules) =>
    new Map(evaluate({ ...job(over), brief: inside }, rules).limits.map((l) => [l.id, l.state]))
  expect(states({}).get('foot.up')).toBe('unknown')
  expect(states({}, { ...defaultRules, rivetNutN: 1200 }).get('foot.up')).toBe('clear')
  // it hangs in the room, not on the roof
  expect([...states({}).keys()].filter((id) => id.startsWith('roof'))).toEqual([])
  const seamed = { split: 'overlap' as const, splitMm: 700 }
  expect(states(seamed).get('joint.bolts')).toBe('unknown')
  expect(states(seamed, { ...defaultRules, rivetNutN: 1200 }).get('joint.bolts')).toBe('clear')
})

test('its slots go out as closed lines with true arcs, and are counted in cut length and pierces', () => {
  const b = made({ slotMm: 40, slotWideMm: 8 })
  const [kind] = flatKinds(b.assembly, defaultRules)
  const slots = kind!.plate.holes.filter((h) => h.slot).length
  expect(kind!.pierces).toBe(1 + 12 + slots)
  expect(kind!.cutMm).toBeCloseTo(2 * (1500 + 600) + 12 * Math.PI * 8 + slots * (Math.PI * 8 + 64), 3)
  const parsed = new DxfParser().parseSync(cuttingDxf([{ plate: kind!.plate, mark: 'PN', on: (p) => p }], defaultRules))!
  const lines = parsed.entities.filter((e) => e.type === 'LWPOLYLINE' && e.layer === 'CUT') as unknown as {
    shape: boolean
    vertices: { x: number; y: number; bulge?: number }[]
  }[]
  expect(lines).toHaveLength(1 + slots)
  const slot = lines.find((l) => l.vertices.length === 4 && l.vertices.some((v) => v.bulge === 1))!
  expect(slot.shape).toBe(true)
  // 40 over all: straights of 32, two half circles of 8 across
  const [a, c, d] = slot.vertices
  expect(Math.hypot(a!.x - c!.x, a!.y - c!.y)).toBeCloseTo(8, 6)
  expect(Math.hypot(d!.x - c!.x, d!.y - c!.y)).toBeCloseTo(32, 6)
})

test('seen from the side it is drawn by its own edge with its slots; behind a cab from the rear', () => {
  const holes = (b: ReturnType<typeof made>, view: 'side' | 'rear', vehicle = camper) =>
    drawView(view, b.assembly, vehicle, newJob('x', vehicle, METRIC).brief).entities.filter(
      (e) => e.layer === 'plate' && (e.kind === 'circle' || (e.kind === 'polygon' && e.ref === undefined)),
    ).length
  const b = made()
  expect(holes(b, 'side')).toBe(plate(b).holes.length)
  expect(holes(b, 'rear')).toBe(0)
  const cab = built(family, family.examples.at(-1)!.params as Partial<PanelParams>, crew)
  expect(holes(cab, 'rear', crew)).toBe(cab.assembly.plates.reduce((n, p) => n + p.holes.length, 0))
})

describe('an edge from a drawing', () => {
  // an L, its foot at the left as it is seen from inside, with a cable hole and a window
  const drawn = {
    name: 'wall.dxf',
    outline: [
      { x: 0, y: 0 },
      { x: 1500, y: 0 },
      { x: 1500, y: 300 },
      { x: 700, y: 300 },
      { x: 700, y: 600 },
      { x: 0, y: 600 },
    ],
    holes: [
      { at: { x: 100, y: 100 }, diameterMm: 60 },
      {
        at: { x: 350, y: 450 },
        diameterMm: 100,
        edge: [
          { x: -80, y: -50 },
          { x: 80, y: -50 },
          { x: 80, y: 50 },
          { x: -80, y: 50 },
        ],
      },
    ],
  }
  test('its size is the panel’s, its cut-outs are cut, screws and slots stand only where there is metal', () => {
    const p = plate(made({ drawn }))
    expect([box(made({ drawn })).size.x, box(made({ drawn })).size.z]).toEqual([1500, 600].map((v) => expect.closeTo(v, 6)))
    expect(areaMm2(p.outline)).toBeCloseTo(700 * 600 + 800 * 300, 6)
    // left wall, seen from inside: its rear is at the left
    expect(p.holes.filter((h) => h.edge || h.diameterMm === 60).map((h) => [h.at.x, h.at.y])).toEqual([
      [100, 100],
      [350, 450],
    ])
    for (const h of p.holes.filter((x) => x.slot)) {
      expect(h.at.x < 700 || h.at.y < 300).toBe(true)
      expect(Math.abs(h.at.x - 350) > 80 || Math.abs(h.at.y - 450) > 50).toBe(true)
    }
    // rows at 25, 300 and 575: the two ribs past the step keep one each
    expect(made({ drawn }).assembly.mounts.map((m) => Math.round(m.place.x))).toEqual([-670, -670, -670, -190, -190, -190, 290, 770])
  })
  test('on the right wall it is as it is seen from inside too: its foot at the front', () => {
    const right = made({ drawn, side: 'right' })
    const p = plate(right)
    expect(
      p.outline
        .filter((q) => q.y === 600)
        .map((q) => q.x)
        .sort((a, b) => a - b),
    ).toEqual([0, 700])
    const top = boxOf(plateCorners(p).filter((c) => c.z > 990 + 599))
    // from 180 + 800 = 980 forward of the floor's rear end
    expect(top.centre.x - top.size.x / 2).toBeCloseTo(-880 + 180 + 800, 6)
  })
  test('through a neck of 60 a seam has no room for two bolts with 25 of metal beside them', () => {
    const [a, b] = [270, 330]
    const outline = [
      [0, 0],
      [680, 0],
      [680, a],
      [760, a],
      [760, 0],
      [1500, 0],
      [1500, 600],
      [760, 600],
      [760, b],
      [680, b],
      [680, 600],
      [0, 600],
    ]
    const neck = { ...drawn, outline: outline.map(([x, y]) => ({ x: x!, y: y! })), holes: [] }
    expect(made({ drawn: neck, split: 'overlap', splitMm: 700 }).says.join()).toMatch(/seam has no room for two bolts/)
  })
  test('a seam through a cut-out is named; beside it, it stands', () => {
    const seam = (splitMm: number) => made({ drawn, split: 'overlap', splitMm }).says.join()
    expect(seam(400)).toMatch(/cuts through what is cut out \{350\} from the first edge/)
    expect(seam(560)).not.toMatch(/cuts through/)
  })
  test('smaller or larger than a panel is made, it is refused in words, and what is stored reads again', () => {
    const scaled = (by: number) => ({ ...drawn, outline: drawn.outline.map((q) => ({ x: q.x * by, y: q.y * by })), holes: [] })
    for (const by of [0.1, 3]) {
      const read = family.read({ ...plain, drawn: scaled(by) })
      expect(read.ok ? [] : read.faults.map((f) => f.expected)).toEqual([
        `a panel is {200} to {4000} long and {120} to {2400} high: this drawing is {${1500 * by}} by {${600 * by}}`,
      ])
    }
    const kept = family.read({ ...plain, drawn })
    expect(kept.ok && family.read(JSON.parse(JSON.stringify(kept.value)))).toEqual(kept)
  })
  test('a drawing with an edge of no size is refused by its schema, and the panel stays', () =>
    expect(family.read({ ...plain, drawn: { ...drawn, outline: drawn.outline.slice(0, 2) } }).ok).toBe(false))
})
