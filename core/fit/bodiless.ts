import type { FitGiven } from './gaps'

/** What should have a body and has none, and the figure that is missing for it: no gap to it can be told, so none passes. */
export type Bodiless = { id: string; name: string; pieceId: string | null; lacks: string }

export function bodiless({ assembly, vehicle, brief }: Pick<FitGiven, 'assembly' | 'vehicle' | 'brief'>): Bodiless[] {
  const roofless = vehicle.roofHeightMm.value === null && (assembly.mounts.length > 0 || brief.cargo.length > 0)
  return [
    ...assembly.fittings
      .filter((f) => f.unknown.includes('box'))
      .map((f) => ({
        id: f.id,
        name: f.name.toLowerCase(),
        pieceId: f.id.split('/')[0] ?? null,
        lacks: `size of ${f.name.toLowerCase()}`,
      })),
    ...(roofless ? vehicle.obstacles.map((o, i) => ({ id: `obstacle:${i}`, name: o.name, pieceId: null, lacks: 'roof height' })) : []),
  ]
}
