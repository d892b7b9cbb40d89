import { ChestParams } from '../../families/chest/params'
import { HalfGuardParams } from '../../families/halfGuard/params'
import type { Piece } from '../../pieces/piece'
import { INCH } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { beside, item, pickup, withBrief } from './parts'

export const beekeeper: Job = {
  ...withBrief(
    newJob('Half guard for the hive bed', pickup, INCH),
    {
      clientName: 'Beekeeper at Fell End',
      contact: 'market stall, Saturdays',
      vehicleUse: 'Hives to the heather and back',
      loadClass: 'light',
      howOften: 'weekly',
      road: 'rough track',
      speedKmh: 70,
      passages: [{ name: 'honey barn', heightMm: 2600 }],
      budgetMinor: 240_000,
      readyMadeMinor: null,
      cargo: [
        item('equipment-case', 186, 260, {
          name: 'Smoker, suits and frames',
          massKg: { least: 22, most: 28 },
          massBasis: 'estimated',
          lengthMm: 420,
          widthMm: 400,
          heightMm: 300,
          counts: 'both',
          ruleSource: '',
          maxOverhangMm: null,
          maxSpanMm: null,
          on: ['p2/inside'],
        }),
      ],
    },
    {},
    { due: '2027-01-29', station: 'layout' },
  ),
  pieces: [
    { name: 'Half guard', family: 'half-guard', params: HalfGuardParams.parse({ bendRadiusMm: 130 }) },
    {
      name: 'Hive chest',
      family: 'chest',
      params: ChestParams.parse({
        frontMm: 330.2,
        lengthMm: 508,
        widthMm: 1066.8,
        heightMm: 406.4,
        bearerHeightMm: 25.4,
        thicknessMm: 2.03,
        dividers: 1,
        latchN: 1800,
        keyNumber: 'FE 27',
      }),
    },
  ].reduce<Piece[]>(beside, []),
}
