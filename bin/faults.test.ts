import { describe, expect, test } from 'vitest'
import { faultsIn } from './faults'

const planted = (text: string) => faultsIn('a.ts', text).map((f) => `${text.slice(0, f.start)}${f.is}${text.slice(f.end)}`)

describe('faults that can be planted', () => {
  test('an operator turned, and a factor half as large again', () =>
    expect(planted('const x = a * 2').sort()).toEqual(['const x = a * 3', 'const x = a / 2']))
  test('a bound swapped where it is a number’s, not a schema’s', () => {
    expect(planted('const x = Math.max(a, b)')).toEqual(['const x = Math.min(a, b)'])
    expect(planted('const x = z.number().max(5)')).toEqual([])
  })
  test('comparisons turn to what they exclude, and or becomes and', () =>
    expect(planted('if (a < b || c) d()').sort()).toEqual(['if (a < b && c) d()', 'if (a >= b || c) d()']))
  test('words and types are left alone: what a message says is not what is computed', () => {
    expect(planted("const s = 'a' + b")).toEqual([])
    expect(planted(['const s = `$', '{a + b} mm`'].join(''))).toEqual([])
    expect(planted('type A = B | C')).toEqual([])
  })
  test('each says its line and what stood there', () =>
    expect(faultsIn('core/x.ts', 'const a = 1\nconst b = a - c')).toEqual([
      { file: 'core/x.ts', line: 2, start: 24, end: 25, was: '-', is: '+' },
    ]))
})
