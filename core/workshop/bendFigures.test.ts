import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Member } from '../assembly/assembly'
import { defaultRules } from '../rules/rules'
import { tubePart } from '../tube/tubeParts'
import { flushFigure, minutesFigure, throatFigure } from '../weldMap/seamFigures'
import { weldMap } from '../weldMap/weldMap'
import { cutLengthFigure, markFigure, pullFigure } from './bendFigures'
import { bendSheet } from './bendSheet'
import { demoWorkshop, WorkshopSchema } from './workshop'

const member = (wide: number, up: number, radius?: number): Member => ({
  id: 'm',
  mark: 'HF',
  name: 'hoop',
  profileId: 'round-32x2-steel',
  path: [
    { x: 0, y: wide / 2, z: 0 },
    { x: 40, y: wide / 2, z: up },
    { x: 40, y: -wide / 2, z: up },
    { x: 0, y: -wide / 2, z: 0 },
  ],
  ends: [{ kind: 'square' }, { kind: 'square' }],
  ...(radius ? { bendRadiiMm: [radius, radius] } : {}),
})

describe('the working behind what is cut and bent', () => {
  test('the working gives what is marked and cut, for any hoop: legs, radii, straights and trials are its own', () => {
    fc.assert(
      fc.property(fc.integer({ min: 500, max: 2000 }), fc.integer({ min: 150, max: 800 }), (wide, up) => {
        const part = tubePart(member(wide, up, 96), emptyAssembly)
        const sheet = bendSheet(part, demoWorkshop)!
        expect(cutLengthFigure(part).value).toBeCloseTo(part.lengthMm, 6)
        for (const s of sheet.steps) {
          expect(markFigure('HF', sheet, s.number).value).toBeCloseTo(s.markMm, 6)
          expect(pullFigure(sheet, s.number).value).toBeCloseTo(s.pullToDeg!, 9)
        }
      }),
    )
  })
  test('every input is shown by name, with the day of each trial, and the source stands under it', () => {
    const part = tubePart(member(1200, 300, 96), emptyAssembly)
    const sheet = bendSheet(part, demoWorkshop)!
    expect(pullFigure(sheet, 1).with.map((w) => w.name)).toEqual([
      'turn wanted',
      'pulled to, 2026-03-02',
      'pulled to, 2026-05-18',
      'came back to, 2026-03-02',
      'came back to, 2026-05-18',
    ])
    expect(cutLengthFigure(part).source).toMatch(/Machinery/)
    expect(pullFigure(sheet, 1).source).toMatch(/shop/i)
  })
  test('without a radius there is no cut length, and what is missing is named; without a trial nothing is pulled to', () => {
    const open = cutLengthFigure(tubePart(member(1200, 300), emptyAssembly))
    expect(open).toMatchObject({ value: null, missing: [expect.stringMatching(/no radius/)] })
    const part = tubePart(member(1200, 300, 96), emptyAssembly)
    const [bare, untried] = [WorkshopSchema.parse({}), { ...demoWorkshop, dies: demoWorkshop.dies.map((d) => ({ ...d, trials: [] })) }]
    expect(pullFigure(bendSheet(part, bare)!, 1)).toMatchObject({ value: null, missing: ['a die for this tube and radius'] })
    expect(pullFigure(bendSheet(part, untried)!, 1)).toMatchObject({ value: null, missing: ['a trial bend of this die'] })
  })
})

test('the working of a weld gives what stands in the map', () => {
  const base: Member = {
    ...member(1, 1),
    id: 'b',
    mark: 'B',
    path: [
      { x: -500, y: 0, z: 0 },
      { x: 500, y: 0, z: 0 },
    ],
  }
  const post: Member = {
    ...base,
    id: 'p',
    mark: 'P',
    path: [
      { x: 0, y: 0, z: 16 },
      { x: 0, y: 0, z: 400 },
    ],
  }
  const joint = {
    id: 'w',
    kind: 'weld' as const,
    between: ['p', 'b'] as [string, string],
    at: { x: 0, y: 0, z: 16 },
    weld: { lengthMm: 24, apartMm: 24, allRound: true },
  }
  const { seams } = weldMap({ ...emptyAssembly, members: [base, post], joints: [joint] }, demoWorkshop.welders, defaultRules)
  const [s] = seams
  // 2 of leg, 96 round: 1.41 of throat, 0.44 + 2.5 minutes
  expect(throatFigure(s!).value).toBeCloseTo(s!.throatMm, 9)
  expect(flushFigure(s!, defaultRules).value).toBeCloseTo(s!.flushThroatMm, 9)
  expect(minutesFigure(s!, defaultRules).value).toBeCloseTo(s!.minutes, 9)
  expect(minutesFigure(s!, defaultRules).value).toBeCloseTo(96 / 220 + 2.5, 9)
})
