import type { Hardware, Member } from '../../assembly/assembly'
import { footHardware, isHollow, throughBolts as through } from '../../assembly/usualHardware'
import type { BoltSize } from '../../catalogue/bolts'
import type { FootType } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import type { CrossbarParams } from './params'

/** Through both walls of rail and bar at each crossing. The shop's own. */
export const railBolts = { size: 'M6' as const, count: 2 }
/** At each end of a step bracket. The shop's own. */
export const BRACKET_BOLT: BoltSize = 'M8'
export const boltsPerEnd = (p: CrossbarParams): number => (p.bracketBolts === 'two' ? 2 : 1)
/** The plate between rail and bar at each crossing, and the sheet of a fairing. The shop's own sizes. */
export const CORNER = { sideMm: 90, thicknessMm: 4 }
export const FAIRING_MM = 2
export const hasCornerPlates = (p: CrossbarParams): boolean => p.cornerPlates && p.sideRails && p.build === 'bolted' && p.barXMm.length >= 2

type Made = { members: Member[]; feet: number; crossings: number; fairing: boolean; backingMm: number | null; foot: FootType }

/** Everything that is not cut from bar or sheet, counted. */
export function hardwareOf(p: CrossbarParams, { members, feet, crossings, fairing, backingMm, foot }: Made): Hardware[] {
  const ends = members.filter((m) => isHollow(m.profileId)).length * 2
  return [
    ...(feet ? footHardware(foot, feet, backingMm) : []),
    ...(p.bracketInsetMm > 0 ? bracketBolts(p, feet * boltsPerEnd(p)) : []),
    ...railAndPlateBolts(p, crossings),
    ...(fairing ? through(railBolts.size, FAIRING_MM, railBolts.count, 'fairing', isSlotted(p) ? 'T-nut' : 'rivet nut') : []),
    ...(ends ? [{ part: { kind: 'end cap' as const }, quantity: ends, for: 'open tube ends' }] : []),
  ]
}

const isSlotted = (p: CrossbarParams): boolean => profileOf(p.profileId).shape.kind === 'slotted'

/** Through the whole bar beside what it holds; a slotted bar takes a nut in its slot instead. */
const intoBar = (p: CrossbarParams, size: BoltSize, stackMm: number, quantity: number, use: string): Hardware[] =>
  isSlotted(p)
    ? through(size, stackMm, quantity, use, 'T-nut')
    : through(size, stackMm + profileSection(p.profileId).heightMm, quantity, use)

const bracketBolts = (p: CrossbarParams, quantity: number): Hardware[] => [
  ...through(BRACKET_BOLT, p.bracketThicknessMm, quantity, 'step brackets, on the foot'),
  ...intoBar(p, BRACKET_BOLT, p.bracketThicknessMm, quantity, 'step brackets, on the bar'),
]

/** A corner plate has a pair of bolts to each part; without one a pair goes through both. Sleeves keep an empty tube from caving in. */
function railAndPlateBolts(p: CrossbarParams, crossings: number): Hardware[] {
  if (p.build === 'welded' || !crossings) return []
  const { size, count } = railBolts
  const rail = profileSection(p.railProfileId).heightMm
  const sleeve = (profileId: string, use: string): Hardware[] =>
    p.sleeves && ['round', 'rectangular'].includes(profileOf(profileId).shape.kind)
      ? [{ part: { kind: 'tube sleeve', size, lengthMm: profileSection(profileId).heightMm }, quantity: crossings * count, for: use }]
      : []
  const sleeves = [...sleeve(p.railProfileId, 'rails'), ...sleeve(p.profileId, 'bars under the rails')]
  return hasCornerPlates(p)
    ? [
        ...through(size, rail + CORNER.thicknessMm, crossings * count, 'corner plates, to the rails'),
        ...intoBar(p, size, CORNER.thicknessMm, crossings * count, 'corner plates, to the bars'),
        ...sleeves,
      ]
    : [...intoBar(p, size, rail, crossings * count, 'rails'), ...sleeves]
}
