import { BasketParams } from '../../families/hoopBasket/params'
import { SwingOutParams } from '../../families/swingOut/params'
import { nextPlace } from '../../pieces/piece'
import { METRIC } from '../../quantity/units'
import { RunSchema } from '../../wiring/runs'
import { type Job, newJob } from '../job'
import { item, plain, wagon, withBrief } from './parts'

export const sparLoft: Job = {
  ...withBrief(
    newJob('Hoop basket and lamps', wagon, METRIC),
    {
      clientName: 'Spar and sail loft',
      contact: 'loft telephone',
      vehicleUse: 'Errands between loft and boatyards, the yard at night',
      loadClass: 'medium',
      howOften: 'weekly',
      road: 'rough track',
      speedKmh: 90,
      passages: [{ name: 'loft door', heightMm: 2700 }],
      asked: {
        climbs: { answer: 'no', note: '', settled: false },
        lamps: { answer: 'yes', note: 'Four for the yard at night, switch beside the handbrake', settled: true },
        behind: { answer: 'yes', note: 'The rear door, ten times a day', settled: true },
        under: { answer: 'yes', note: 'The loft door, loaded', settled: false },
        tyres: { answer: 'no', note: '', settled: false },
      },
      budgetMinor: 420_000,
      readyMadeMinor: null,
      cargo: [
        item('equipment-case', 500, 0, {
          name: 'Sail bags in a crate',
          massKg: { least: 20, most: 30 },
          on: ['p1/floor'],
          securing: { ...plain, by: 'bolts', friction: 0.4, bolts: { size: 'M8', count: 4 } },
        }),
      ],
    },
    {},
    {
      due: '2027-01-15',
      station: 'layout',
      wiring: [
        RunSchema.parse({
          ...{ id: 'run-1', name: 'Four lamps', powerW: 4 * 27, fittingId: 'p1/lamp:3', mountId: 'p1/foot:3:left', restMm: 3200 },
          ...{ colour: 'red and black', holes: 2 },
        }),
      ],
    },
  ),
  pieces: [
    {
      ...nextPlace([]),
      name: 'Hoop basket',
      family: 'hoop-basket',
      on: null,
      state: 'fitted',
      params: BasketParams.parse({
        mountId: 'gutter',
        footXMm: [-700, 0, 700, 1400],
        bendRadiusMm: 96,
        shell: true,
        lamps: 4,
        lampKg: 1.4,
        lampPriceMinor: 7900,
        crossTubes: 7,
      }),
    },
    {
      id: 'p2',
      letter: 'B',
      name: 'Spare wheel',
      family: 'swing-out',
      on: null,
      state: 'fitted',
      params: SwingOutParams.parse({
        hinge: 'right',
        behindMm: 330,
        hingeOutMm: 760,
        latchOutMm: 680,
        liftMm: 60,
        wheelMm: 735,
        wheelWideMm: 235,
        backspaceMm: 140,
        wheelKg: 26,
        spindleN: 9000,
        latchN: 4500,
        slackMm: 1.4,
      }),
    },
  ],
}
