import { LatticeParams } from '../../families/lattice/params'
import type { Piece } from '../../pieces/piece'
import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { beside, item, rings, strapped, van, withBrief } from './parts'

/** A low lattice with a tent that is opened to the side while the van stands. */
export const tidePoolCamp: Job = {
  ...withBrief(
    newJob('Lattice and tent for the night counts', van, METRIC),
    {
      clientName: 'Tide-pool survey trust',
      contact: 'Survey hut, low water permitting',
      vehicleUse: 'Two people sleep on the roof between the night counts',
      loadClass: 'light',
      howOften: 'now and then',
      road: 'road',
      speedKmh: 90,
      passages: [{ name: 'headland car park bar', heightMm: 3200 }],
      budgetMinor: 220_000,
      cargo: [
        item('equipment-case', -50, 0, {
          name: 'Roof tent, soft',
          massKg: { least: 42, most: 45 },
          massBasis: 'weighed',
          lengthMm: 1200,
          widthMm: 1100,
          heightMm: 260,
          counts: 'both',
          rests: 'box',
          people: true,
          opens: true,
          openAs: { to: 'left', reachMm: 1150, highMm: 1250, windRatedKmh: 45 },
          ruleSource: 'its maker’s sheet',
          maxOverhangMm: 250,
          maxSpanMm: null,
          use: 'bedding',
          securing: strapped([350, -350], ['forward', 'rear']),
        }),
      ],
      agreedUses: ['goods', 'bedding'],
    },
    {},
    { due: '2027-03-19', anchors: [rings], station: 'loads' },
  ),
  pieces: [
    {
      name: 'Lattice',
      family: 'lattice',
      params: LatticeParams.parse({
        mountId: 'gutter',
        footXMm: [-600, -50, 500],
        strips: 6,
        riseMm: 70,
        endMm: 160,
        thicknessMm: 8,
        padMm: 70,
        topMm: 90,
        cornerMm: 110,
      }),
    },
  ].reduce<Piece[]>(beside, []),
}
