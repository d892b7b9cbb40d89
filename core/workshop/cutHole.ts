import { type Hole, isRound } from '../geometry/hole'
import type { Rules } from '../rules/rules'

/** Whether the table cuts a hole, or only marks its middle: small ones close up in the cut. A slot is cut, for no drill makes one. mm */
export const isCutHole = (h: Hole, thicknessMm: number, rules: Pick<Rules, 'cutHoleT'>): boolean =>
  !isRound(h) || h.diameterMm >= rules.cutHoleT * thicknessMm - 1e-9
