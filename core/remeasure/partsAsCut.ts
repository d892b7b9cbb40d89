import { type Assembly, type Member, memberLengthMm, memberMassKg, type Plate, plateMassKg } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { centreLine, nearestAlong } from '../geometry/centreLine'
import type { Rules } from '../rules/rules'
import { isCutHole } from '../workshop/cutHole'

/** A part as it is cut: its length, its saw angles, and where it is drilled, so that two designs of it can be held against one another. mm, degrees */
export type AsCut = {
  id: string
  mark: string
  name: string
  /** of a length of profile; null = a flat part */
  lengthMm: number | null
  anglesDeg: number[]
  /** cut longer it can be trimmed where it is fitted: straight, and no flat part */
  trims: boolean
  /** holes along a length, corners and holes of a flat part */
  places: { x: number; y: number }[]
  /** minutes to make it again, and what its metal costs. Minor units */
  minutes: number
  metalMinor: number
}

/** Every part that is cut for this job, by its id. Times and price per kg are the shop's own. */
export const partsAsCut = (a: Assembly, rules: Rules): Map<string, AsCut> =>
  new Map([...a.members.map((m) => memberAsCut(m, a, rules)), ...a.plates.map((p) => plateAsCut(p, rules))].map((p) => [p.id, p]))

function memberAsCut(m: Member, a: Assembly, rules: Rules): AsCut {
  const line = centreLine(m.path, m.bendRadiiMm)
  const holes = a.joints.filter((j) => j.bolts && j.between.includes(m.id)).map((j) => nearestAlong(line, j.at).atMm)
  const saddles = m.ends.filter((e) => e.kind === 'cope').length
  const bends = Math.max(0, m.path.length - 2)
  const lengthMm = memberLengthMm(m)
  return {
    ...{ id: m.id, mark: m.mark, name: m.name, lengthMm },
    trims: bends === 0,
    anglesDeg: m.ends.map((e) => (e.kind === 'mitre' ? e.angleDeg : 0)),
    places: holes.map((x) => ({ x, y: 0 })),
    minutes: 2 * rules.cutMin + saddles * rules.saddleMin + bends * rules.bendMin + holes.length * rules.holeMin,
    metalMinor: Math.round(memberMassKg(m) * materialOf(profileOf(m.profileId).materialId).pricePerKgMinor),
  }
}

function plateAsCut(p: Plate, rules: Rules): AsCut {
  return {
    ...{ id: p.id, mark: p.mark, name: p.name, lengthMm: null, trims: false, anglesDeg: p.bends.map((b) => b.angleDeg) },
    places: [...p.outline, ...p.holes.map((h) => h.at)],
    minutes:
      rules.plateMin + p.bends.length * rules.foldMin + p.holes.filter((h) => !isCutHole(h, p.thicknessMm, rules)).length * rules.holeMin,
    metalMinor: Math.round(plateMassKg(p) * materialOf(p.materialId).pricePerKgMinor),
  }
}

/** How one design of a part differs from another: what it would be short or long by, how far its holes or corners go, how far a cut turns. mm, degrees */
export type Differs = { longerMm: number; placesMm: number; turnsDeg: number; other: boolean }

export function differs(from: AsCut, to: AsCut | undefined): Differs {
  if (!to || to.places.length !== from.places.length || to.anglesDeg.length !== from.anglesDeg.length)
    return { longerMm: 0, placesMm: 0, turnsDeg: 0, other: true }
  const farthest = Math.max(0, ...from.places.map((p, i) => Math.hypot(to.places[i]!.x - p.x, to.places[i]!.y - p.y)))
  return {
    longerMm: from.lengthMm === null || to.lengthMm === null ? 0 : to.lengthMm - from.lengthMm,
    placesMm: farthest,
    turnsDeg: Math.max(0, ...from.anglesDeg.map((a, i) => Math.abs(to.anglesDeg[i]! - a))),
    other: false,
  }
}
