import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Vehicle } from '../../vehicle/vehicle'
import { GuardParams } from './params'

const pickup = demoVehicles[1]
const pocketed: Vehicle = {
  ...pickup,
  measures: {
    ...pickup.measures,
    'bed.pocketFirst': { ...pickup.measures['bed.length']!, value: 120 },
    'bed.pocketPitch': { ...pickup.measures['bed.length']!, value: 560 },
  },
}

export const guardExamples: { name: string; vehicle: Vehicle; params: GuardParams }[] = [
  { name: 'steel with mesh, bolted through the rails', vehicle: pickup, params: GuardParams.parse({}) },
  {
    name: 'rings and a winch, clamped under the lip',
    vehicle: pickup,
    params: GuardParams.parse({
      hold: 'clamped under the lip',
      baseMm: 1400,
      ringsMm: [200, 700, 1200],
      ringN: 6000,
      winch: true,
      winchKg: 14,
      winchN: 9000,
      winchPriceMinor: 38_000,
      loadKg: 420,
      slopeDeg: 18,
    }),
  },
  {
    name: 'aluminium with slats in the stake pockets, upright posts',
    vehicle: pocketed,
    params: GuardParams.parse({
      hold: 'in the stake pockets',
      baseMm: 1300,
      leanFrom: 'typed',
      leanDeg: 0,
      profileId: 'square-40x3-al6061t6',
      baseProfileId: 'square-40x3-al6061t6',
      fill: 'slats',
      gussets: false,
      lampTabs: 0,
      finish: 'raw',
    }),
  },
]
