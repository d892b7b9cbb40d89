import type { BoltSize } from './bolts'

/** Small parts that are not bolts, as the shop calls them. */
export const smallParts = [
  'lock nut',
  'T-nut',
  'rivet nut',
  'wedge',
  'pin and clip',
  'end cap',
  'sealing washer',
  'rubber-lined jaw',
  'clamp band',
  'backing plate',
  'gasket',
  'sealant',
  'tube sleeve',
  'spacer',
  'wide washer',
  'piano hinge',
  'seal strip',
  'drawer slide',
  'latch',
  'lock',
  'corner bracket',
  'anti-turn pin',
  'spindle and hub',
  'butt hinge',
] as const
export type SmallPart = (typeof smallParts)[number]

/** What is bought and counted: a bolt by size and length, a nut by size, a plate by its sides, anything else by its name. */
export type HardwarePart =
  | { kind: 'bolt'; size: BoltSize; lengthMm: number }
  | { kind: 'lock nut' | 'T-nut' | 'rivet nut'; size: BoltSize }
  | { kind: 'backing plate'; sideMm: number; thicknessMm: number }
  | { kind: 'tube sleeve' | 'spacer'; size: BoltSize; lengthMm: number }
  | { kind: 'wide washer'; size: BoltSize; acrossMm: number }
  | { kind: 'piano hinge' | 'seal strip' | 'drawer slide'; lengthMm: number }
  | {
      kind: Exclude<
        SmallPart,
        | 'lock nut'
        | 'T-nut'
        | 'rivet nut'
        | 'backing plate'
        | 'tube sleeve'
        | 'spacer'
        | 'wide washer'
        | 'piano hinge'
        | 'seal strip'
        | 'drawer slide'
      >
    }

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** How a part stands on a list. Lengths in braces, mm, but for a metric bolt, whose length is part of its name. */
export function hardwareName(part: HardwarePart): string {
  switch (part.kind) {
    case 'bolt':
      return `Bolt ${part.size} × ${part.lengthMm} stainless`
    case 'lock nut':
    case 'T-nut':
    case 'rivet nut':
      return `${capital(part.kind)} ${part.size}`
    case 'backing plate':
      return `Backing plate {${part.sideMm}} × {${part.sideMm}} × {g ${part.thicknessMm}}`
    case 'spacer':
      return `Spacer for ${part.size}, {g ${part.lengthMm}} long`
    case 'wide washer':
      return `Wide washer ${part.size}, {g ${part.acrossMm}} across`
    case 'tube sleeve':
      return `Sleeve for ${part.size}, {${part.lengthMm}} long`
    case 'piano hinge':
    case 'seal strip':
    case 'drawer slide':
      return `${capital(part.kind)}, {${part.lengthMm}} long`
    default:
      return capital(part.kind)
  }
}

/** What small parts cost each, minor units. The shop's own figures; what has no price here leaves the quote without one. */
const BOLTS: Partial<Record<BoltSize, number>> = { M6: 90, M8: 140, M10: 190, M12: 260 }
const SMALL: Record<SmallPart, number> = {
  'lock nut': 35,
  'T-nut': 220,
  'rivet nut': 55,
  wedge: 480,
  'pin and clip': 900,
  'end cap': 60,
  'sealing washer': 80,
  'rubber-lined jaw': 260,
  'clamp band': 310,
  'backing plate': 420,
  gasket: 150,
  sealant: 120,
  'tube sleeve': 110,
  spacer: 70,
  'wide washer': 20,
  // a metre of each
  'drawer slide': 5200,
  'piano hinge': 1400,
  'seal strip': 450,
  latch: 1250,
  lock: 1600,
  'corner bracket': 380,
  'anti-turn pin': 120,
  'spindle and hub': 9800,
  'butt hinge': 1150,
}
export const hardwarePriceMinor = (part: HardwarePart): number | null =>
  part.kind === 'bolt'
    ? (BOLTS[part.size] ?? null)
    : part.kind === 'piano hinge' || part.kind === 'seal strip' || part.kind === 'drawer slide'
      ? Math.round((SMALL[part.kind] * part.lengthMm) / 1000)
      : SMALL[part.kind]
/** Small things get lost: bolts, nuts and washers are bought with spares, what is made to measure is not. */
export const hasSpares = (part: HardwarePart): boolean =>
  ['bolt', 'lock nut', 'T-nut', 'rivet nut', 'sealing washer', 'wide washer', 'spacer', 'end cap'].includes(part.kind)
