import type { Assembly } from '../assembly/assembly'

/** What stays bare of a piece that is coated: holes that bolts or threads fill, faces that bear on something, and where it is earthed. Marks. */
export type Masking = { boltHoles: string[]; bearingFaces: string[] }

export function maskingOf(a: Assembly): Masking {
  const mark = new Map([...a.members, ...a.plates, ...a.fittings].map((p) => [p.id, p.mark]))
  const marks = (ids: string[]) =>
    [...new Set(ids.flatMap((id) => mark.get(id) ?? []))].sort((x, y) => x.localeCompare(y, 'en', { numeric: true }))
  const moving = a.joints.filter((j) => ['pin', 'hinge', 'slide'].includes(j.kind))
  return {
    boltHoles: marks([
      ...a.joints.filter((j) => j.bolts).flatMap((j) => j.between),
      ...a.plates.filter((p) => p.holes.length).map((p) => p.id),
    ]),
    bearingFaces: marks([...a.mounts.map((m) => m.on), ...moving.flatMap((j) => j.between)]),
  }
}
