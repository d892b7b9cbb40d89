import { describe, expect, test } from 'vitest'
import { defaultRules } from '../rules/rules'
import type { AtStake, PartAtStake, ReadingAtStake } from './atStake'
import { mockUpFor } from './mockUp'

const part = (mark: string, costMinor: number, over: Partial<PartAtStake> = {}): PartAtStake => ({
  ...{ id: mark, mark, name: mark, shortMm: 0, longMm: 0, placesMm: 0, turnsDeg: 0, other: false, costMinor },
  ...over,
})
const reading = (label: string, parts: PartAtStake[]): ReadingAtStake => ({
  ...{ id: label, sheet: null, label, unit: 'mm', value: 1500, tolerance: 5, method: 'tape' },
  parts,
  costMinor: parts.reduce((s, p) => s + p.costMinor, 0),
})
const of = (...readings: ReadingAtStake[]) => mockUpFor({ readings, leaveLong: [] } as AtStake, { ...defaultRules, labourPerHour: 60 })

describe('the cheapest thing to hold up before metal is cut', () => {
  test('a length: a batten, five minutes at 60 an hour and half a coin of wood are 5.50, against 48 at stake', () => {
    expect(of(reading('Width', [part('B1', 1600, { shortMm: 5 }), part('B2', 3200, { shortMm: 5, longMm: 5 })]))).toMatchObject({
      kind: 'batten',
      mark: 'B2',
      minutes: 5,
      costMinor: 550,
      savesMinor: 4800,
    })
  })
  test('holes, corners or a turned cut ask for a card; another part altogether is only set out', () => {
    expect(of(reading('Height', [part('P', 9000, { placesMm: 3 })]))!.kind).toBe('card')
    expect(of(reading('Slope', [part('P', 9000, { turnsDeg: 1 })]))!.kind).toBe('card')
    expect(of(reading('Bays', [part('P', 9000, { other: true, placesMm: 3 })]))).toMatchObject({ kind: 'set out', costMinor: 2500 })
  })
  test('where it costs more than it saves the next reading is looked at; where none pays there is none', () => {
    const cheap = reading('A bracket', [part('G', 900, { placesMm: 2 })])
    expect(of(cheap)).toBeNull()
    expect(of(cheap, reading('A bar', [part('B', 800, { longMm: 4 })]))!.mark).toBe('B')
    expect(of()).toBeNull()
  })
})
