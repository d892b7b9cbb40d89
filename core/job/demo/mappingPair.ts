import { placed } from '../../brief/placeCargo'
import { accessories } from '../../catalogue/accessories'
import { CarrierParams } from '../../families/receiverCarrier/params'
import { type Inside, InsideSchema, InsideThingSchema } from '../../inside/inside'
import { stow } from '../../inside/stow'
import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { bolted, camper, item, plain, withBrief } from './parts'

/** In winter the pair take friends and four bicycles along inside. */
const fourBicycles: Inside = InsideSchema.parse({
  ...{ lengthMm: 2610, widthMm: 1765, heightMm: 1850, archWidthMm: 0 },
  ...{ doorSide: 'right', doorFromMm: 640, doorLengthMm: 1180, doorHeightMm: 1620 },
  things: [
    ...[0, 1, 2, 3].map((i) => ({
      ...{ id: `bicycle-${i + 1}`, name: `Bicycle ${i + 1}`, kind: 'bicycle', lengthMm: 1810, widthMm: 680, heightMm: 1060 },
      ...{ barBehindMm: 530, barHeightMm: 980, pedalsWideMm: 365, pedalsBehindMm: 830 },
    })),
    { id: 'box-1', name: 'Batteries', kind: 'box', lengthMm: 600, widthMm: 400, heightMm: 320, massKg: 34, bearsKg: 40 },
  ],
})

const stowed = stow(fourBicycles)?.things ?? fourBicycles.things
const onBatteries = stowed.find((t) => t.id === 'box-1')?.place ?? null
const winterBicycles: Inside = {
  ...fourBicycles,
  things: [
    ...stowed,
    InsideThingSchema.parse({
      ...{ id: 'box-2', name: 'Drone case', kind: 'box', lengthMm: 480, widthMm: 340, heightMm: 260, massKg: 9 },
      place: onBatteries && { ...onBatteries, xMm: onBatteries.xMm + 60, zMm: 320 },
    }),
  ],
}
export const mappingPair: Job = withBrief(
  newJob('Panel and box bars', camper, METRIC),
  {
    clientName: 'Drone mapping pair',
    contact: 'by letter, van at the north mole',
    vehicleUse: 'Weeks away, sleeping below, batteries charged from the roof',
    loadClass: 'medium',
    howOften: 'daily',
    road: 'road',
    speedKmh: 110,
    passages: [{ name: 'home car port', heightMm: 3050 }],
    budgetMinor: 170_000,
    readyMadeMinor: 152_000,
    readyMadeNote: 'two bars, a box and a bought carrier',
    cargo: [
      item('solar-panel', 1500, 0, { securing: bolted(8, 'M6') }),
      item('cargo-box', -150, 0, { lengthMm: 1300, massKg: { least: 30, most: 42 }, securing: bolted(8, 'M8') }),
      ...[0, 1].map((tray) =>
        placed(accessories.find((a) => a.id === 'bicycle')!, `bicycle-${tray + 1}`, -1440 - 280 * tray, 0, {
          name: tray ? 'Bicycle, hers' : 'Bicycle, his',
          massKg: { least: 15, most: 15 },
          massBasis: 'weighed',
          on: [`p2/tray:${tray}`],
          securing: {
            ...plain,
            straps: (['forward', 'rear', 'left', 'right'] as const).map((way) => ({
              wllKg: 150,
              anchorId: `p2/strap:${tray}:${way === 'left' || way === 'forward' ? 'left' : 'right'}`,
              angleDeg: 35,
              way,
              atMm: 0,
            })),
          },
        }),
      ),
    ],
  },
  { mountId: 'track', barXMm: [-550, 250, 960, 1500, 2040], profileId: 'square-30x2-al6063t6', footHeightMm: 60 },
  { due: '2026-12-18', station: 'hand-over', inside: winterBicycles },
  {
    name: 'Bicycle carrier',
    family: 'receiver-carrier',
    params: CarrierParams.parse({ pitchMm: 280, trayLengthMm: 1300, strapPointN: 1500 }),
  },
)
