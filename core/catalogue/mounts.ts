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
  'receiver',
  'collar',
] as const
export type MountKind = (typeof mountKinds)[number]

export type FootType = {
  kind: MountKind
  name: string
  massKg: number
  priceMinor: number
  bolt: string
  boltsPerFoot: number
  extras: string[]
  caution: string | null
  /** what it stands on: a folded or cast edge, or thin sheet that gives */
  seat: 'firm' | 'skin'
  /** holes are drilled in the body and a plate stands behind the sheet */
  drilled: boolean
  /** what holds its foot each way; null = nothing does */
  holds: { up: string | null; along: 'grip' | string; across: string; turning: string | null }
}

export const footTypes: Record<MountKind, FootType> = {
  gutter: {
    kind: 'gutter',
    name: 'Gutter clamp',
    massKg: 1.1,
    priceMinor: 3400,
    bolt: 'M8 × 40',
    boltsPerFoot: 2,
    extras: ['rubber-lined jaw'],
    seat: 'firm',
    drilled: false,
    holds: { up: 'its jaw', along: 'grip', across: 'the lip of the gutter', turning: 'two bolts' },
    caution: null,
  },
  rail: {
    kind: 'rail',
    name: 'Factory-rail clamp',
    massKg: 0.8,
    priceMinor: 2900,
    bolt: 'M8 × 35',
    boltsPerFoot: 2,
    extras: ['clamp band'],
    seat: 'firm',
    drilled: false,
    holds: { up: 'its jaw', along: 'grip', across: 'the rail', turning: 'two bolts' },
    caution: null,
  },
  point: {
    kind: 'point',
    name: 'Fixed-point foot',
    massKg: 0.7,
    priceMinor: 2600,
    bolt: 'M8 × 25',
    boltsPerFoot: 1,
    extras: ['sealing washer'],
    seat: 'firm',
    drilled: false,
    holds: { up: 'the bolt', along: 'the bolt', across: 'the bolt', turning: null },
    caution: null,
  },
  track: {
    kind: 'track',
    name: 'Track foot with T-nut',
    massKg: 0.75,
    priceMinor: 2700,
    bolt: 'M8 × 30',
    boltsPerFoot: 2,
    extras: ['T-nut'],
    seat: 'skin',
    drilled: false,
    holds: { up: 'the T-nuts', along: 'grip', across: 'the track', turning: 'two bolts' },
    caution: 'T-nuts go into the track before the end stop is fitted.',
  },
  'through-bolt': {
    kind: 'through-bolt',
    name: 'Through-bolted foot with backing plate',
    massKg: 1.2,
    priceMinor: 3900,
    bolt: 'M8 × 60',
    boltsPerFoot: 2,
    extras: ['gasket', 'sealant'],
    seat: 'skin',
    drilled: true,
    holds: { up: 'the bolts', along: 'the bolts', across: 'the bolts', turning: 'two bolts' },
    caution:
      'Find lamps, wiring and airbags behind the headlining before drilling; have the roof strength of drilled points judged by the body maker or an engineer.',
  },
  'stake pocket': {
    kind: 'stake pocket',
    name: 'Stake-pocket post with wedge',
    massKg: 1.6,
    priceMinor: 3100,
    bolt: 'M10 × 60',
    boltsPerFoot: 1,
    extras: ['wedge'],
    seat: 'firm',
    drilled: false,
    holds: { up: null, along: 'the pocket', across: 'the pocket', turning: 'the pocket' },
    caution: null,
  },
  'bed-rail lip': {
    kind: 'bed-rail lip',
    name: 'Clamp under the bed-rail lip',
    massKg: 0.9,
    priceMinor: 2400,
    bolt: 'M8 × 40',
    boltsPerFoot: 2,
    extras: ['clamp band'],
    seat: 'firm',
    drilled: false,
    holds: { up: 'its jaw', along: 'grip', across: 'the lip', turning: 'two bolts' },
    caution: 'A lip of thin sheet bends open: clamp over its whole width, not at one point.',
  },
  'floor screw': {
    kind: 'floor screw',
    name: 'Foot screwed into a rib or panel',
    massKg: 0.5,
    priceMinor: 1500,
    bolt: 'M8 × 30',
    boltsPerFoot: 4,
    extras: ['sealant'],
    seat: 'skin',
    drilled: true,
    holds: { up: 'the screws', along: 'the screws', across: 'the screws', turning: 'four screws' },
    caution: 'Find tank, lines and wiring under the floor before drilling.',
  },
  receiver: {
    kind: 'receiver',
    name: 'Receiver tongue with pin',
    massKg: 4.2,
    priceMinor: 8900,
    bolt: 'M12 × 80',
    boltsPerFoot: 1,
    extras: ['pin and clip'],
    seat: 'firm',
    drilled: false,
    holds: { up: 'the pin', along: 'the pin', across: 'the tube', turning: 'the tube' },
    caution: 'Lamps and number plate must stay seen: follow local rules.',
  },
  collar: {
    kind: 'collar',
    name: 'Collar on a tube',
    massKg: 0.6,
    priceMinor: 1900,
    bolt: 'M8 × 35',
    boltsPerFoot: 2,
    extras: ['clamp band'],
    seat: 'firm',
    drilled: false,
    holds: { up: 'the collar', along: 'grip', across: 'the tube', turning: 'two bolts' },
    caution: null,
  },
}

/** The plate behind drilled sheet, steel. mm; the mass of a foot counts one of the standard side. */
export const backingPlate = { standardMm: 80, thicknessMm: 4, washerMm: 24 }
