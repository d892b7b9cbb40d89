/** The ways a crossbar foot holds on to a roof. Mass and price of one foot are the shop's own figures. */
export const mountKinds = ['gutter', 'rail', 'point', 'track', 'through-bolt'] as const
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
    caution: 'T-nuts go into the track before the end stop is fitted.',
  },
  'through-bolt': {
    kind: 'through-bolt',
    name: 'Through-bolted foot with backing plate',
    massKg: 1.2,
    priceMinor: 3900,
    bolt: 'M8 × 60',
    boltsPerFoot: 2,
    extras: ['backing plate 80 × 80 × 4', 'gasket', 'sealant'],
    caution:
      'Find lamps, wiring and airbags behind the headlining before drilling; have the roof strength of drilled points judged by the body maker or an engineer.',
  },
}
