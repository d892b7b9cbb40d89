import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { leastAllowanceMm, mostTabs, tabPlaces } from './tabs'

export const tabsCalculator = calculator({
  name: 'tabs-and-slots',
  title: 'Tabs and slots',
  about: 'Where the tabs of an edge stand, how long and wide their slots are, and the allowance that the kerf’s round corners ask for.',
  formula: 'slot = tab + a; width = t + a; a ≥ kerf·(1 − 1/√2)',
  source: 'corner of a square in an arc of half the kerf: geometry; least metal between tabs: shop’s own rule',
  input: z.object({
    edgeMm: positive('Edge', 'mm', 6000),
    count: z.number().int().min(1).max(40).meta({ title: 'Tabs' }),
    tabMm: positive('Length of a tab', 'mm', 500),
    throughMm: positive('Thickness of the part with the tabs', 'mm', 30),
    intoMm: positive('Thickness of the part with the slots', 'mm', 30),
    allowanceMm: zero('Allowance', 'mm', 5).default(0.5),
    kerfMm: zero('Kerf of the table', 'mm', 10).default(1.5),
  }),
  output: z.object({
    placesMm: z.array(number),
    slotLongMm: number,
    slotWideMm: number,
    tabOutMm: number,
    leastAllowanceMm: number,
    mostTabs: number,
    goesIn: z.boolean(),
  }),
  example: { edgeMm: 400, count: 3, tabMm: 40, throughMm: 4, intoMm: 4, allowanceMm: 0.5, kerfMm: 1.5 },
  run: ({ edgeMm, count, tabMm, throughMm, intoMm, allowanceMm, kerfMm }) => {
    const tabs = { count, tabMm, allowanceMm }
    const placesMm = tabPlaces(edgeMm, tabs)
    const most = mostTabs(edgeMm, tabMm)
    if (!placesMm.length) throw new Impossible(`so many tabs have no room on that edge: ${most} of that length at most, or shorter ones`)
    return {
      placesMm,
      slotLongMm: tabMm + allowanceMm,
      slotWideMm: throughMm + allowanceMm,
      tabOutMm: intoMm,
      leastAllowanceMm: leastAllowanceMm(kerfMm),
      mostTabs: most,
      goesIn: allowanceMm >= leastAllowanceMm(kerfMm) - 1e-9,
    }
  },
})
