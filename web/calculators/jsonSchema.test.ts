import { describe, expect, test } from 'vitest'
import { calculators, inputJsonSchema } from '../../core/calculators/registry'
import { blank, type JsonSchema, nameAndUnit } from './jsonSchema'

describe.each(calculators.map((c) => [c.name, inputJsonSchema(c) as JsonSchema, c.example as Record<string, unknown>] as const))(
  'the form of %s',
  (_, schema, example) => {
    test('has a field for everything its example fills', () => {
      for (const key of Object.keys(example)) expect(Object.keys(schema.properties ?? {})).toContain(key)
    })
    test('begins with something of the right form in every field', () => {
      const start = blank(schema) as Record<string, unknown>
      for (const key of schema.required ?? []) expect(start).toHaveProperty(key)
    })
  },
)

test.each([
  ['secondMomentMm4', 'Second moment', 'mm⁴'],
  ['elasticMPa', 'Elastic', 'MPa'],
  ['maxMomentNmm', 'Max moment', 'N·mm'],
  ['massKgPerM', 'Mass', 'kg/m'],
  ['forceN', 'Force', 'N'],
  ['roofMovingKg', 'Roof moving', 'kg'],
  ['openDeg', 'Open', '°'],
  ['kerf', 'Kerf', 'mm'],
  ['cost', 'Cost', ''],
])('%s is shown as “%s” in %s', (key, name, unit) => expect(nameAndUnit(key)).toEqual({ name, unit }))

test('a title and unit of the schema come before what the name says', () =>
  expect(nameAndUnit('xMm', { title: 'Along', unit: 'mm' })).toEqual({ name: 'Along', unit: 'mm' }))
test('a choice that may be nothing begins as nothing; a list begins empty; an enum with its first', () => {
  expect(blank({ anyOf: [{ type: 'number' }, { type: 'null' }] })).toBeNull()
  expect(blank({ type: 'array', items: { type: 'number' } })).toEqual([])
  expect(blank({ enum: ['metric', 'inch'] })).toBe('metric')
  expect(blank({ type: 'object', properties: { a: { type: 'number', default: 3 }, b: { type: 'string' } }, required: ['a'] })).toEqual({
    a: 3,
  })
})
