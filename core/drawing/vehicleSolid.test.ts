import { describe, expect, test } from 'vitest'
import { demoVehicles } from '../vehicle/demoVehicles'
import { vehicleSolid } from './vehicleSolid'

describe.each(demoVehicles.map((v) => [v.name, v] as const))('%s in the round', (_, vehicle) => {
  const solid = vehicleSolid(vehicle)
  const all = [...solid.paint, ...solid.glass, ...solid.lamps]
  test('every triangle has its corners, and every corner is a number', () => {
    for (const m of all) {
      expect(m.positions.every(Number.isFinite)).toBe(true)
      expect(m.indices.length).toBeGreaterThan(0)
      expect(Math.max(...m.indices)).toBeLessThan(m.positions.length / 3)
    }
  })
  test('the same left and right, no wider than it was measured, as long as its side view', () => {
    const ys = solid.paint.flatMap((m) => m.positions.filter((_, i) => i % 3 === 1))
    expect(Math.max(...ys)).toBeCloseTo(-Math.min(...ys), 6)
    const widest = Math.max(vehicle.widthMm.value ?? 1950, ...vehicle.bodies.map((b) => b.widthMm))
    expect(Math.max(...ys)).toBeLessThanOrEqual(widest / 2 + 1e-6)
  })
  test('it has glass and four lamps', () => {
    expect(solid.glass.length).toBeGreaterThanOrEqual(3)
    expect(solid.lamps).toHaveLength(4)
  })
})

test('a bed is open at the top: nothing of it covers its middle at the height of its rim', () => {
  const pickup = demoVehicles[1]!
  const bed = pickup.bodies.find((b) => b.kind === 'bed')!
  const middle = { x: (bed.fromXMm + bed.toXMm) / 2, y: 0 }
  const covers = vehicleSolid(pickup).paint.some(({ positions, indices }) => {
    for (let i = 0; i < indices.length; i += 3) {
      const t = [0, 1, 2].map((k) => indices[i + k]! * 3)
      if (t.some((p) => Math.abs(positions[p + 2]! - bed.topZMm) > 1)) continue
      const xs = t.map((p) => positions[p]!)
      const ys = t.map((p) => positions[p + 1]!)
      if (Math.min(...xs) < middle.x && Math.max(...xs) > middle.x && Math.min(...ys) < 0 && Math.max(...ys) > 0) return true
    }
    return false
  })
  expect(covers).toBe(false)
})
