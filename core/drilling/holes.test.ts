import { describe, expect, test } from 'vitest'
import { familyOf } from '../families/all'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { built } from '../testing/onSite'
import { withRack } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { boltFigure, drillFigure, stackFigure } from './holeFigures'
import { drillList, holeKey, holeMark, holePlaces, jointPlaces, layerWords } from './holes'

const [survey] = demoJobs
const pickup = demoVehicles[1]!
const placesIn = (a: Parameters<typeof holePlaces>[0], vehicle = pickup) => holePlaces(a, vehicle, defaultRules)

describe('holes through every layer', () => {
  const job = withRack(survey, { sideRails: true, build: 'bolted', profileId: 'square-40x3-steel' })
  const a = madeAssembly(job, defaultRules)
  const places = placesIn(a, job.vehicle)
  test('a rail of 25 bolted over a bar of 40: both are drilled, M6 in 6.6 mm, and the next bolt on sale over 65 + 2.2·6 = 78.2', () => {
    const crossing = places.find((p) => p.what === 'joint')!
    expect(crossing.layers.map((l) => l.throughMm)).toEqual([25, 40])
    expect([crossing.size, crossing.closeMm, crossing.drillMm, crossing.stackMm, crossing.boltMm]).toEqual(['M6', 6.4, 6.6, 65, 80])
  })
  test('no mate is forgotten: each joint with bolts is one place, in both of its parts', () => {
    const joints = a.joints.filter((j) => j.bolts)
    expect(
      places
        .filter((p) => p.what === 'joint')
        .map((p) => p.id)
        .sort(),
    ).toEqual(joints.map((j) => j.id).sort())
    for (const p of places) expect(p.layers.length).toBeGreaterThanOrEqual(2)
    const drilled = drillList(a, places)
    for (const j of joints)
      for (const id of j.between.filter((x) => a.members.some((m) => m.id === x)))
        expect(drilled.find((d) => d.part === id)!.at.some((h) => h.place.id === j.id)).toBe(true)
  })
  test('places run from a bar’s first end: the rails’ crossings as far apart as the rails are', () => {
    const bar = drillList(a, places).find((d) => d.mark === 'B1')!
    const rails = a.members.filter((m) => m.name === 'Side rail')
    const [first, second] = bar.at.filter((h) => h.place.what === 'joint').map((h) => h.atMm)
    const y = rails.map((r) => r.path[0]!.y)
    // the rails run in with the roof: a little less than their rear ends are apart
    expect(Math.abs(y[0]! - y[1]!) - (second! - first!)).toBeLessThan(2)
    expect(first! + second!).toBeCloseTo(bar.lengthMm, 0)
    for (const row of drillList(a, places)) for (const h of row.at) expect(h.atMm >= 0 && h.atMm <= row.lengthMm).toBe(true)
  })
  test('in a welded rack no rail is drilled; a slotted bar is not drilled', () => {
    const clamped = madeAssembly(withRack(survey, { sideRails: true, build: 'welded' }), defaultRules)
    const rails = clamped.members.filter((m) => m.name === 'Side rail').map((m) => m.id)
    expect(placesIn(clamped, survey.vehicle).filter((p) => p.layers.some((l) => rails.includes(l.part)))).toEqual([])
    const slotted = madeAssembly(withRack(survey, { sideRails: true, build: 'bolted', profileId: 'slotted-40x40-al6063t5' }), defaultRules)
    expect(drillList(slotted, placesIn(slotted, survey.vehicle)).map((d) => d.name)).not.toContain('Crossbar')
  })
})

describe('holes in the vehicle', () => {
  const board = built(familyOf('headboard')!, { heightMm: 600, stayUpMm: 300 }, pickup)
  test('through rail, body and plate: found on the vehicle they are d + 2·e = 8 + 2 in our part; of a sheet that nobody measured the bolt has no length', () => {
    const nobody = { ...pickup, placeRatings: {} }
    const foot = placesIn(board.assembly, nobody).find((p) => p.what === 'foot')!
    expect(foot.layers.map((l) => l.name)).toEqual(['Base rail', 'sheet of the body', 'backing plate'])
    expect(foot.drillMm).toBe(10)
    expect([foot.stackMm, foot.boltMm]).toEqual([null, null])
    expect(foot.caution).toMatch(/before drilling/)
    const tidy = holePlaces(board.assembly, pickup, { ...defaultRules, holeErrorMm: 0 }).find((p) => p.what === 'foot')!
    expect(tidy.drillMm).toBe(9)
  })
  test('with the sheet measured: 50 of tube, 0.9 of sheet, 4 of plate, and a bolt of 80', () => {
    const { placeId } = board.assembly.mounts[0]!
    const measured = {
      ...pickup,
      placeRatings: {
        ...pickup.placeRatings,
        [placeId]: { downKg: pickup.barKg, upKg: pickup.barKg, skin: { thicknessMm: 0.9, yieldMPa: 180, panelRadiusMm: 150 } },
      },
    }
    const foot = placesIn(board.assembly, measured).find((p) => p.what === 'foot')!
    expect([foot.stackMm, foot.boltMm]).toEqual([54.9, 80])
    // what is bought is no shorter than what goes through
    const bought = board.assembly.hardware.flatMap((h) => (h.part.kind === 'bolt' && h.part.size === 'M8' ? [h.part.lengthMm] : []))
    expect(Math.max(...bought)).toBeGreaterThanOrEqual(foot.boltMm!)
  })
  test('each number opens its working, and agrees with what is shown', () => {
    for (const p of placesIn(board.assembly, { ...pickup, placeRatings: {} })) {
      expect(drillFigure(p).value).toBeCloseTo(p.drillMm, 9)
      expect([stackFigure(p).value, boltFigure(p).value]).toEqual([p.stackMm, p.boltMm])
      if (p.stackMm === null) expect(boltFigure(p).missing).toEqual(['stack under the bolt'])
      expect(stackFigure(p).missing.every((m) => /thickness of/.test(m))).toBe(true)
    }
  })
  test('what was ticked as drilled is known by its place and size', () => {
    const [p] = placesIn(board.assembly)
    const [l] = p!.layers
    expect(holeKey(p!, l!)).toBe(`hole:${p!.id}:${l!.part}`)
    expect(holeMark({ ...p!, drillMm: 11 }, l!)).not.toBe(holeMark(p!, l!))
    expect(holeMark(p!, { ...l!, atMm: 12 })).not.toBe(holeMark(p!, l!))
  })
})

test('where a bolt goes into a rivet nut, that part takes the nut’s hole and not the clearance hole; a tapped wall takes neither', () => {
  const hive = built(familyOf('chest')!, { build: 'bolted', dividers: 1 }, pickup).assembly
  const seam = jointPlaces(hive).find((p) => p.id.includes('seam:divider'))!
  const words = Object.fromEntries(seam.layers.map((l) => [l.mark.replace(/^.-/, ''), layerWords(l)]))
  expect(words.BO).toMatch(/, \{g 9\} for its rivet nut$/)
  expect(words.DV).toBe('Divider')
  expect(seam.drillMm).toBe(6.6)
  // another hole than the mate's: it is ticked by its own size
  const [nut, mate] = [seam.layers.find((l) => l.nut)!, seam.layers.find((l) => !l.nut)!]
  expect(holeMark(seam, nut)).toContain('9.0')
  expect(holeMark(seam, mate)).toContain('6.6')
})
