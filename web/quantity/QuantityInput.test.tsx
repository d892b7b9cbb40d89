// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { useState } from 'react'
import { describe, expect, test } from 'vitest'
import { INCH, METRIC } from '../../core/quantity/units'
import { mount } from '../testing/bench'
import { MoneyInput } from './MoneyInput'
import { QuantityInput } from './QuantityInput'
import { TextInput } from './TextInput'

type Given = Partial<Parameters<typeof QuantityInput>[0]>
function Held({ start, seen, ...more }: { start: number | null; seen: (number | null)[] } & Given) {
  const [value, set] = useState(start)
  return (
    <QuantityInput
      label="Length"
      value={value}
      onChange={(v) => {
        seen.push(v)
        set(v)
      }}
      {...more}
    />
  )
}
const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Length' })
const held = (start: number | null, more: Given = {}, units = METRIC) => {
  const seen: (number | null)[] = []
  return { seen, ...mount(<Held start={start} seen={seen} {...more} />, units) }
}

describe('the one field for every measure', () => {
  test.each([
    ['1.57 m', 1570],
    ['84 - 2*10', 64],
    ['61 5/8 in', 1565.275],
  ])('reads “%s” as %d mm', async (typed, mm) => {
    const { user, seen } = held(1000)
    await user.clear(field())
    await user.type(field(), `${typed}{Enter}`)
    expect(seen).toEqual([expect.closeTo(mm, 6)])
  })
  test('in an inch job a bare number is inches and is shown as a fraction', async () => {
    const { user, seen } = held(1000, {}, INCH)
    expect(field().value).toBe('39 3/8')
    await user.clear(field())
    await user.type(field(), '40 1/2{Enter}')
    expect(seen[0]).toBeCloseTo(1028.7, 6)
  })
  test('a wrong text stays and is explained; Escape brings the old figure back, and nothing was changed', async () => {
    const { user, seen } = held(1000)
    await user.clear(field())
    await user.type(field(), '12 x{Enter}')
    expect(field().value).toBe('12 x')
    expect(screen.getByText(/“x” is not a unit of length/)).toBeTruthy()
    await user.keyboard('{Escape}')
    expect(field().value).toBe('1000')
    expect(seen).toEqual([])
  })
  test('what is out of range says the range in the job’s units and is not taken', async () => {
    const { user, seen } = held(100, { min: 50, max: 200 })
    await user.clear(field())
    await user.type(field(), '300{Enter}')
    expect(screen.getByText('use 200 mm or less')).toBeTruthy()
    await user.clear(field())
    await user.type(field(), '10{Enter}')
    expect(screen.getByText('use 50 mm or more')).toBeTruthy()
    expect(seen).toEqual([])
  })
  test('empty means unknown where that is allowed, and is refused where it is not', async () => {
    const one = held(100, { optional: true })
    await one.user.clear(field())
    await one.user.tab()
    expect(one.seen).toEqual([null])
    one.unmount()
    const other = held(100)
    await other.user.clear(field())
    await other.user.tab()
    expect(screen.getByText('a figure is needed here')).toBeTruthy()
    expect(other.seen).toEqual([])
  })
  test('arrow keys step by a millimetre, by ten with Shift, in an inch job by its fraction; never past the range', async () => {
    const { user, seen, unmount } = held(100, { max: 105 })
    await user.click(field())
    await user.keyboard('{ArrowUp}{Shift>}{ArrowUp}{/Shift}')
    expect(seen).toEqual([101, 105])
    unmount()
    const inch = held(254, {}, INCH)
    await inch.user.click(field())
    await inch.user.keyboard('{ArrowDown}')
    expect(inch.seen[0]).toBeCloseTo(254 - 25.4 / 16, 9)
  })
  test('looking at a figure never rounds it: entering and leaving changes nothing', async () => {
    const { user, seen } = held(1565.275, {}, INCH)
    await user.click(field())
    await user.tab()
    expect(seen).toEqual([])
  })
})

test('money is typed in whole units and kept in minor ones', async () => {
  const seen: (number | null)[] = []
  const { user } = mount(<MoneyInput label="Price" value={1250} onChange={(v) => seen.push(v)} />)
  const price = screen.getByRole<HTMLInputElement>('textbox', { name: 'Price' })
  expect(price.value).toBe('12.50')
  await user.clear(price)
  await user.type(price, '13.75{Enter}')
  expect(seen).toEqual([1375])
})

test('words are taken over when the field is left; a needed one that is empty says so and keeps the old', async () => {
  const seen: string[] = []
  const { user } = mount(<TextInput label="Name" value="Cab" required="give it a name" onChange={(v) => seen.push(v)} />)
  const name = screen.getByRole('textbox', { name: 'Name' })
  await user.clear(name)
  await user.tab()
  expect(screen.getByText('give it a name')).toBeTruthy()
  expect(seen).toEqual([])
  await user.type(name, 'Bed')
  await user.tab()
  expect(seen).toEqual(['Bed'])
})
