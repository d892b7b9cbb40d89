import type { BoltSize } from './bolts'
import type { SmallPart } from './hardware'

/** The ways a crossbar foot holds on to a roof. Mass and price of one foot are the shop's own figures. */
export const mountKinds = [
  'gutter',
  'rail',
  'point',
  'track',
  'through-bolt',
  'stake pocket',
  'bed-rail lip',
  'floor screw',
  'rivet nut',
  'receiver',
  'collar',
] as const
export type MountKind = (typeof mountKinds)[number]

/** Held by friction alone, by bolts or screws that can be worked out, or by the shape of what it sits in; and what people call that. */
export type Hold = { how: 'grip' | 'bolts' | 'shape'; by: string }
const grip: Hold = { how: 'grip', by: 'grip alone' }
const bolts = (by: string): Hold => ({ how: 'bolts', by })
const shape = (by: string): Hold => ({ how: 'shape', by })

export type FootType = {
  kind: MountKind
  name: string
  massKg: number
  priceMinor: number
  bolt: { size: BoltSize; lengthMm: number }
  boltsPerFoot: number
  /** what each bolt is screwed into */
  nut: 'lock nut' | 'T-nut' | 'rivet nut' | 'thread in the body' | 'thread in the sheet'
  extras: SmallPart[]
  caution: string | null
  /** what it stands on: a folded or cast edge, or thin sheet that gives */
  seat: 'firm' | 'skin'
  /** holes are drilled in the body and a plate stands behind the sheet */
  drilled: boolean
  /** what keeps it from turning: how long it stands on its seat, and how deep it sits in a pocket or tube (0 = it only stands on it). mm */
  stance: { lengthMm: number; depthMm: number }
  /** no foot but a screw in a spacer so wide; none = a foot. mm */
  spacerMm?: number
  /** the body's own maker made the place: a rating he gives for his feet is one for this kind */
  makersPlace: boolean
  /** what holds its foot each way; null = nothing does */
  holds: { up: Hold | null; along: Hold; across: Hold; turning: Hold | null }
}

