import { BarMountsParams } from '../../families/barMounts/params'
import type { Piece } from '../../pieces/piece'
import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { beside, item, rings, strapped, van, withBrief } from './parts'

export const quayKitchen: Job = {
  ...withBrief(
    newJob('Awning for the quay kitchen', van, METRIC),
    {
      clientName: 'Quay kitchen',
      contact: 'Hatch on the fish quay, before noon',
      vehicleUse: 'Soup and bread at markets along the coast',
      loadClass: 'light',
      howOften: 'weekly',
      road: 'road',
      speedKmh: 100,
      passages: [{ name: 'market hall gate', heightMm: 3000 }],
      budgetMinor: 160_000,
      readyMadeMinor: 119_000,
      readyMadeNote: 'bought brackets, no bars',
      cargo: [
        item('equipment-case', 660, 0, {
          name: 'Folding tables, strapped flat',
          massKg: { least: 16, most: 18 },
          massBasis: 'weighed',
          heightMm: 120,
          securing: strapped([200, -200], ['forward', 'rear']),
        }),
      ],
    },
    {},
    { due: '2027-02-12', anchors: [rings], station: 'layout' },
  ),
  pieces: [
    {
      name: 'Awning bars',
      family: 'bar-mounts',
      params: BarMountsParams.parse({
        mountId: 'gutter',
        footXMm: [300, 1150, 2000],
        footHeightMm: 90,
        lengthMm: 2500,
        behindMm: 390,
        massKg: 21.5,
        opensMm: 2000,
        windRatedKmh: 38,
        priceMinor: 38_000,
        hangs: 'up',
        wideMm: 120,
        thicknessMm: 5,
      }),
    },
  ].reduce<Piece[]>(beside, []),
}
