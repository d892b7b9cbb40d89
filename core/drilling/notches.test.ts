import { expect, test } from 'vitest'
import { familyOf } from '../families/all'
import { built } from '../testing/onSite'
import { demoVehicles } from '../vehicle/demoVehicles'
import { notchRows, notchText } from './notches'

const rack = (over = {}) =>
  built(
    familyOf('lattice')!,
    { mountId: 'gutter', footXMm: [0, 900], strips: 6, endMm: 200, notchMm: 15, stripProfileId: 'flat-40x8-steel', ...over },
    demoVehicles[0]!,
  ).assembly

test('six alike strips are one packet of 48, each notch one cut across it', () => {
  const rows = notchRows(rack())
  expect(rows.map((r) => [r.marks.join(' '), r.packetMm, r.lengthMm])).toEqual([['S1 S2 S3 S4 S5 S6', 48, expect.closeTo(1284, 6)]])
  expect(notchText(rows[0]!, (mm) => mm.toFixed(1))).toBe('192.0, 1092.0: 31.0 wide, 15.0 deep from below')
})
test('a strip that is notched otherwise is by itself, each notch with its own size', () => {
  const a = rack()
  const [first, ...rest] = a.members.filter((m) => m.notches)
  const odd = { ...first!, notches: first!.notches!.map((n, i) => (i ? { ...n, depthMm: 10 } : n)) }
  const rows = notchRows({ members: [odd, ...rest] })
  expect(rows.map((r) => r.marks.length)).toEqual([1, 5])
  expect(notchText(rows[0]!, (mm) => mm.toFixed(0))).toBe('192: 31 wide, 15 deep from below; 1092: 31 wide, 10 deep from below')
})
test('nothing notched, nothing listed', () => expect(notchRows({ members: rack().members.filter((m) => !m.notches) })).toEqual([]))
