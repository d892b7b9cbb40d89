import { GuardParams } from '../../families/cabGuard/params'
import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { item, pickup, rings, strapped, withBrief } from './parts'

export const oysterGrower: Job = withBrief(
  newJob('Basket crate bars', pickup, METRIC),
  {
    clientName: 'Oyster grower at Low Ebb',
    contact: 'via the slip foreman',
    vehicleUse: 'Beach access at low water, daily in season',
    loadClass: 'heavy',
    howOften: 'daily',
    road: 'rough track',
    speedKmh: 80,
    passages: [{ name: 'packing shed', heightMm: 2600 }],
    budgetMinor: 240_000,
    readyMadeMinor: null,
    cargo: [item('oyster-baskets', 1530, 0, { securing: strapped([300, -300], ['forward']) })],
  },
  { mountId: 'points', barXMm: [1180, 1880], profileId: 'rect-30x60x2-al6063t6', overhangMm: 50, footHeightMm: 70, finish: 'painted' },
  { due: '2027-01-08', anchors: [rings], station: 'loads' },
  {
    name: 'Guard and crate rails',
    family: 'cab-guard',
    params: GuardParams.parse({
      baseMm: 1400,
      heightMm: 720,
      profileId: 'square-50x4-steel',
      ringsMm: [420, 840, 1260],
      ringN: 6000,
      winch: true,
      winchKg: 14,
      winchN: 2500,
      winchPriceMinor: 38_000,
      loadKg: 260,
      slopeDeg: 16,
      finish: 'painted',
    }),
  },
)
