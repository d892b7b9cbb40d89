import { materialOf } from '../catalogue/materials'
import type { Bracket } from '../fasten/bracket'
import type { Rules } from '../rules/rules'
import type { Assembly, Plate } from './assembly'

/** The step bracket of a rack as a bent plate; null when its feet stand without one. */
export function stepBracketOf(assembly: Assembly, rules: Rules): { plate: Plate; made: Bracket } | null {
  const plate = assembly.plates.find((p) => p.role === 'bracket')
  if (!plate) return null
  const { elasticMPa, yieldMPa } = materialOf(plate.materialId)
  const made: Bracket = {
    kind: 'Z',
    widthMm: plate.flatWidthMm,
    thicknessMm: plate.thicknessMm,
    reachMm: plate.size.y,
    riseMm: plate.size.z,
    sidesMm: 0,
    bothEndsHeld: (plate.boltsPerEnd ?? 1) > 1,
    elasticMPa,
    yieldMPa,
    safety: rules.yieldSafety,
  }
  return { plate, made }
}
