import type { z } from 'zod'
import type { Assembly } from '../assembly/assembly'
import { faultsOf, type Read } from '../issue/faults'
import type { Issue } from '../issue/issue'
import type { MountLine, Vehicle } from '../vehicle/vehicle'
import type { Family, FamilyGroup, FieldSpec, Handle, Measure, Site } from './family'

/** A design's parameters, seen from outside its family: nobody reads them, only hands them back. */
export type Params = Record<string, unknown>

type Bare<F> = F extends FieldSpec<never> ? Omit<F, 'when' | 'options' | 'key'> : never
/** A field of one design: what stands in it, and the design with something else in it. */
export type Field = Bare<FieldSpec<never>> & {
  key: string
  value: unknown
  options: { value: string; label: string }[]
  set: (value: unknown) => Read<Params>
}

/** One design of a job, bound to where it stands: everything that anybody outside its family may know of it. */
export type Design = {
  assembled: () => { assembly: Assembly; issues: Issue[] }
  fields: () => Field[]
  measures: () => (Omit<Measure<Params>, 'set'> & { set: (value: number) => Read<Params> })[]
  handles: () => Handle[]
  changes: () => { label: string; params: Params }[]
  shorten: { id: string; label: string; least: number; most: number; apply: (shorterMm: number) => Params }[]
  stations: { line: MountLine | null; xMm: number[]; leastMm: number; set: (xMm: number[]) => Params } | null
  profile: { id: string; set: (profileId: string) => Params } | null
  footHeight: { mm: number; set: (heightMm: number) => Read<Params> } | null
  finish: 'raw' | 'painted' | 'powder' | null
  mirrored: (() => Params) | null
  /** as it stands on the site's vehicle, taken over from that one */
  rehomed: (from: Vehicle) => Params
}

/** A family with its parameters hidden: what the list of families holds. */
export type ListedFamily = {
  id: string
  title: string
  group: FamilyGroup
  says: string
  there: boolean
  fits: (site: Site) => string | null
  start: (site: Site) => Params
  read: (params: unknown) => Read<Params>
  /** throws nothing: parameters that were not read through `read` are faults of the caller */
  design: (params: Params, site: Site) => Design
  examples: { name: string; vehicle: Vehicle; params: Params }[]
  schema: z.ZodType
}

export function listed<P extends object>(family: Family<P>): ListedFamily {
  const out = (p: P): Params => p as Params
  const read = (params: unknown): Read<Params> => {
    const r = family.params.safeParse(params)
    return r.success ? { ok: true, value: out(r.data) } : { ok: false, faults: faultsOf(r.error) }
  }
  return {
    id: family.id,
    title: family.title,
    group: family.group,
    says: family.says,
    there: family.there ?? false,
    fits: family.fits,
    start: (site) => out(family.start(site)),
    read,
    schema: family.params,
    examples: family.examples.map((e) => ({ ...e, params: out(e.params) })),
    design: (params, site) => bound(family, params as P, site, read, out),
  }
}

function bound<P extends object>(
  family: Family<P>,
  p: P,
  site: Site,
  read: (params: unknown) => Read<Params>,
  out: (p: P) => Params,
): Design {
  let made: ReturnType<Design['assembled']> | null = null
  const { stations, profile, footHeight, mirrored } = family
  return {
    assembled: () => {
      made ??= family.assemble(p, site)
      return made
    },
    fields: () =>
      family.fields
        .filter((f) => f.when?.(p, site) ?? true)
        .map(({ when: _, ...f }) => ({
          ...f,
          value: p[f.key],
          options: 'options' in f ? f.options(site) : [],
          set: (value: unknown) => read({ ...p, [f.key]: value }),
        })) as Field[],
    measures: () => family.measures(p, site).map(({ set, ...m }) => ({ ...m, set: (value: number) => read(set(p, value)) })),
    handles: () => family.handles(p, site),
    changes: () =>
      family.changes(p, site).flatMap(({ label, params }) => {
        const r = read(params)
        return r.ok ? [{ label, params: r.value }] : []
      }),
    shorten: (family.shorten ?? []).map(({ id, label, least, most, apply }) => ({
      id,
      label,
      least: least(p),
      most: most(p),
      apply: (by) => out(apply(p, by)),
    })),
    stations: stations
      ? { line: stations.line(p, site), xMm: stations.of(p), leastMm: stations.leastMm, set: (xs) => out(stations.set(p, xs)) }
      : null,
    profile: profile ? { id: profile.of(p), set: (id) => out(profile.set(p, id)) } : null,
    footHeight: footHeight ? { mm: footHeight.of(p), set: (mm) => read(footHeight.set(p, mm)) } : null,
    finish: family.finish?.(p) ?? null,
    mirrored: mirrored ? () => out(mirrored(p)) : null,
    rehomed: (from) => out(family.rehomed?.(p, site, from) ?? p),
  }
}
