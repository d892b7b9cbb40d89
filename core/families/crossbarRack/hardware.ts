import type { Hardware, Member, Mount, Plate } from '../../assembly/assembly'
import { backingPlate, type FootType } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { type BoltSize, boltLengthMm } from '../../fasten/bolt'
import type { CrossbarParams } from './params'

/** Through both walls of rail and bar at each crossing. The shop's own. */
export const railBolts = { size: 'M6' as const, count: 2 }
export const boltsPerEnd = (p: CrossbarParams): number => (p.bracketBolts === 'two' ? 2 : 1)
/** The plate between rail and bar at each crossing, and the sheet of a fairing. The shop's own sizes. */
export const CORNER = { sideMm: 90, thicknessMm: 4 }
export const FAIRING_MM = 2
export const hasCornerPlates = (p: CrossbarParams): boolean => p.cornerPlates && p.sideRails && p.build === 'bolted' && p.barXMm.length >= 2

type Made = { members: Member[]; mounts: Mount[]; plates: Plate[]; backingMm: number | null; foot: FootType }

/** Everything that is not cut from bar or sheet, counted. */
export function hardwareOf(p: CrossbarParams, { members, mounts, plates, backingMm, foot }: Made): Hardware[] {
  const feet = mounts.length
  const footParts = [
    { name: `Bolt ${foot.bolt} stainless`, quantity: feet * foot.boltsPerFoot },
    { name: `Lock nut ${foot.bolt.split(' ')[0]}`, quantity: feet * foot.boltsPerFoot },
    ...foot.extras.map((name) => ({ name, quantity: feet })),
    ...(backingMm === null ? [] : [{ name: `backing plate ${backingMm} × ${backingMm} × ${backingPlate.thicknessMm}`, quantity: feet }]),
  ].map((part): Hardware => ({ ...part, for: foot.name }))
  const ends = members.length * 2
  return [
    ...(feet ? footParts : []),
    ...(p.bracketInsetMm > 0 && feet ? bracketBolts(p, feet * boltsPerEnd(p)) : []),
    ...railAndPlateBolts(p, members.filter((m) => m.role === 'rail').length * p.barXMm.length),
    ...(plates.some((f) => f.role === 'fairing') ? [intoBar(p, railBolts.size, FAIRING_MM, railBolts.count, 'fairing')] : []),
    ...(ends ? [{ name: 'End cap', quantity: ends, for: 'open tube ends' }] : []),
  ]
}

const through = (size: BoltSize, stackMm: number, quantity: number, use: string, nut = 'lock nut'): Hardware => ({
  name: `Bolt ${size} × ${boltLengthMm(size, stackMm)} stainless with ${nut}`,
  quantity,
  for: use,
})
/** Through the whole bar beside what it holds; a slotted bar takes a nut in its slot instead. */
const intoBar = (p: CrossbarParams, size: BoltSize, stackMm: number, quantity: number, use: string): Hardware =>
  profileOf(p.profileId).shape.kind === 'slotted'
    ? through(size, stackMm, quantity, use, 'T-nut')
    : through(size, stackMm + profileSection(p.profileId).heightMm, quantity, use)

const bracketBolts = (p: CrossbarParams, quantity: number): Hardware[] => [
  through('M8', p.bracketThicknessMm, quantity, 'step brackets, on the foot'),
  intoBar(p, 'M8', p.bracketThicknessMm, quantity, 'step brackets, on the bar'),
]

/** A corner plate has a pair of bolts to each part; without one a pair goes through both. */
function railAndPlateBolts(p: CrossbarParams, crossings: number): Hardware[] {
  if (p.build === 'welded' || !crossings) return []
  const { size, count } = railBolts
  const rail = profileSection(p.railProfileId).heightMm
  return hasCornerPlates(p)
    ? [
        through(size, rail + CORNER.thicknessMm, crossings * count, 'corner plates, to the rails'),
        intoBar(p, size, CORNER.thicknessMm, crossings * count, 'corner plates, to the bars'),
      ]
    : [intoBar(p, size, rail, crossings * count, 'rails')]
}
