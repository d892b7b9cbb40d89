import { type BoltSize, boltSizes } from '../catalogue/bolts'
import { type Figure, figure } from '../figure/figure'
import type { Rules } from '../rules/rules'

const SLIP = 1.25 // γM3, EN 1993-1-8 table 2.1
const TORQUE_FACTOR = 0.2 // K, dry: Shigley, 10th ed., table 8-15

/** What a clamp holds by grip alone: μ·n·P / (γM3·γQ), each bolt pulled by its torque, P = T / (K·d). N. */
export function clampGripN(size: BoltSize, count: number, rules: Rules): Figure {
  return figure(
    {
      id: 'clamp.grip',
      name: `Grip of ${count} bolts ${size}`,
      unit: 'N',
      formula: 'F = μ·n·P / (γM3·γQ), P = T / (K·d)',
      source: 'EN 1993-1-8, 3.9.1; Shigley, 10th ed., eq. 8-27',
      assumes: ['one gripping face counts'],
      with: {
        μ: [rules.clampFriction, '', 'friction'],
        n: [count, '', 'bolts'],
        T: [rules.clampTorqueNm * 1000, 'N·mm', 'torque'],
        K: [TORQUE_FACTOR, '', 'torque factor, dry'],
        d: [boltSizes[size].diameterMm, 'mm', 'bolt diameter'],
        γM3: [SLIP, '', 'partial factor'],
        γQ: [rules.loadFactor, '', 'load factor'],
      },
    },
    ({ μ, n, T, K, d, γM3, γQ }) => (μ * n * (T / (K * d))) / (γM3 * γQ),
  )
}
