import { type Cargo, type CargoDraft, CargoSchema } from './cargo'

/** A catalogue accessory set on the vehicle at a place. */
export const placed = (draft: CargoDraft & { id: string }, id: string, xMm: number, yMm: number, over: Partial<Cargo> = {}): Cargo =>
  CargoSchema.parse({ ...draft, id, xMm, yMm, ...over })

const STEP_ACROSS_MM = 20
const STEP_ALONG_MM = 100
/** 0, then so much either way, farther and farther, up to a reach. */
const outward = (stepMm: number, reachMm: number): number[] =>
  Array.from({ length: 2 * Math.max(0, Math.floor(reachMm / stepMm)) + 1 }, (_, i) => (i % 2 ? 1 : -1) * Math.ceil(i / 2) * stepMm || 0)

/** A free place for a new item: over the middle of the mounts, else beside what lies there, else before or behind it. mm. */
export function startPlace(
  on: { mounts: { fromXMm: number; toXMm: number; halfWidthFrontMm: number; halfWidthRearMm: number }[]; cargo: Cargo[] },
  item: { lengthMm: number; widthMm: number; counts: Cargo['counts'] },
): { xMm: number; yMm: number } {
  const line = on.mounts[0]
  const middle = line ? Math.round((line.fromXMm + line.toXMm) / 2) : 0
  const meets = (xMm: number, yMm: number) =>
    on.cargo.some(
      (c) =>
        (c.counts === 'both' || item.counts === 'both' || c.counts === item.counts) &&
        Math.abs(c.xMm - xMm) < (c.lengthMm + item.lengthMm) / 2 &&
        Math.abs(c.yMm - yMm) < (c.widthMm + item.widthMm) / 2,
    )
  const half = line ? Math.min(line.halfWidthFrontMm, line.halfWidthRearMm) : 700
  const along = line ? (line.toXMm - line.fromXMm) / 2 : 0
  for (const dx of outward(STEP_ALONG_MM, along))
    for (const yMm of outward(STEP_ACROSS_MM, half + 60 - item.widthMm / 2)) if (!meets(middle + dx, yMm)) return { xMm: middle + dx, yMm }
  return { xMm: middle, yMm: 0 }
}

/**
 * Another one of the same: its size, mass and rules, a number after its name, a place beside what is there. How it is held is not copied: the straps of one hold
 * one.
 */
export function oneMore(
  c: Cargo,
  { vehicle, brief }: { vehicle: { mounts: Parameters<typeof startPlace>[0]['mounts'] }; brief: { cargo: Cargo[] } },
): Cargo {
  const plain = c.name.replace(/ \d+$/, '')
  const stem = c.id.slice(0, 56)
  let n = 2
  while (brief.cargo.some((o) => o.id === `${stem}-${n}` || o.name === `${plain} ${n}`)) n++
  const { xMm, yMm } = startPlace({ mounts: vehicle.mounts, cargo: brief.cargo }, c)
  return { ...c, id: `${stem}-${n}`, name: `${plain.slice(0, 116)} ${n}`, xMm, yMm, securing: null }
}
