import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Cargo, OpenAs } from '../brief/cargo'
import { times, type Vec3 } from '../geometry/vec3'
import { restOf } from '../resting/rest'
import type { Mover } from './movers'
import { boxSolid, type Solid } from './solids'

export const waysOut: Record<OpenAs['to'], Vec3> = {
  left: { x: 0, y: 1, z: 0 },
  right: { x: 0, y: -1, z: 0 },
  front: { x: 1, y: 0, z: 0 },
  rear: { x: -1, y: 0, z: 0 },
}
const UP: Vec3 = { x: 0, y: 0, z: 1 }

/** Something carried that is opened where it stands, and what of how it opens is known. mm */
export type Opening = { item: Cargo; to: OpenAs['to']; zMm: number; reachMm: number | null; highMm: number | null }

/** What is opened on this job while it is parked, where somebody said how. */
export const openingsOf = (assembly: Pick<Assembly, 'supports'>, brief: Pick<Brief, 'cargo'>): Opening[] =>
  brief.cargo.flatMap((item): Opening[] => {
    const zMm = restOf(item, assembly).zMm
    const { opens, openAs } = item
    return opens && openAs && zMm !== null ? [{ item, zMm, to: openAs.to, reachMm: openAs.reachMm, highMm: openAs.highMm }] : []
  })

/** What folds out hangs so far over what the item lies on. Shop's own, mm */
const OVER_MM = 2
/** What an item fills, opened out by so much and so high. mm */
export function openBox({ item, to, zMm }: Opening, outMm: number, highMm: number): { middle: Vec3; size: Vec3 } {
  const way = waysOut[to]
  const along = to === 'front' || to === 'rear'
  const shift = times(way, outMm / 2)
  return {
    middle: { x: item.xMm + shift.x, y: item.yMm + shift.y, z: zMm + highMm / 2 },
    size: { x: item.lengthMm + (along ? outMm : 0), y: item.widthMm + (along ? 0 : outMm), z: highMm },
  }
}
/** The name by which its opening is known. */
export const openingId = (item: Pick<Cargo, 'id'>): string => `opens:${item.id}`
export const risingId = (item: Pick<Cargo, 'id'>): string => `rises:${item.id}`

/** Open, as one body in the place of the shut one. */
export const openSolid = (o: Opening, reachMm: number, highMm: number): Solid => {
  const { middle, size } = openBox(o, reachMm, Math.max(highMm, o.item.heightMm))
  return boxSolid(`cargo:${o.item.id}`, `${o.item.name}, open`, 'cargo', middle, size)
}

/** How it is opened: it rises where it stands, then it goes out to its side as high as it stands open. Cloth and poles are taken as full. */
export function openingMovers(o: Opening): Mover[] {
  const { item, zMm, reachMm, highMm } = o
  if (reachMm === null || highMm === null) return []
  const risen = Math.max(highMm, item.heightMm)
  const mover = (id: string, name: string, way: Vec3, to: number, leaf: Solid): Mover => ({
    ...{ id, name, kind: 'slide', from: 0, to, moves: [], leaf, after: null, pieceId: null, item: item.id },
    axis: { at: leaf.hulls[0]![0]!, way },
  })
  const shut = { x: item.xMm, y: item.yMm, z: zMm + item.heightMm / 2 }
  const own = { x: item.lengthMm, y: item.widthMm, z: item.heightMm }
  // what goes out is no longer than its reach: longer, it would begin on the far side of what it comes out of
  const way = waysOut[o.to]
  const along = o.to === 'front' || o.to === 'rear'
  const deep = along ? item.lengthMm : item.widthMm
  const part = Math.min(deep, reachMm)
  const back = times(way, (deep - part) / 2)
  return [
    ...(risen > item.heightMm
      ? [
          mover(
            risingId(item),
            `${item.name}, as it rises`,
            UP,
            risen - item.heightMm,
            boxSolid(risingId(item), item.name, 'cargo', shut, own),
          ),
        ]
      : []),
    ...(reachMm > 0
      ? [
          mover(
            openingId(item),
            `${item.name}, as it opens`,
            way,
            reachMm,
            boxSolid(
              openingId(item),
              `${item.name}, open`,
              'cargo',
              { x: shut.x + back.x, y: shut.y + back.y, z: zMm + OVER_MM + (risen - OVER_MM) / 2 },
              { x: along ? part : own.x, y: along ? own.y : part, z: risen - OVER_MM },
            ),
          ),
        ]
      : []),
  ]
}
