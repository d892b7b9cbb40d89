import { PanelParams } from '../../families/panel/params'
import type { Piece } from '../../pieces/piece'
import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { beside, camper, item, withBrief } from './parts'

/** Not yet tried what hangs on it, and no sheet of the rivet nuts asked for: what is open says so. */
export const dronePanel: Job = {
  ...withBrief(
    newJob('Slotted wall for the flight kit', camper, METRIC),
    {
      clientName: 'Drone mapping pair',
      contact: 'by letter, van at the north mole',
      vehicleUse: 'Propellers, straps and chargers at hand beside the bed',
      loadClass: 'light',
      howOften: 'daily',
      road: 'road',
      speedKmh: 110,
      passages: [{ name: 'home car port', heightMm: 3050 }],
      budgetMinor: 45_000,
      readyMadeMinor: 39_000,
      readyMadeNote: 'a panel on sale, for another van, without its screws',
      cargo: [
        item('equipment-case', -430, 770, {
          name: 'Propeller case',
          massKg: { least: 4, most: 5 },
          massBasis: 'weighed',
          lengthMm: 520,
          widthMm: 150,
          heightMm: 260,
          counts: 'both',
          ruleSource: '',
          maxOverhangMm: null,
          maxSpanMm: null,
          on: ['p1/field:0'],
        }),
      ],
    },
    {},
    { due: '2027-01-15', station: 'cut' },
  ),
  pieces: [
    {
      name: 'Wall panel',
      family: 'panel',
      params: PanelParams.parse({
        fromMm: 180,
        lengthMm: 1500,
        lowMm: 430,
        heightMm: 640,
        topMm: [70, 40, 20, 8, 0, 0],
        gapsMm: [18, 15, 24],
        offMm: [1.5, 2],
        split: 'jog',
        splitMm: 780,
        hangKg: null,
      }),
    },
  ].reduce<Piece[]>(beside, []),
}
