import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runOnTable } from './plasmaTable'

describe('the simulated table', () => {
  const line = (text: string) => {
    const told = runOnTable(text)
    return 'ran' in told ? told.ran.spots.map((s) => s.says).join() : `${told.faults[0]!.where}: ${told.faults[0]!.expected}`
  }
  const START = 'G21 G90\nG0 X100 Y100\nM3\nG4 P0.5\n'
  test('100 × 100 at 1000 mm/min, half a second to pierce, 141.4 to go there at its 12 000: 24 s of cut', () => {
    const told = runOnTable(`${START}G1 X200 Y100 F1000\nG1 Y200\nG1 X100\nG1 Y100\nM5\nM30`)
    if (!('ran' in told)) throw new Error('refused')
    expect([told.ran.cutMm, told.ran.pierces]).toEqual([400, 1])
    expect(told.ran.seconds).toBeCloseTo(24 + 0.5 + (Math.SQRT2 * 100 * 60) / 12_000, 6)
  })
  test('inches are inches: an inch of arc of half a turn is π/2 of it', () => {
    const told = runOnTable('G20 G90\nG0 X1 Y1\nM3\nG4 P0\nG3 X0 Y1 I-0.5 J0 F40\nM5')
    expect('ran' in told && told.ran.cutMm / ((25.4 * Math.PI) / 2)).toBeCloseTo(1, 3)
  })
  test.each([
    [`${START}G1 X4000 Y100 F1000\nM5`, /off the bed of \{3200\}/],
    [`${START}G1 X300 F1000\nM5\nG0 X200 Y50\nM3\nG4 P1\nG1 Y150\nM5`, /cuts through an earlier cut/],
    [`${START}G1 X300 F1000\nM5\nG0 X200 Y100\nM3\nG4 P1\nG1 Y150\nM5`, /pierces on a cut that is there/],
    [`${START}G0 X300\nM5`, /moves fast with the torch on/],
    [`${START}G1 X300 F1000`, /never switched off/],
    ['G0 X1 Y1\nM3\nG1 X9 F100\nM5', /before it has pierced/],
    [`${START}G1 X200\nM5`, /line 5: a feed before/],
    [`${START}G2 X200 Y100 I10 J0 F100\nM5`, /line 5: an arc that ends on its own circle/],
    ['G21\nG5 X1', /line 2: a code this table knows: not G5/],
    ['hello there', /line 1: words of a letter and a number/],
  ])('%j', (program, why) => expect(line(program)).toMatch(why))
  test('what no sheet has is refused before it is run: too many lines, places far away, a way of kilometres', () => {
    expect(line('M5\n'.repeat(50_001))).toMatch(/the program: 50000 lines or fewer/)
    expect(line(`${START}G1 X30000 F1000`)).toMatch(/line 5: a place within 20 m/)
    expect(line(`${START}G2 X110 Y100 I5e7 J0 F1000`)).toMatch(/line 5/)
    expect(line(`${START}${'G1 X20000 F9000\nG1 X-20000\n'.repeat(200)}`)).toMatch(/the program: a way of 5 km or less/)
  })
  test('of a thousand rings in rows the one that is cut twice is found, and those beside it are not', () => {
    const ring = (x: number, y: number) => `G0 X${x + 5} Y${y}\nM3\nG4 P0\nG2 X${x + 5} Y${y} I-5 J0 F900\nM5\n`
    const rings = Array.from({ length: 1000 }, (_, i) => ring(20 + 14 * (i % 100), 20 + 14 * Math.floor(i / 100)))
    expect(line(`G21\n${rings.join('')}`)).toBe('')
    // one more, half a ring further on than the fifth
    expect(line(`G21\n${rings.join('')}${ring(20 + 14 * 4 + 5, 20)}`)).toMatch(/cuts through an earlier cut/)
  })
  test('any text is answered, and nothing throws', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        expect(typeof line(text)).toBe('string')
      }),
    )
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('G1', 'G2', 'X1', 'Y-3', 'I0', 'M3', 'M5', 'G4', 'P1', 'F', 'F100', '\n', '%', '('), { maxLength: 40 }),
        (words) => {
          expect(typeof line(words.join(' '))).toBe('string')
        },
      ),
    )
  })
})
