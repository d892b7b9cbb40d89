import { profileOf, profileSection } from '../catalogue/profiles'
import { type Section, sectionOf } from '../catalogue/section'
import type { Point } from '../geometry/vec3'
import type { Member, Notch } from './assembly'

/** What is left of a flat bar under or over a notch so deep. mm */
export function notchedSection(profileId: string, depthMm: number): Section {
  const { shape } = profileOf(profileId)
  // nothing but a flat bar is notched along its length
  if (shape.kind !== 'flat') return profileSection(profileId)
  const key = `${profileId} ${depthMm}`
  const known = sections.get(key)
  if (known) return known
  const made = sectionOf({ ...shape, heightMm: Math.max(0.5, shape.heightMm - depthMm) })
  sections.set(key, made)
  return made
}
const sections = new Map<string, Section>()

const within = (n: Notch, atMm: number): boolean => Math.abs(atMm - n.atMm) <= n.lengthMm / 2
/** The section of a member at a place along it, less its deepest notch there from either edge. mm */
export function sectionAt(m: Member, atMm: number): Section {
  const from = (edge: Notch['edge']) =>
    Math.max(0, ...(m.notches ?? []).filter((n) => n.edge === edge && within(n, atMm)).map((n) => n.depthMm))
  const depthMm = from('under') + from('over')
  return depthMm > 0 ? notchedSection(m.profileId, depthMm) : profileSection(m.profileId)
}
/** Where notches begin and end along it: its section changes there. mm */
export const notchEdges = (m: Member): number[] => (m.notches ?? []).flatMap((n) => [n.atMm - n.lengthMm / 2, n.atMm + n.lengthMm / 2])

/** Metal that its notches take. mm³ */
export const notchedOutMm3 = (m: Member): number =>
  (m.notches ?? []).reduce(
    (s, n) => s + n.lengthMm * (profileSection(m.profileId).areaMm2 - notchedSection(m.profileId, n.depthMm).areaMm2),
    0,
  )

/** A notched flat bar from the side: along it from its first end, and up from its middle; counter-clockwise. mm */
export function notchedOutline(m: Member, lengthMm: number): Point[] {
  const half = profileSection(m.profileId).heightMm / 2
  const side = (edge: Notch['edge'], sign: 1 | -1): Point[] =>
    (m.notches ?? [])
      .filter((n) => n.edge === edge)
      .sort((a, b) => a.atMm - b.atMm)
      .flatMap((n) => {
        const [from, to] = [n.atMm - n.lengthMm / 2, n.atMm + n.lengthMm / 2]
        const deep = sign * (half - n.depthMm)
        return [
          { x: from, y: sign * half },
          { x: from, y: deep },
          { x: to, y: deep },
          { x: to, y: sign * half },
        ]
      })
  return [
    { x: 0, y: -half },
    ...side('under', -1),
    { x: lengthMm, y: -half },
    { x: lengthMm, y: half },
    ...side('over', 1).reverse(),
    { x: 0, y: half },
  ]
}
