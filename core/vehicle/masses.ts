export type MassItem = { name: string; massKg: number; xMm: number; zMm: number }
export type AxleLoads = { totalKg: number; frontKg: number; rearKg: number; centreXMm: number; centreZMm: number | null }

/**
 * Axle loads and centre of mass of a vehicle with items at their places. kg and mm, x forward of the rear axle, z above ground.
 * Levers about the axles: front = Σ m·x / L, rear = Σ m·(1 − x/L) (statics). An item behind the rear axle lightens the front one.
 */
export function axleLoads(v: {
  kerbFrontKg: number
  kerbRearKg: number
  wheelbaseMm: number
  kerbCentreZMm: number | null
  items: MassItem[]
}): AxleLoads {
  const kerb = v.kerbFrontKg + v.kerbRearKg
  const added = v.items.reduce((s, i) => s + i.massKg, 0)
  const onFront = v.items.reduce((s, i) => s + (i.massKg * i.xMm) / v.wheelbaseMm, 0)
  const totalKg = kerb + added
  const frontKg = v.kerbFrontKg + onFront
  return {
    totalKg,
    frontKg,
    rearKg: totalKg - frontKg,
    centreXMm: (frontKg * v.wheelbaseMm) / totalKg,
    centreZMm: v.kerbCentreZMm === null ? null : (kerb * v.kerbCentreZMm + v.items.reduce((s, i) => s + i.massKg * i.zMm, 0)) / totalKg,
  }
}

/** What may still be put on: the least of what gross mass and each axle leave. kg; null where a limit is unknown, and then nothing is promised. */
export function payloadLeft(
  loads: AxleLoads,
  limits: { grossKg: number | null; frontAxleKg: number | null; rearAxleKg: number | null },
): { grossLeftKg: number | null; frontLeftKg: number | null; rearLeftKg: number | null; leftKg: number | null } {
  const left = (limit: number | null, used: number) => (limit === null ? null : limit - used)
  const grossLeftKg = left(limits.grossKg, loads.totalKg)
  const frontLeftKg = left(limits.frontAxleKg, loads.frontKg)
  const rearLeftKg = left(limits.rearAxleKg, loads.rearKg)
  const unknown = grossLeftKg === null || frontLeftKg === null || rearLeftKg === null
  return {
    grossLeftKg,
    frontLeftKg,
    rearLeftKg,
    leftKg: unknown ? null : Math.min(grossLeftKg, frontLeftKg, rearLeftKg),
  }
}

/** Outside diameter of a tyre from its code: width · aspect · 2 + rim (ETRTO Standards Manual: nominal). 235/65 R 16 → 712 mm. Null when it is no code. */
export function tyreDiameterMm(code: string): number | null {
  const m = /^\s*(\d{3})\s*\/\s*(\d{2})\s*[A-Z]{0,2}\s*(\d{2}(?:\.5)?)\s*[A-Z]?\s*$/i.exec(code)
  return m ? 2 * Number(m[1]) * (Number(m[2]) / 100) + Number(m[3]) * 25.4 : null
}
