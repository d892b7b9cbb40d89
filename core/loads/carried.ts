import { type Assembly, loadBars, memberMassKg, memberMiddle } from '../assembly/assembly'
import { type Brief, loadClasses } from '../brief/brief'
import { type Cargo, centreOfMass } from '../brief/cargo'
import { profileSection } from '../catalogue/profiles'
import { supportOf } from '../spacing/spacing'

/** One mass the bars carry: cargo, or the rack's own parts. Null mass = nobody knows. */
export type Carried = {
  kind: 'member' | 'plate' | 'cargo'
  name: string
  cargoId: string | null
  least: number | null
  most: number | null
  basis: Cargo['massBasis'] | 'calculated'
  counts: Cargo['counts']
  xMm: number
  yMm: number
  zMm: number
  /** the middle of its faces, where air and snow act, and how it rests */
  middleXMm: number
  middleYMm: number
  middleZMm: number
  widthMm: number
  rests: Cargo['rests']
  lengthMm: number
  heightMm: number
  /** bars it rests on, by index; empty = carried by the feet or by nothing */
  bars: number[]
  /** m² facing a wind from ahead, one from the side, and lying under either */
  frontalM2: number
  sideM2: number
  planM2: number
  drag: 'box' | 'fairing'
}

/** Everything above the feet, with its place; members are listed for the mass ledger, the frame weighs them itself. The feet themselves are added as `Mount`s where they stand. */
export function carriedBy(assembly: Assembly, brief: Brief): Carried[] {
  const bars = loadBars(assembly)
  const barXMm = bars.map((b) => b.path[0]!.x)
  const all = barXMm.map((_, i) => i)
  const own = assembly.members.map((m): Carried => {
    const massKg = memberMassKg(m)
    const middle = memberMiddle(m)
    const bar = bars.indexOf(m)
    const section = profileSection(m.profileId)
    const across = Math.abs(m.path[0]!.y - m.path[m.path.length - 1]!.y)
    const along = Math.abs(m.path[0]!.x - m.path[m.path.length - 1]!.x)
    return {
      kind: 'member',
      name: `${m.name} ${m.mark}`,
      cargoId: null,
      least: massKg,
      most: massKg,
      basis: 'calculated',
      counts: 'both',
      xMm: middle.x,
      yMm: middle.y,
      zMm: middle.z,
      middleXMm: middle.x,
      middleYMm: middle.y,
      middleZMm: middle.z,
      rests: 'bundle',
      lengthMm: along,
      heightMm: section.heightMm,
      widthMm: bar >= 0 ? across : section.widthMm,
      bars: bar >= 0 ? [bar] : all,
      frontalM2: (across * section.heightMm) / 1e6,
      sideM2: (along * section.heightMm) / 1e6,
      planM2: ((across + along) * section.widthMm) / 1e6,
      drag: 'box',
    }
  })
  const plates = assembly.plates.flatMap((p): Carried[] => {
    const item = (of: Pick<Carried, 'rests' | 'bars' | 'frontalM2' | 'planM2' | 'drag'>): Carried => ({
      kind: 'plate',
      name: p.name,
      cargoId: null,
      least: p.massKg,
      most: p.massKg,
      basis: 'calculated',
      counts: 'both',
      xMm: p.place.x,
      yMm: p.place.y,
      zMm: p.place.z,
      middleXMm: p.place.x,
      middleYMm: p.place.y,
      middleZMm: p.place.z,
      lengthMm: p.size.x,
      heightMm: p.size.z,
      widthMm: p.size.y,
      // seen from the side both are edges
      sideM2: 0,
      ...of,
    })
    // brackets ride with the feet
    if (p.role === 'bracket' || !barXMm.length) return []
    if (p.role === 'gusset') {
      const nearest = barXMm.reduce((a, x) => (Math.abs(x - p.place.x) < Math.abs(a - p.place.x) ? x : a))
      // between rail and bar, which meet the wind already
      return [item({ rests: 'brackets', bars: [barXMm.indexOf(nearest)], frontalM2: 0, planM2: 0, drag: 'box' })]
    }
    const frontalM2 = (p.size.y * p.size.z) / 1e6
    const planM2 = (p.size.x * p.size.y) / 1e6
    return [item({ rests: 'bundle', bars: [barXMm.indexOf(Math.max(...barXMm))], frontalM2, planM2, drag: 'fairing' })]
  })
  const cargo = brief.cargo.map((c): Carried => {
    const centre = centreOfMass(c, assembly.deckZMm ?? 0)
    return {
      kind: 'cargo',
      name: c.name,
      cargoId: c.id,
      least: c.massKg?.least ?? null,
      most: c.massKg?.most ?? null,
      basis: c.massBasis,
      counts: c.counts,
      ...centre,
      middleXMm: c.xMm,
      middleYMm: c.yMm,
      middleZMm: (assembly.deckZMm ?? 0) + c.heightMm / 2,
      rests: c.rests,
      lengthMm: c.lengthMm,
      heightMm: c.heightMm,
      widthMm: c.widthMm,
      bars: supportOf(c, barXMm).under,
      frontalM2: (c.widthMm * c.heightMm) / 1e6,
      sideM2: (c.lengthMm * c.heightMm) / 1e6,
      planM2: (c.widthMm * c.lengthMm) / 1e6,
      drag: 'box',
    }
  })
  return [...own, ...plates, ...cargo]
}

export const countsWhen = (c: Carried, when: 'driving' | 'parked'): boolean => c.counts === 'both' || c.counts === when

/** The load class the brief agreed on, as a mass. kg; null when nobody chose one. */
export const agreedLoadKg = (brief: Brief): number | null => (brief.loadClass ? loadClasses[brief.loadClass].mostKg : null)
