import { describe, expect, test } from 'vitest'
import { coatedAreaM2 } from '../assembly/assembly'
import { type CoatProduct, CoatProductSchema } from '../coat/products'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { amountText } from './amount'
import { coatNeeds, paintedAreas } from './coatNeeds'

const product = (over: Partial<CoatProduct>): CoatProduct => ({ ...CoatProductSchema.parse({ id: 'p', name: 'Hard paint' }), ...over })
const painted = (finish: 'painted' | 'powder' | 'raw') =>
  builtFrom(demoJobs.find((j) => j.title.startsWith('Hoop'))!, defaultRules).pieces.map((p) => ({ ...p, finish }))
const both = product({ metals: ['steel', 'aluminium', 'stainless'], m2PerL: 7, perLMinor: 2400 })

describe('what is bought to paint with', () => {
  test('the areas of its metals are together what is painted; powder coated or raw there is nothing to buy', () => {
    const areas = paintedAreas(painted('painted'))
    const all = painted('painted').reduce((s, p) => s + coatedAreaM2(p.assembly), 0)
    expect(areas.reduce((s, a) => s + a.areaM2, 0)).toBeCloseTo(all, 9)
    expect([coatNeeds(painted('powder'), [both], defaultRules), coatNeeds(painted('raw'), [both], defaultRules)]).toEqual([[], []])
  })
  test('by hand: so many coats over the whole surface at 7 m² a litre, at its price a litre', () => {
    const all = painted('painted').reduce((s, p) => s + coatedAreaM2(p.assembly), 0)
    const [need] = coatNeeds(painted('painted'), [both], { coats: 3 })
    expect(need!.quantity).toBeCloseTo((all * 3) / 7, 9)
    expect(need).toMatchObject({ key: 'coat p', kind: 'coats', unit: 'l', minor: Math.round(((all * 3) / 7) * 2400) })
  })
  test('what a litre covers not entered: one tin that says so, and no price; no product for the metal: no line', () => {
    expect(coatNeeds(painted('painted'), [{ ...both, m2PerL: null }], defaultRules)).toMatchObject([
      { unit: 'piece', quantity: 1, minor: null },
    ])
    expect(coatNeeds(painted('painted'), [product({ metals: [] })], defaultRules)).toEqual([])
  })
  test('asked for in litres, or in quarts: 2 l are 2.1 qt', () => {
    expect([amountText(2, 'l', METRIC), amountText(2, 'l', INCH)]).toEqual(['2.0 l', '2.1 qt'])
  })
})
