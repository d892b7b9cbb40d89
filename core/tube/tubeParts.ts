import type { Assembly, Member } from '../assembly/assembly'
import { memberLengthMm } from '../assembly/assembly'
import { profileOf } from '../catalogue/profiles'
import { segmentsApart } from '../geometry/segments'
import { Impossible } from '../issue/impossible'
import { type BentTube, bendTube } from './bend'
import { type EndCut, endCutKey, endCuts, turnBetweenCopes } from './endCuts'

/** One member as the saw, the bender and the notcher make it. `bent` null = straight; `lacks` = why it cannot be bent as drawn. */
export type TubePart = {
  member: Member
  lengthMm: number
  bent: BentTube | null
  ends: [EndCut, EndCut]
  /** second cope turned from the first, about the tube; null where not both ends are coped */
  turnDeg: number | null
  lacks: string | null
}

export function tubePart(member: Member, a: Assembly): TubePart {
  const ends = endCuts(member, a)
  const turnDeg = turnBetweenCopes(member, ends)
  const lengthMm = memberLengthMm(member)
  const unsaddled = ends.find((e) => e.kind === 'cope' && e.lacks !== null)
  const open = (unsaddled?.kind === 'cope' ? unsaddled.lacks : null) ?? saddlesMeet(ends, lengthMm) ?? intoItself(member)
  if (member.path.length < 3) return { member, lengthMm, bent: null, ends, turnDeg, lacks: open }
  try {
    return { member, lengthMm, bent: bendTube(member.path, member.bendRadiiMm ?? []), ends, turnDeg, lacks: open }
  } catch (error) {
    if (!(error instanceof Impossible)) throw error
    return { member, lengthMm, bent: null, ends, turnDeg, lacks: error.message }
  }
}

/** Two saddles deeper than their tube is long leave nothing of it. */
function saddlesMeet(ends: [EndCut, EndCut], lengthMm: number): string | null {
  const deep = ends.reduce((s, e) => s + (e.kind === 'cope' ? (e.cope?.maxDepthMm ?? 0) : 0), 0)
  return deep >= lengthMm
    ? `its two saddles meet: they go ${deep.toFixed(0)} mm deep and the tube is ${lengthMm.toFixed(0)} mm long. Move the tubes apart`
    : null
}

/** A bent tube whose legs pass nearer to one another than it is thick cannot be bent so. */
function intoItself(m: Member): string | null {
  const { shape } = profileOf(m.profileId)
  const thick = shape.kind === 'round' ? shape.outsideDiameterMm : 0
  const legs = m.path.slice(1).map((to, i) => ({ from: m.path[i]!, to }))
  for (const [i, leg] of legs.entries())
    for (const [k, other] of legs.slice(i + 2).entries())
      if (segmentsApart(leg, other) < thick - 1e-6)
        return `it runs into itself: legs ${i + 1} and ${i + k + 3} pass nearer than the tube is thick. Move its points apart`
  return null
}

/** What of a part is bent or coped, in whole tenths: two members of one key are made alike. */
export function workKey(p: TubePart): string {
  const tenth = (v: number) => Math.round(v * 10) / 10
  const bends = p.bent?.bends.map((b) => [tenth(b.startMm), tenth(b.angleDeg), tenth(b.rotationDeg), b.radiusMm]) ?? []
  const notches = p.member.notches?.map((n) => [tenth(n.atMm), tenth(n.lengthMm), tenth(n.depthMm), n.edge])
  return JSON.stringify([
    ...[endCutKey(p.ends[0]), endCutKey(p.ends[1]), p.turnDeg === null ? null : tenth(p.turnDeg), bends, p.lacks],
    ...(notches ? [notches] : []),
  ])
}

/** The parts that need more than a saw cut, alike ones together, in the order of their marks. */
export function tubeWork(a: Assembly): { part: TubePart; marks: string[] }[] {
  const groups = new Map<string, { part: TubePart; marks: string[] }>()
  for (const m of a.members) {
    if (m.path.length < 3 && !m.ends.some((e) => e.kind === 'cope')) continue
    const part = tubePart(m, a)
    const key = JSON.stringify([m.name, profileOf(m.profileId).id, Math.round(part.lengthMm * 2), workKey(part)])
    const known = groups.get(key)
    if (known) known.marks.push(m.mark)
    else groups.set(key, { part, marks: [m.mark] })
  }
  return [...groups.values()].sort((p, q) => p.marks[0]!.localeCompare(q.marks[0]!, 'en', { numeric: true }))
}
