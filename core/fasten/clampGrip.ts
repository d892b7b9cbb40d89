import { type Figure, figure, input } from '../figure/figure'
import type { Rules } from '../rules/rules'
import { type BoltSize, boltSizes } from './bolt'

const SLIP = 1.25 // γM3, EN 1993-1-8 table 2.1
const TORQUE_FACTOR = 0.2 // K, dry: Shigley, 10th ed., table 8-15

/** What a clamp holds by grip alone: μ·n·P / (γM3·γQ), each bolt pulled by its torque, P = T / (K·d). N. */
export function clampGripN(size: BoltSize, count: number, rules: Rules): Figure {
  const pullN = (rules.clampTorqueNm * 1000) / (TORQUE_FACTOR * boltSizes[size].diameterMm)
  return figure(
    {
      id: 'clamp.grip',
      name: `Grip of ${count} bolts ${size} at ${rules.clampTorqueNm} N·m`,
      unit: 'N',
      formula: 'F = μ·n·P / (γM3·γQ), P = T / (K·d)',
      source: 'EN 1993-1-8, 3.9.1; Shigley, 10th ed., eq. 8-27',
      assumes: ['one gripping face counts'],
      with: [
        input('μ', 'friction', rules.clampFriction, ''),
        input('n', 'bolts', count, ''),
        input('T', 'torque', rules.clampTorqueNm, 'N·m'),
        input('K', 'torque factor, dry', TORQUE_FACTOR, ''),
        input('d', 'bolt diameter', boltSizes[size].diameterMm, 'mm'),
        input('P', 'pull in one bolt', pullN, 'N'),
        input('γM3', 'partial factor', SLIP, ''),
        input('γQ', 'load factor', rules.loadFactor, ''),
      ],
    },
    () => (rules.clampFriction * count * pullN) / (SLIP * rules.loadFactor),
  )
}