export const footTypes: Record<MountKind, FootType> = {
  gutter: {
    kind: 'gutter',
    name: 'Gutter clamp',
    massKg: 1.1,
    priceMinor: 3400,
    bolt: { size: 'M8', lengthMm: 40 },
    boltsPerFoot: 2,
    nut: 'lock nut',
    extras: ['rubber-lined jaw'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: false,
    makersPlace: true,
    holds: { up: shape('its jaw'), along: grip, across: shape('the lip of the gutter'), turning: bolts('two bolts') },
    caution: null,
  },
  rail: {
    kind: 'rail',
    name: 'Factory-rail clamp',
    massKg: 0.8,
    priceMinor: 2900,
    bolt: { size: 'M8', lengthMm: 35 },
    boltsPerFoot: 2,
    nut: 'lock nut',
    extras: ['clamp band'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: false,
    makersPlace: true,
    holds: { up: shape('its jaw'), along: grip, across: shape('the rail'), turning: bolts('two bolts') },
    caution: null,
  },
  point: {
    kind: 'point',
    name: 'Fixed-point foot',
    massKg: 0.7,
    priceMinor: 2600,
    bolt: { size: 'M8', lengthMm: 25 },
    boltsPerFoot: 1,
    nut: 'thread in the body',
    extras: ['sealing washer'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: false,
    makersPlace: true,
    holds: { up: bolts('the bolt'), along: bolts('the bolt'), across: bolts('the bolt'), turning: null },
    caution: null,
  },
  track: {
    kind: 'track',
    name: 'Track foot with T-nut',
    massKg: 0.75,
    priceMinor: 2700,
    bolt: { size: 'M8', lengthMm: 30 },
    boltsPerFoot: 2,
    nut: 'T-nut',
    extras: [],
    seat: 'skin',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: false,
    makersPlace: true,
    holds: { up: bolts('the T-nuts'), along: grip, across: shape('the track'), turning: bolts('two bolts') },
    caution: 'T-nuts go into the track before the end stop is fitted.',
  },
  'through-bolt': {
    kind: 'through-bolt',
    name: 'Through-bolted foot with backing plate',
    massKg: 1.2,
    priceMinor: 3900,
    bolt: { size: 'M8', lengthMm: 60 },
    boltsPerFoot: 2,
    nut: 'lock nut',
    extras: ['gasket', 'sealant'],
    seat: 'skin',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: true,
    makersPlace: false,
    holds: { up: bolts('the bolts'), along: bolts('the bolts'), across: bolts('the bolts'), turning: bolts('two bolts') },
    caution:
      'Find lamps, wiring and airbags behind the headlining before drilling; have the roof strength of drilled points judged by the body maker or an engineer.',
  },
  'stake pocket': {
    kind: 'stake pocket',
    name: 'Stake-pocket post with wedge',
    massKg: 1.6,
    priceMinor: 3100,
    bolt: { size: 'M10', lengthMm: 60 },
    boltsPerFoot: 1,
    nut: 'lock nut',
    extras: ['wedge'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 80 },
    drilled: false,
    makersPlace: false,
    holds: { up: null, along: shape('the pocket'), across: shape('the pocket'), turning: shape('the pocket') },
    caution: null,
  },
  'bed-rail lip': {
    kind: 'bed-rail lip',
    name: 'Clamp under the bed-rail lip',
    massKg: 0.9,
    priceMinor: 2400,
    bolt: { size: 'M8', lengthMm: 40 },
    boltsPerFoot: 2,
    nut: 'lock nut',
    extras: ['clamp band'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: false,
    makersPlace: false,
    holds: { up: shape('its jaw'), along: grip, across: shape('the lip'), turning: bolts('two bolts') },
    caution: 'A lip of thin sheet bends open: clamp over its whole width, not at one point.',
  },
  'floor screw': {
    kind: 'floor screw',
    name: 'Foot screwed into a rib or panel',
    massKg: 0.5,
    priceMinor: 1500,
    bolt: { size: 'M8', lengthMm: 30 },
    boltsPerFoot: 4,
    nut: 'thread in the sheet',
    extras: ['sealant'],
    seat: 'skin',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: true,
    makersPlace: false,
    holds: { up: bolts('the screws'), along: bolts('the screws'), across: bolts('the screws'), turning: bolts('four screws') },
    caution: 'Find tank, lines and wiring under the floor before drilling.',
  },
  'rivet nut': {
    kind: 'rivet nut',
    name: 'Screw into a rivet nut in a rib',
    massKg: 0.02,
    priceMinor: 210,
    bolt: { size: 'M6', lengthMm: 25 },
    boltsPerFoot: 1,
    nut: 'rivet nut',
    extras: [],
    seat: 'firm',
    stance: { lengthMm: 15, depthMm: 0 },
    spacerMm: 16,
    drilled: true,
    makersPlace: false,
    holds: { up: bolts('the screw'), along: bolts('the screw'), across: bolts('the screw'), turning: null },
    caution: 'Find wiring, airbags and belt anchors behind the lining before drilling a rib.',
  },
  receiver: {
    kind: 'receiver',
    name: 'Receiver tongue with pin',
    massKg: 4.2,
    priceMinor: 8900,
    bolt: { size: 'M12', lengthMm: 80 },
    boltsPerFoot: 1,
    nut: 'lock nut',
    extras: ['pin and clip'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 150 },
    drilled: false,
    makersPlace: false,
    holds: { up: shape('the pin'), along: shape('the pin'), across: shape('the tube'), turning: shape('the tube') },
    caution: 'Lamps and number plate must stay seen: follow local rules.',
  },
  collar: {
    kind: 'collar',
    name: 'Collar on a tube',
    massKg: 0.6,
    priceMinor: 1900,
    bolt: { size: 'M8', lengthMm: 35 },
    boltsPerFoot: 2,
    nut: 'lock nut',
    extras: ['clamp band'],
    seat: 'firm',
    stance: { lengthMm: 80, depthMm: 0 },
    drilled: false,
    makersPlace: false,
    holds: { up: shape('the collar'), along: grip, across: shape('the tube'), turning: bolts('two bolts') },
    caution: null,
  },
}

/** The plate behind drilled sheet, steel. mm; the mass of a foot counts one of the standard side. */
export const backingPlate = { standardMm: 80, thicknessMm: 4, washerMm: 24 }
