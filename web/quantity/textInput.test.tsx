// @vitest-environment jsdom
import { act, fireEvent, screen } from '@testing-library/react'
import { type ReactNode, useLayoutEffect, useState } from 'react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { PlaceInput } from '../shelves/rowInputs'
import { mount } from '../testing/bench'
import { TextInput } from './TextInput'

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())
/** A field whose value is set from elsewhere. */
let setValue: (value: string) => void = () => undefined
function Host({ first, of }: { first: string; of: (value: string) => ReactNode }) {
  const [value, set] = useState(first)
  setValue = set
  return of(value)
}
function held(first: string, of: (value: string) => ReactNode): (value: string) => void {
  mount(<Host first={first} of={of} />)
  return (value) => act(() => setValue(value))
}
/** As the field is drawn with its value undone, its old wait is over before anything else has run. */
function Late({ value, onChange }: { value: string; onChange: (v: string) => void }) {
  useLayoutEffect(() => {
    if (value === '') vi.advanceTimersByTime(700)
  }, [value])
  return <TextInput label="Note" value={value} onChange={onChange} />
}
const field = () => screen.getByRole<HTMLInputElement>('textbox')

describe('a field of words', () => {
  test('what was typed is taken over once, after a pause or as the field goes away', () => {
    const took: string[] = []
    const shown = mount(<TextInput label="Note" value="" onChange={(v) => took.push(v)} />)
    fireEvent.change(field(), { target: { value: 'left rail' } })
    expect(took).toEqual([])
    vi.advanceTimersByTime(800)
    expect(took).toEqual(['left rail'])
    fireEvent.change(field(), { target: { value: 'left rail, rear' } })
    shown.unmount()
    expect(took.at(-1)).toBe('left rail, rear')
  })
  test('a value that is undone from elsewhere is never put back by the field, not even in the moment between', () => {
    const took: string[] = []
    held('2026-12-31', (value) => <Late value={value} onChange={(v) => took.push(v)} />)('')
    expect(field().value).toBe('')
    vi.advanceTimersByTime(2000)
    expect(took).toEqual([])
  })
  test('what was typed, kept and then cleared from elsewhere stays cleared', () => {
    const took: string[] = []
    const set = held('', (value) => (
      <TextInput
        label="Note"
        value={value}
        onChange={(v) => {
          took.push(v)
          setValue(v)
        }}
      />
    ))
    fireEvent.change(field(), { target: { value: 'B4 shimmed' } })
    act(() => vi.advanceTimersByTime(800))
    set('')
    expect(field().value).toBe('')
    act(() => vi.advanceTimersByTime(800))
    expect([took, field().value]).toEqual([['B4 shimmed'], ''])
  })
})

test('a place on the rack that was replaced from elsewhere shows the new one, and leaving it writes nothing', () => {
  const took: string[] = []
  held('rack 1', (value) => <PlaceInput of="piece-1" value={value} note="" onChange={(v) => took.push(v)} />)('rack 2')
  expect(field().value).toBe('rack 2')
  fireEvent.blur(field())
  expect(took).toEqual([])
})
