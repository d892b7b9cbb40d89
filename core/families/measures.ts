import type { Measure } from './family'

/** Names of a design's figures that are plain lengths. */
type LengthKey<P> = { [K in keyof P]: P[K] extends number ? K : never }[keyof P] & string

/** A length of the design as a figure that is typed, dragged or pressed. mm */
export const lengthMeasure = <P>(p: P, id: string, key: LengthKey<P>, label: string, [min, max]: [number, number]): Measure<P> => ({
  id,
  label,
  unit: 'length',
  value: p[key] as number,
  min,
  max,
  set: (q, v) => ({ ...q, [key]: v }),
})
