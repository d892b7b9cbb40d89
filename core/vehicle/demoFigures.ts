import { type Sourced, type Swing, sourcedValue, type Taken, unknownValue, type Vehicle } from './vehicle'

export const tape = (value: number): Sourced => sourcedValue(value, 'tape', 'measured in the yard', '2026-10-14', 2)
export const maker = (value: number): Sourced => sourcedValue(value, 'maker', "owner's handbook", '2026-10-14')
export const weighed = (value: number): Sourced => sourcedValue(value, 'weighed', 'weigh pads', '2026-10-15')
export const assumed = (value: number): Sourced => sourcedValue(value, 'assumed', 'like vehicles', '2026-10-14')
export const unknown = unknownValue
export const taped = (values: Record<string, number>): Vehicle['measures'] =>
  Object.fromEntries(Object.entries(values).map(([id, v]) => [id, tape(v)]))

/** What is asked only of vehicles that have it, and what nobody has added yet. */
export const unasked = {
  barKg: unknown,
  tyreKg: unknown,
  tongueKg: unknown,
  carrierKg: unknown,
  footRatingKind: null,
  footRatingMeans: null,
  revision: 1,
  measures: {},
  placeRatings: {},
  bodies: [],
  onBoard: [],
  swings: [],
  traces: [],
  tyres: { now: '', next: '' },
}
export const taken: Taken = { method: 'tape', toleranceMm: 3, who: 'measured in the yard', at: '2026-10-14' }
export const plainLine = {
  taken,
  keepOuts: [],
  footDownKg: unknown,
  footUpKg: unknown,
  adjustMm: null,
  misfit: [],
  skin: null,
}

/** The two front doors of a cab: hinge at their front edge, as far from the middle as the body is wide. */
export const frontDoors = (xMm: number, halfWidthMm: number, reachMm: number, topZMm: number): Swing[] =>
  (['left', 'right'] as const).map((side) => ({
    id: `${side}-door`,
    name: `${side === 'left' ? 'Left' : 'Right'} door`,
    kind: `${side} door` as const,
    xMm,
    yMm: side === 'left' ? halfWidthMm : -halfWidthMm,
    zMm: (topZMm + 420) / 2,
    reachMm,
    hingeLengthMm: topZMm - 420,
    opensDeg: 68,
    taken,
  }))
/** Two leaves that close a van's rear end. */
export const rearDoors = (xMm: number, halfWidthMm: number, topZMm: number, opensDeg: number): Swing[] =>
  (['left', 'right'] as const).map((side) => ({
    id: `${side}-rear-door`,
    name: `${side === 'left' ? 'Left' : 'Right'} rear door`,
    kind: `${side} rear door` as const,
    xMm,
    yMm: side === 'left' ? halfWidthMm : -halfWidthMm,
    zMm: (topZMm + 520) / 2,
    reachMm: halfWidthMm,
    hingeLengthMm: topZMm - 520,
    opensDeg,
    taken,
  }))
export const tailgate = (xMm: number, zMm: number, reachMm: number, widthMm: number): Swing => ({
  id: 'tailgate',
  name: 'Tailgate',
  kind: 'tailgate',
  xMm,
  yMm: 0,
  zMm,
  reachMm,
  hingeLengthMm: widthMm,
  opensDeg: 90,
  taken,
})
