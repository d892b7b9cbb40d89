import { Impossible } from '../issue/impossible'

/** Tubes of one section in a finished piece: outside sizes, wall, all their length, density. mm, kg/m³ */
export type Weighed = { name: string; outsideMm: number; wallMm: number; lengthMm: number; round: boolean; densityKgM3: number }
export type WallThatExplains = { name: string; wallMm: number; massKg: number }

/** Area of a round or square tube with sharp corners. mm² */
const areaMm2 = (p: Weighed, wallMm: number): number =>
  p.round ? Math.PI * wallMm * (p.outsideMm - wallMm) : 4 * wallMm * (p.outsideMm - wallMm)
const massKg = (p: Weighed, wallMm: number): number => (areaMm2(p, wallMm) * p.lengthMm * p.densityKgM3) / 1e9

/**
 * What would explain that a piece weighs other than computed: for each section the wall that it would need, t = (D − √(D² − 4·A/k))/2 with k = π or 4 from
 * A = k·t·(D − t) (area of a tube). Sections that no wall can bring to that mass are left out. Throws `Impossible` for a piece that weighs nothing.
 */
export function wallsThatExplain(
  parts: Weighed[],
  otherKg: number,
  weighedKg: number,
): { computedKg: number; differenceKg: number; walls: WallThatExplains[] } {
  if (weighedKg <= 0) throw new Impossible('the piece weighs nothing: type what the scales say')
  const own = parts.reduce((s, p) => s + massKg(p, p.wallMm), 0)
  const computedKg = own + otherKg
  const differenceKg = weighedKg - computedKg
  const walls = parts.flatMap((p): WallThatExplains[] => {
    const wanted = massKg(p, p.wallMm) + differenceKg
    const k = p.round ? Math.PI : 4
    const area = (wanted * 1e9) / (p.lengthMm * p.densityKgM3)
    const inside = p.outsideMm ** 2 - (4 * area) / k
    if (wanted <= 0 || inside < 0) return []
    return [{ name: p.name, wallMm: (p.outsideMm - Math.sqrt(inside)) / 2, massKg: wanted }]
  })
  return { computedKg, differenceKg, walls }
}
