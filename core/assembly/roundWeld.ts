import type { Joint } from './assembly'

/**
 * A weld all round a round tube as four runs: a square of 0.75·d a side is less than the ring in length (3.0·d against π·d), in bending (0.75·d² against
 * π·d²/4) and in twist, so nothing is taken that is not there (weld groups as lines: Shigley, 10th ed., tables 9-1 and 9-2).
 */
export const roundWeld = (outsideMm: number): NonNullable<Joint['weld']> => ({
  lengthMm: 0.75 * outsideMm,
  apartMm: 0.75 * outsideMm,
  allRound: true,
})
