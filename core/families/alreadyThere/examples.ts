import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Vehicle } from '../../vehicle/vehicle'
import { ThereParams } from './params'

const [van, pickup] = demoVehicles

export const thereExamples: { name: string; vehicle: Vehicle; params: ThereParams }[] = [
  {
    name: 'a bought pair of bars on a gutter, rated by its maker',
    vehicle: van,
    params: ThereParams.parse({
      name: 'Bought bars',
      where: 'gutter',
      massKg: 14,
      feet: 4,
      xMm: 700,
      zMm: 2620,
      fromXMm: 150,
      toXMm: 1250,
      widthMm: 1560,
      bottomZMm: 2565,
      topZMm: 2680,
      barsXMm: [200, 1200],
      barsZMm: 2680,
      ratedKg: 75,
      ratedBy: 'its leaflet',
    }),
  },
  {
    name: 'a carrier in the receiver of which only the mass is known',
    vehicle: pickup,
    params: ThereParams.parse({ name: 'Carrier', where: 'receiver', massKg: 20 }),
  },
]
