import { expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { demoJobs } from '../job/demoJobs'
import { defaultRules } from '../rules/rules'
import { assembled } from '../testing/racks'
import { hardwareOrder } from './hardwareOrder'

const bolt = { kind: 'bolt', size: 'M8', lengthMm: 40 } as const
const order = (hardware: (typeof emptyAssembly)['hardware'], sparesPercent = 10) =>
  hardwareOrder({ ...emptyAssembly, hardware }, { ...defaultRules, sparesPercent })

test('alike parts of one use stand on one line; of another use, or another length, on one of their own', () => {
  const lines = order([
    { part: bolt, quantity: 4, for: 'feet' },
    { part: bolt, quantity: 8, for: 'feet' },
    { part: bolt, quantity: 2, for: 'fairing' },
    { part: { ...bolt, lengthMm: 60 }, quantity: 2, for: 'feet' },
  ])
  expect(lines.map((l) => [l.for, l.quantity])).toEqual([
    ['feet', 12],
    ['fairing', 2],
    ['feet', 2],
  ])
})

test('spares are a tenth, and one at least: 12 bolts take 2 more, 3 take 1; with no such rule none; a backing plate is no small part', () => {
  expect(order([{ part: bolt, quantity: 12, for: 'feet' }])[0]!.spares).toBe(2)
  expect(order([{ part: bolt, quantity: 3, for: 'feet' }])[0]!.spares).toBe(1)
  expect(order([{ part: bolt, quantity: 12, for: 'feet' }], 0)[0]!.spares).toBe(0)
  expect(order([{ part: { kind: 'backing plate', sideMm: 80, thicknessMm: 5 }, quantity: 8, for: 'feet' }])[0]!.spares).toBe(0)
})

test('every demo rack: as many nuts as bolts that need one, one T-nut a bolt in a slot, nothing without a name or a count', () => {
  for (const job of demoJobs) {
    const assembly = assembled(job)
    const lines = hardwareOrder(assembly, defaultRules)
    for (const l of lines) {
      expect(l.name.length).toBeGreaterThan(3)
      expect(l.quantity).toBeGreaterThan(0)
    }
    const count = (kind: string, use: string) =>
      assembly.hardware.filter((h) => h.part.kind === kind && h.for === use).reduce((s, h) => s + h.quantity, 0)
    for (const use of new Set(assembly.hardware.map((h) => h.for))) {
      const [bolts, nuts] = [count('bolt', use), count('lock nut', use) + count('T-nut', use)]
      if (nuts) expect(nuts).toBe(bolts)
    }
  }
})
