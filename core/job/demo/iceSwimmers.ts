import { ClampOnParams } from '../../families/clampOn/params'
import { CarrierParams } from '../../families/receiverCarrier/params'
import type { Piece } from '../../pieces/piece'
import { INCH } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { beside, camper, item, withBrief } from './parts'

/** A carrier in the receiver and padded jaws clamped on its cross tubes, in inches: what is clamped on folds up with it. */
export const iceSwimmers: Job = {
  ...withBrief(
    newJob('Boards behind, by inches', camper, INCH),
    {
      clientName: 'Ice swimmers’ circle',
      contact: 'Sauna hut at the east mole',
      vehicleUse: 'Paddle boards to the lagoon and back',
      loadClass: 'light',
      howOften: 'weekly',
      road: 'road',
      speedKmh: 88,
      passages: [{ name: 'ferry ramp', heightMm: 3400 }],
      budgetMinor: 140_000,
      cargo: [
        item('equipment-case', -1602, 0, {
          name: 'Inflatable boards, two bags',
          massKg: { least: 17, most: 19 },
          massBasis: 'weighed',
          lengthMm: 500,
          widthMm: 560,
          heightMm: 200,
          rests: 'box',
          on: ['p2/jaws'],
          ruleSource: 'soft bags: a hand’s breadth',
          maxOverhangMm: 120,
          maxSpanMm: null,
        }),
      ],
    },
    {},
    { due: '2027-04-02', station: 'fit' },
  ),
  pieces: [
    {
      name: 'Carrier',
      family: 'receiver-carrier',
      params: CarrierParams.parse({ carries: 'box', trays: 2, firstBehindMm: 457.2, pitchMm: 330.2, trayLengthMm: 1320.8 }),
    },
    {
      name: 'Jaws for boards',
      family: 'clamp-on',
      on: 'p1',
      params: ClampOnParams.parse({
        what: 'boards',
        onMember: 'p1/tray:1',
        atMm: 660.4,
        packThickMm: 203.2,
        packWideMm: 609.6,
        padMm: 25.4,
        earWideMm: 50.8,
        tubeProfileId: 'round-32x2-steel',
      }),
    },
  ].reduce<Piece[]>(beside, []),
}
