// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { useState } from 'react'
import { describe, expect, test } from 'vitest'
import { calculatorOf, calculators, inputJsonSchema } from '../../core/calculators/registry'
import { mount } from '../testing/bench'
import type { JsonSchema } from './jsonSchema'
import { SchemaForm } from './SchemaForm'

type Held = { value: Record<string, unknown> }
function Form({ name, held }: { name: string; held: Held }) {
  const c = calculatorOf(name)!
  const [value, set] = useState<unknown>(c.example)
  held.value = value as Held['value']
  return <SchemaForm schema={inputJsonSchema(c) as JsonSchema} value={value} onChange={set} field="" />
}
function form(name: string) {
  const held: Held = { value: {} }
  return { held, schema: calculatorOf(name)!.input, ...mount(<Form name={name} held={held} />) }
}

test.each(calculators.map((c) => c.name))('%s: its form shows its example, and what the form holds is still a good input', (name) => {
  const { held, schema } = form(name)
  expect(screen.getAllByRole('textbox').length).toBeGreaterThan(0)
  expect(schema.safeParse(held.value).success).toBe(true)
})

describe('fields made from a schema', () => {
  test('a choice, a figure with its unit, a switch', async () => {
    const { held, user } = form('bolt')
    await user.click(screen.getByRole('combobox', { name: 'Grade' }))
    await user.click(screen.getByRole('option', { name: 'A4-80' }))
    const pull = screen.getByRole('textbox', { name: 'Pull on it' })
    await user.clear(pull)
    await user.type(pull, '2 kN{Enter}')
    await user.click(screen.getByRole('switch', { name: 'Threads oiled' }))
    expect(held.value).toMatchObject({ grade: 'A4-80', tensionN: 2000, oiled: true })
  })
  test('one of several shapes brings its own fields', async () => {
    const { held, user } = form('section')
    await user.click(screen.getByRole('combobox', { name: /shape/i }))
    await user.click(screen.getByRole('option', { name: 'round' }))
    expect(held.value.shape).toMatchObject({ kind: 'round' })
    expect(screen.getByRole('textbox', { name: /outside diameter/i })).toBeTruthy()
  })
  test('supports are switches along and about the axes; what may be left out is set and left out again', async () => {
    const { held, user } = form('frame')
    const nodes = () => held.value.nodes as { fixed: boolean[]; springs?: number[] }[]
    await user.click(screen.getAllByRole('switch', { name: 'about y' })[0])
    expect(nodes()[0].fixed).toEqual([true, true, true, true, false, true])
    await user.click(screen.getAllByRole('button', { name: 'Set springs' })[0])
    expect(nodes()[0].springs).toEqual([0, 0, 0, 0, 0, 0])
    await user.click(screen.getByRole('button', { name: 'Leave springs out' }))
    expect(nodes()[0]).not.toHaveProperty('springs')
  })
  test('a row is added to a list and taken out again', async () => {
    const { held, user } = form('strap-plan')
    const rows = () => (held.value.straps as unknown[]).length
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(rows()).toBe(3)
    await user.click(screen.getByRole('button', { name: /Remove .* 3/ }))
    expect(rows()).toBe(2)
  })
  test('a figure that may be unknown is emptied to nothing, not to zero', async () => {
    const { held, user } = form('tongue-and-carrier')
    const tongue = screen.getByRole('textbox', { name: /Tongue rating/ })
    await user.clear(tongue)
    await user.tab()
    expect(held.value.tongueKg ?? null).toBeNull()
  })
})
