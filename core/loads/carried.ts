import type { Assembly, Bearing } from '../assembly/assembly'
import { type Brief, loadClasses } from '../brief/brief'
import { type Cargo, centreOfMass, type OpenAs } from '../brief/cargo'
import { liesOnSurface, restOf } from '../resting/rest'

/** One thing carried, with what it lies on. Null mass = nobody knows; null height = it lies on nothing. */
export type Carried = {
  name: string
  cargoId: string
  least: number | null
  most: number | null
  basis: Cargo['massBasis']
  counts: Cargo['counts']
  use: Cargo['use']
  xMm: number
  yMm: number
  zMm: number | null
  /** the middle of its faces, where air and snow act, and how it rests */
  middleXMm: number
  middleYMm: number
  middleZMm: number | null
  /** where air and snow act while it stands open, when that is not its own middle */
  faceXMm?: number
  faceYMm?: number
  openAs?: OpenAs
  lengthMm: number
  widthMm: number
  heightMm: number
  rests: Cargo['rests']
  /** lines it rests on, from the rear; empty = it lies on a floor of the vehicle, or on nothing */
  bearings: Bearing[]
  /** its weight goes into the vehicle itself, by a floor */
  onFloor: boolean
  /** m² facing a wind from ahead, one from the side, and lying under either */
  frontalM2: number
  sideM2: number
  planM2: number
}

/** Everything the brief carries, each on what it lies on. */
export const carriedBy = (assembly: Assembly, brief: Brief): Carried[] =>
  brief.cargo.map((c): Carried => {
    const rest = restOf(c, assembly)
    const centre = centreOfMass(c, rest.zMm ?? 0)
    return {
      name: c.name,
      cargoId: c.id,
      least: c.massKg?.least ?? null,
      most: c.massKg?.most ?? null,
      basis: c.massBasis,
      counts: c.counts,
      use: c.use,
      xMm: centre.xMm,
      yMm: centre.yMm,
      zMm: rest.zMm === null ? null : centre.zMm,
      middleXMm: c.xMm,
      middleYMm: c.yMm,
      middleZMm: rest.zMm === null ? null : rest.zMm + c.heightMm / 2,
      ...(c.opens && c.openAs ? { openAs: c.openAs } : {}),
      rests: c.rests,
      lengthMm: c.lengthMm,
      heightMm: c.heightMm,
      widthMm: c.widthMm,
      bearings: rest.under,
      onFloor: !rest.under.length && liesOnSurface(rest),
      frontalM2: (c.stopsAir * c.widthMm * c.heightMm) / 1e6,
      sideM2: (c.stopsAir * c.lengthMm * c.heightMm) / 1e6,
      planM2: (c.widthMm * c.lengthMm) / 1e6,
    }
  })

export const countsWhen = (c: Pick<Carried, 'counts'>, when: 'driving' | 'parked'): boolean => c.counts === 'both' || c.counts === when

/** The load class the brief agreed on, as a mass. kg; null when nobody chose one. */
export const agreedLoadKg = (brief: Brief): number | null => (brief.loadClass ? loadClasses[brief.loadClass].mostKg : null)

/** Kinds of use that are carried and were not agreed, each with the item. */
export const notAgreed = (brief: Pick<Brief, 'cargo' | 'agreedUses'>): Cargo[] =>
  brief.cargo.filter((c) => !brief.agreedUses.includes(c.use))
