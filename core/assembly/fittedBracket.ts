import { materialOf } from '../catalogue/materials'
import type { Bracket } from '../fasten/bracket'
import type { Rules } from '../rules/rules'
import type { Assembly, Mount, Plate } from './assembly'
import { boxOf } from './places'

/** The folded bracket between a foot and what it carries; null when it stands without one. */
export function bracketOf(mount: Mount, assembly: Assembly, rules: Rules): { plate: Plate; made: Bracket } | null {
  const plate = mount.via === null ? undefined : assembly.plates.find((p) => p.id === mount.via)
  if (!plate?.steps) return null
  const { elasticMPa, yieldMPa } = materialOf(plate.materialId)
  const made: Bracket = {
    kind: 'Z',
    widthMm: boxOf(plate.outline.map(({ x, y }) => ({ x, y, z: 0 }))).size.y,
    thicknessMm: plate.thicknessMm,
    reachMm: plate.steps.reachMm,
    riseMm: plate.steps.riseMm,
    sidesMm: 0,
    bothEndsHeld: plate.steps.boltsPerEnd > 1,
    elasticMPa,
    yieldMPa,
    safety: rules.yieldSafety,
  }
  return { plate, made }
}
