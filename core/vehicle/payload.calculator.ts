import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, positive } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { axleLoads, payloadLeft } from './masses'

const kg = (title: string) => z.number().min(0).max(50_000).meta({ title, unit: 'kg' })

export const payloadCalculator = calculator({
  name: 'payload',
  title: 'Axles, centre of mass, payload left',
  about: 'A vehicle with what it carries: load on each axle, place of the centre of mass, and what gross mass and axles still leave.',
  formula: 'front = Σ m·x / L; rear = Σ m·(1 − x/L); left = least of limit − load',
  source: 'levers about the axles (statics)',
  input: z.object({
    kerbFrontKg: kg('Kerb mass on front axle'),
    kerbRearKg: kg('Kerb mass on rear axle'),
    wheelbaseMm: positive('Wheelbase'),
    kerbCentreZMm: positive('Height of the centre of mass').nullable(),
    grossKg: kg('Gross vehicle mass').nullable(),
    frontAxleKg: kg('Front axle limit').nullable(),
    rearAxleKg: kg('Rear axle limit').nullable(),
    items: z
      .array(z.object({ name: z.string().max(120), massKg: kg('Mass'), xMm: any('Forward of rear axle'), zMm: any('Above ground') }))
      .max(200),
  }),
  output: z.object({
    totalKg: number,
    frontKg: number,
    rearKg: number,
    centreXMm: number,
    centreZMm: number.nullable(),
    grossLeftKg: number.nullable(),
    frontLeftKg: number.nullable(),
    rearLeftKg: number.nullable(),
    leftKg: number.nullable(),
  }),
  example: {
    kerbFrontKg: 1185,
    kerbRearKg: 965,
    wheelbaseMm: 3660,
    kerbCentreZMm: 790,
    grossKg: 3500,
    frontAxleKg: 1850,
    rearAxleKg: 2100,
    items: [
      { name: 'two people', massKg: 160, xMm: 2400, zMm: 1100 },
      { name: 'water tank', massKg: 90, xMm: -300, zMm: 700 },
      { name: 'rack and cargo', massKg: 100, xMm: 900, zMm: 2800 },
    ],
  },
  run: (v) => {
    const loads = axleLoads(v)
    if (loads.totalKg <= 0) throw new Impossible('the vehicle weighs nothing: give its kerb masses')
    return { ...loads, ...payloadLeft(loads, v) }
  },
})
