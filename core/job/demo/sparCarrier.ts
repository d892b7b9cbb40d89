import { INCH } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { item, rings, strapped, van, withBrief } from './parts'

/** The loft's van is another of the same kind, with a lower fan under its bars. */
const lowFan = { ...van, obstacles: van.obstacles.map((o) => ({ ...o, heightMm: 52 })) }

export const sparCarrier: Job = withBrief(
  newJob('Spar carrier', lowFan, INCH),
  {
    clientName: 'Spar and sail loft',
    contact: 'loft telephone',
    vehicleUse: 'Masts to and from the boatyards',
    loadClass: 'light',
    howOften: 'weekly',
    road: 'road',
    speedKmh: 90,
    passages: [{ name: 'loft door', heightMm: 3350 }],
    budgetMinor: 140_000,
    readyMadeMinor: null,
    cargo: [
      item('spar', 875, 0, { name: 'Spar 20 ft', securing: strapped([1700, 600, -600, -1700], [], { friction: 0.4 }) }),
      item('ladder', 700, 480, { securing: strapped([1100, 0, -1100]) }),
    ],
  },
  {
    mountId: 'gutter',
    barXMm: [-850, 300, 1740, 2600],
    profileId: 'square-40x3-steel',
    sideRails: true,
    railProfileId: 'round-25x2-steel',
    build: 'welded',
  },
  { due: '2026-11-27', anchors: [rings], station: 'cut' },
)
