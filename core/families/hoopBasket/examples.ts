import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Vehicle } from '../../vehicle/vehicle'
import { BasketParams } from './params'

const [van, , camper] = demoVehicles as [Vehicle, Vehicle, Vehicle, ...Vehicle[]]

export const basketExamples: { name: string; vehicle: Vehicle; params: BasketParams }[] = [
  {
    name: 'on gutters, mesh floor, lamp shell with four lamps',
    vehicle: van,
    params: BasketParams.parse({
      mountId: 'gutter',
      footXMm: [600, 1500, 2400],
      bendRadiusMm: 96,
      shell: true,
      lamps: 4,
      lampKg: 1.4,
      lampPriceMinor: 7900,
    }),
  },
  {
    name: 'aluminium on tracks, slats, no lamps, raw',
    vehicle: camper,
    params: BasketParams.parse({
      mountId: 'track',
      footXMm: [-300, 700],
      bendRadiusMm: 96,
      runnerProfileId: 'round-42x3-al6061t6',
      crossProfileId: 'round-32x2-al6061t6',
      hoopProfileId: 'round-32x2-al6061t6',
      sideProfileId: 'round-25x2-al6061t6',
      floor: 'slats',
      crossTubes: 4,
      frontLeanDeg: 0,
      finish: 'raw',
    }),
  },
  {
    name: 'open floor, low sides without bars',
    vehicle: van,
    params: BasketParams.parse({
      mountId: 'gutter',
      footXMm: [-900, 0, 900],
      bendRadiusMm: 75,
      sideMm: 160,
      sideBars: false,
      floor: 'open',
      crossTubes: 5,
    }),
  },
]
