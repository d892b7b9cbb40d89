import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import type { Job } from '../job/job'
import { wholeOf } from '../pieces/whole'
import { defaultRules } from '../rules/rules'
import { rackAlone, withRack } from '../testing/racks'
import { atStake } from './atStake'
import { leaveLongCalculator } from './leaveLong.calculator'
import { differs, partsAsCut } from './partsAsCut'
import { readingsOf } from './readingsOf'

const [survey, oyster] = demoJobs
const rack: Job = rackAlone(survey)
const line = rack.vehicle.mounts[0]!
const within = (job: Job, toleranceMm: number): Job => ({
  ...job,
  vehicle: { ...job.vehicle, mounts: job.vehicle.mounts.map((m) => ({ ...m, taken: { ...m.taken, method: 'tape', toleranceMm } })) },
})
const half = (key: 'Rear' | 'Front') => `line.${line.id}.halfWidth${key}Mm`

describe('bars over gutters that come together, read to ±3', () => {
  const { readings, leaveLong } = atStake(within(rack, 3), defaultRules)
  const bars = wholeOf(rack, defaultRules).assembly.members
  const share = (x: number) => (x - line.fromXMm) / (line.toXMm - line.fromXMm)

  test('the half width at the rear takes twice its error times how near a bar stands to the rear; what is under 1 mm is made as well as that', () => {
    const rear = readings.find((r) => r.id === half('Rear'))!
    for (const b of bars) {
      const byMm = 2 * 3 * (1 - share(b.path[0]!.x))
      const p = rear.parts.find((x) => x.id === b.id)
      if (byMm <= 1) expect(p).toBeUndefined()
      else {
        expect(p!.shortMm).toBeCloseTo(byMm, 0)
        expect(p!.longMm).toBeCloseTo(byMm, 0)
      }
    }
  })
  test('both half widths together make 6 of every bar, wherever it stands, and the ends of a line that tapers a hair: it is left 7 long', () => {
    expect(leaveLong.map((l) => l.byMm)).toEqual(bars.map(() => 7))
  })
  test('a bar made again costs its metal, two cuts and its holes', () => {
    const [bar] = bars
    const cut = partsAsCut(wholeOf(rack, defaultRules).assembly, defaultRules).get(bar!.id)!
    expect(cut.minutes).toBe(2 * defaultRules.cutMin + cut.places.length * defaultRules.holeMin)
    const p = readings.flatMap((r) => r.parts).find((x) => x.id === bar!.id)!
    expect(p.costMinor).toBe(cut.metalMinor + Math.round((cut.minutes / 60) * defaultRules.labourPerHour * 100))
  })
  test('the dearest first; read to a tenth of that, nothing is at stake; read twice as badly, no less', () => {
    expect(readings.map((r) => r.costMinor)).toEqual([...readings.map((r) => r.costMinor)].sort((a, b) => b - a))
    expect(atStake(within(rack, 0.3), defaultRules)).toEqual({ readings: [], leaveLong: [] })
    const worse = atStake(within(rack, 6), defaultRules)
    for (const l of leaveLong) expect(worse.leaveLong.find((w) => w.id === l.id)!.byMm).toBeGreaterThanOrEqual(l.byMm!)
  })
})

describe('a guard between the walls of a bed', () => {
  const { readings, leaveLong } = atStake(oyster!, defaultRules)
  test('what the tape read of the bed and the cab is ranked with it, each on its sheet', () => {
    expect(readings[0]).toMatchObject({ sheet: 'bed', tolerance: 2, method: 'tape' })
    expect(readings.map((r) => r.sheet)).toContain('cab-back')
    for (const r of readings) expect(r.parts.length, r.label).toBeGreaterThan(0)
  })
  test('errors too small to scrap anything by themselves are in what is left long', () => {
    const top = leaveLong[0]!
    const told = readings.flatMap((r) => r.parts).filter((p) => p.id === top.id)
    expect(top.byMm!).toBeGreaterThanOrEqual(Math.ceil(told.reduce((s, p) => s + p.shortMm, 0) - 1e-6))
  })
  test('a bent hoop is never left long: it is named to be read again', () => {
    const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!
    const bent = wholeOf(hive, defaultRules).assembly.members.find((m) => m.path.length > 2)!
    expect(atStake(hive, defaultRules).leaveLong.find((l) => l.id === bent.id)?.byMm ?? null).toBeNull()
  })
})

test('a figure nobody knows is no reading; a place nobody speaks for counts as assumed, and so scraps more', () => {
  const roof = readingsOf({ ...survey.vehicle, roofHeightMm: { ...survey.vehicle.roofHeightMm, value: null } })
  expect(roof.some((r) => r.id === 'roofHeightMm')).toBe(false)
  const unsaid = {
    ...rack,
    vehicle: {
      ...rack.vehicle,
      mounts: rack.vehicle.mounts.map((m) => ({ ...m, taken: { ...m.taken, method: 'unknown' as const, toleranceMm: null } })),
    },
  }
  // ±50 each side at both ends, and the hair
  expect(atStake(unsaid, defaultRules).leaveLong[0]!.byMm).toBe(101)
})

test('a part with another number of holes, or gone, is another part', () => {
  const cut = (barXMm: number[]) => partsAsCut(wholeOf(withRack(rack, { barXMm }), defaultRules).assembly, defaultRules)
  const [two, three] = [cut([0, 1000]), cut([0, 500, 1000])]
  const last = [...three.values()].at(-1)!
  expect(differs(last, two.get('none')).other).toBe(true)
  expect(differs({ ...last, places: [{ x: 1, y: 0 }] }, last).other).toBe(last.places.length !== 1)
})

test('left long by hand: 3 × 1.2 and 3 × 0.8 and 1 as made are 7 at worst, √(3.6² + 2.4² + 1) likely', () => {
  const found = leaveLongCalculator.run(leaveLongCalculator.input.parse(leaveLongCalculator.example), undefined as never)
  expect(found.worstMm).toBeCloseTo(7, 9)
  expect(found.likelyMm).toBeCloseTo(4.4407, 3)
  expect(found.leaveLongMm).toBe(7)
  expect(found.ranked.map((r) => [r.name, Math.round(r.sharePercent)])).toEqual([
    ['Half width at the rear', 69],
    ['Half width at the front', 31],
  ])
})
