import type { z } from 'zod'
import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Issue } from '../issue/issue'
import type { Vehicle } from '../vehicle/vehicle'

/** Something on the drawing that can be taken hold of. Positions along the vehicle, mm. */
export type Handle<P> = {
  id: string
  /** the drawn part it moves */
  ref: string
  label: string
  xMm: number
  /** nearest allowed place to a wish; free = between mounts, for the hold-to-override key */
  snap: (xMm: number) => number
  moved: (params: P, xMm: number) => P
}

export type FieldSpec<P> =
  | {
      key: keyof P & string
      label: string
      kind: 'length'
      /** a wall or a sheet is shown finer than a length */
      gauge?: boolean
      min: number
      max: number
      help?: string
      when?: (p: P, vehicle: Vehicle) => boolean
    }
  | { key: keyof P & string; label: string; kind: 'switch'; help?: string; when?: (p: P, vehicle: Vehicle) => boolean }
  | {
      key: keyof P & string
      label: string
      kind: 'choice'
      options: (vehicle: Vehicle) => { value: string; label: string }[]
      help?: string
      when?: (p: P, vehicle: Vehicle) => boolean
    }

/** A design family: a pure function from parameters to an Assembly, and handles. It knows nothing of what follows. */
export type Family<P> = {
  id: string
  title: string
  params: z.ZodType<P>
  start: (vehicle: Vehicle, brief: Brief) => P
  /** `shop`: what this shop's tools do to a part: the K factor of its folds */
  assemble: (params: P, vehicle: Vehicle, shop: { kFactor: number }) => { assembly: Assembly; issues: Issue[] }
  handles: (params: P, vehicle: Vehicle) => Handle<P>[]
  /** what pressing a drawn dimension changes: the length of the bars, or the height they carry at, by so much */
  resized: (params: P, what: 'length' | 'deck', byMm: number) => P
  /** how much less and how much more it may become, mm */
  resizeRange: (params: P, what: 'length' | 'deck') => [number, number]
  /** parts set out along the vehicle from one datum, mm */
  stations: (params: P) => number[]
  restationed: (params: P, xMm: number[]) => P
  /** single changes a fabricator would try, mildest first */
  changes: (params: P, vehicle: Vehicle) => { label: string; params: P }[]
  /** how a cut length can be shortened without moving the feet's line, for the stock advisor: by no less than `least` and no more than `most`, mm */
  shorten: { id: string; label: string; least: (p: P) => number; most: (p: P) => number; apply: (p: P, barShorterMm: number) => P }[]
  fields: FieldSpec<P>[]
  examples: { name: string; vehicle: Vehicle; params: P }[]
}
