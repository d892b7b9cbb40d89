/** The shop's standard foot: how long it bears along the vehicle, how wide across it, and how far apart its rows of bolts stand. mm, the shop's own. */
export const FOOT_LENGTH_MM = 80
export const FOOT_WIDTH_MM = 40
export const ROWS_APART_MM = 50

/**
 * The pull on the bolts of one row of a foot from the force and the pitch it takes (statics of a stiff pad on its front edge). N.
 * Two rows: while both pull, U/2 + M/p; once the front edge bears, T·(l/2 + p/2) = M − N·l/2, N down. One row in the middle: T·l/2 = M − N·l/2.
 * `rows` = 1 or 2; N = downN (less than 0 = lifted), M = pitch, its size. R = roll, what turns a flat part over the line of its bolts: each row prys its share
 * over half the foot’s width, R/(n·w/2), with nothing taken off for what presses it down.
 */
export function rowPullN(rows: 1 | 2, downN: number, pitchNmm: number, rollNmm = 0): number {
  const roll = Math.abs(rollNmm) / (rows * (FOOT_WIDTH_MM / 2))
  return roll + pitchedN(rows, downN, pitchNmm)
}
function pitchedN(rows: 1 | 2, downN: number, pitchNmm: number): number {
  const half = FOOT_LENGTH_MM / 2
  const moment = Math.abs(pitchNmm)
  const onEdge = (moment - downN * half) / (rows === 1 ? half : half + ROWS_APART_MM / 2)
  if (rows === 1) return Math.max(0, -downN, onEdge)
  const lifted = Math.max(0, -downN)
  return moment <= (lifted * ROWS_APART_MM) / 2 ? lifted / 2 + moment / ROWS_APART_MM : Math.max(0, onEdge)
}

/** A foot's pull up as if its bolts shared it alike: what a rating that was given for the whole foot must be held against. N */
export const footPullN = (rows: 1 | 2, downN: number, pitchNmm: number, rollNmm = 0): number =>
  rows * rowPullN(rows, downN, pitchNmm, rollNmm)

/** What keeps the head of a foot from turning with its bar: its bolts, prying over half its width. N·mm for so many bolts of a pull each. */
export const headHoldsNmm = (bolts: number, eachN: number): number => bolts * eachN * (FOOT_WIDTH_MM / 2)

/**
 * Pull-out of a screw from the thread it cut in thin sheet: 0.45·d·t·fu / γM2 over the load factor (EN 1993-1-3, table 8.2, sheet thinner than the
 * thread's pitch). N; `tensileMPa` of the sheet, its yield where no more is known: the low side.
 */
export const sheetThreadHoldsN = (v: { diameterMm: number; sheetMm: number; tensileMPa: number; loadFactor: number }): number =>
  (0.45 * v.diameterMm * v.sheetMm * v.tensileMPa) / (1.25 * v.loadFactor)
