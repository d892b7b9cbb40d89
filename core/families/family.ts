import type { z } from 'zod'
import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Vec3 } from '../geometry/vec3'
import type { Issue } from '../issue/issue'
import type { Rules } from '../rules/rules'
import type { MountLine, Vehicle } from '../vehicle/vehicle'

export const pieceStates = ['fitted', 'folded', 'off'] as const
export type PieceState = (typeof pieceStates)[number]
/** What a piece is designed against: the vehicle, what it shall carry, the shop's rules, the piece it stands on and how it is set. */
export type Site = { vehicle: Vehicle; brief: Brief; rules: Rules; below: Assembly | null; state: PieceState }

/** Where on a vehicle a family belongs: how the shelf of families is ordered. */
export const familyGroups = ['over the roof', 'over the cab', 'in and over the bed', 'behind', 'inside', 'on another piece'] as const
export type FamilyGroup = (typeof familyGroups)[number]

/** A figure of the design that a handle, a pressed dimension or a typed value sets. mm, degrees or kg; `snap` = the nearest value that the place allows. */
export type Measure<P> = {
  id: string
  label: string
  unit: 'length' | 'angle'
  value: number
  min: number
  max: number
  snap?: (value: number) => number
  /** what round figures count from, and what a typed one is measured from; 0 where nothing is said */
  from?: number
  set: (params: P, value: number) => P
}
/** Something on the drawing that can be taken hold of, in space. Along each axis that it moves: the figure it sets, and by how much per mm. */
export type Handle = {
  id: string
  /** the drawn part it moves */
  ref: string
  label: string
  at: Vec3
  moves: { axis: 'x' | 'y' | 'z'; measure: string; per: number }[]
}

type Common<P> = {
  key: keyof P & string
  label: string
  /** heading it stands under */
  group?: string
  help?: string
  when?: (p: P, site: Site) => boolean
}
/** `nullable`: it may stay unknown, and then nothing that needs it passes. */
export type FieldSpec<P> =
  | (Common<P> & { kind: 'length'; gauge?: boolean; min: number; max: number; nullable?: boolean })
  | (Common<P> & { kind: 'angle'; min: number; max: number; nullable?: boolean })
  | (Common<P> & { kind: 'mass' | 'force' | 'speed'; min: number; max: number; nullable?: boolean })
  /** minor units */
  | (Common<P> & { kind: 'money'; min: number; max: number; nullable?: boolean })
  | (Common<P> & { kind: 'count'; min: number; max: number; nullable?: boolean })
  | (Common<P> & { kind: 'switch' })
  | (Common<P> & { kind: 'text'; most: number })
  /** the edge of a flat part, read from a file */
  | (Common<P> & { kind: 'drawing' })
  /** holes of a part, typed or taken from one on the shelf */
  | (Common<P> & { kind: 'pattern' })
  | (Common<P> & { kind: 'lengths'; each: string; min: number; max: number; most: number })
  | (Common<P> & { kind: 'choice' | 'profile' | 'place'; options: (site: Site) => { value: string; label: string }[] })

/** A design family: a pure function from parameters to an Assembly, with what can be set, moved and tried. It knows nothing of what follows. */
export type Family<P> = {
  id: string
  title: string
  group: FamilyGroup
  /** one line for the shelf: what it is and what it stands on */
  says: string
  params: z.ZodType<P>
  /** bought or found: never cut, coated or priced */
  there?: boolean
  /** why it cannot stand here; null where it can */
  fits: (site: Site) => string | null
  start: (site: Site) => P
  assemble: (params: P, site: Site) => { assembly: Assembly; issues: Issue[] }
  fields: FieldSpec<P>[]
  measures: (params: P, site: Site) => Measure<P>[]
  handles: (params: P, site: Site) => Handle[]
  /** single changes a fabricator would try, mildest first */
  changes: (params: P, site: Site) => { label: string; params: P }[]
  /** how cut lengths can be shortened without moving the feet's line: by no less than `least` and no more than `most`, mm */
  shorten?: { id: string; label: string; least: (p: P) => number; most: (p: P) => number; apply: (p: P, shorterMm: number) => P }[]
  /** parts set out along the vehicle on one line of mounts, from one datum, mm */
  stations?: {
    line: (p: P, site: Site) => MountLine | null
    of: (p: P) => number[]
    set: (p: P, xMm: number[]) => P
    /** nearest that two may stand */
    leastMm: number
  }
  /** the profile that most of it is made of */
  profile?: { of: (p: P) => string; set: (p: P, profileId: string) => P }
  /** height of a bought foot, mm */
  footHeight?: { of: (p: P) => number; set: (p: P, heightMm: number) => P }
  /** the coat it gets; undefined = none is put on */
  finish?: (p: P) => 'raw' | 'painted' | 'powder'
  /** the same on the other side of the vehicle; undefined = it is the same on both */
  mirrored?: (p: P) => P
  /** taken over from a vehicle onto the site's: what it needs a new place for there; undefined = it finds its own */
  rehomed?: (p: P, site: Site, from: Vehicle) => P
  examples: { name: string; vehicle: Vehicle; params: P }[]
}
