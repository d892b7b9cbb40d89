import type { Assembly, Mount } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { backingPlate, footTypes } from '../catalogue/mounts'
import { profileOf } from '../catalogue/profiles'
import { backingPlateHoldsN } from '../fasten/backingPlate'
import { type BoltSize, boltShear, boltSizes, boltTension } from '../fasten/bolt'
import { bracketBending } from '../fasten/bracket'
import { wallBearsN } from '../fasten/crushing'
import { stepBracketOf } from '../fasten/fittedBracket'
import { missingName, settledValue } from '../measure/settle'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { fieldLabel, footRating, type MountLine, type Vehicle } from '../vehicle/vehicle'
import type { Link } from './strength'

/** The shop's standard foot along the vehicle, and how far apart its bolts stand. mm, the shop's own. */
const FOOT_BEARS_MM = 80
const BOLTS_APART_MM = 50

export const boltOf = (mount: Mount): { size: BoltSize; count: number } => {
  const type = footTypes[mount.kind]
  const size = type.bolt.split(' ')[0]
  return { size: size in boltSizes ? (size as BoltSize) : 'M8', count: type.boltsPerFoot }
}

/** Everything a mount's force passes through, pressed down and pulled up. Which gives first is its rating. */
export function footLinks(mount: Mount, assembly: Assembly, vehicle: Vehicle, rules: Rules): { down: Link[]; up: Link[] } {
  const line = vehicle.mounts.find((m) => m.id === mount.lineId)
  const maker = (key: 'footDownKg' | 'footUpKg'): Link => {
    const s = footRating(vehicle, line, key)
    const value = settledValue(s)
    return {
      part: 'mount',
      asked: missingName(fieldLabel(key), s),
      word: 'maker-rated',
      holdsN: value === null ? null : value * G_M_S2,
      source: s.value === null ? 'not given' : s.source || s.method,
    }
  }
  const bolt = boltOf(mount)
  const tension = boltTension(bolt.size, 'A2-70', rules.loadFactor)
  const bolts: Link = {
    part: `${bolt.count} bolts ${bolt.size} A2-70`,
    word: 'calculated',
    holdsN: (tension.value ?? 0) * bolt.count,
    source: tension.source,
  }
  const member = assembly.members.find((m) => m.id === mount.memberId)
  const profile = member ? profileOf(member.profileId) : null
  const wall = profile ? wallBearsN(profile.shape, FOOT_BEARS_MM, materialOf(profile.materialId).yieldMPa) : null
  const slotted = profile?.shape.kind === 'slotted'
  const crush: Link[] =
    wall === null
      ? []
      : [
          {
            part: 'tube wall over the foot',
            word: slotted ? 'maker-rated' : 'calculated',
            holdsN: wall ?? null,
            source: slotted ? 'maker of the extrusion' : 'AISC 360-16, J10.2; Roark, table 9.2',
          },
        ]
  const nut: Link[] = slotted
    ? [
        {
          part: 'T-slot nuts',
          asked: 'maker’s rating of the T-slot nuts',
          word: 'maker-rated',
          holdsN: rules.tNutN > 0 ? rules.tNutN * bolt.count : null,
          source: 'maker of the extrusion',
        },
      ]
    : []
  const bracket = bracketLink(assembly, rules)
  return {
    down: [maker('footDownKg'), ...(slotted ? [] : crush), ...bracket],
    up: [maker('footUpKg'), bolts, ...nut, ...bracket, ...skinLink(mount, line?.skin ?? null, rules)],
  }
}

function bracketLink(assembly: Assembly, rules: Rules): Link[] {
  const bracket = stepBracketOf(assembly, rules)
  if (!bracket) return []
  return [
    { part: 'step bracket', word: 'calculated', holdsN: bracketBending(bracket.made, 1).holdsN, source: 'σ = M / W, Gere & Goodno, 5.5' },
  ]
}

/** Drilled mounts hang on thin sheet: without its thickness and panel nobody knows what it holds. */
function skinLink(mount: Mount, skin: MountLine['skin'], rules: Rules): Link[] {
  if (mount.backingMm === null) return []
  const { thicknessMm = null, yieldMPa = null, panelRadiusMm = null } = skin ?? {}
  // a plate as wide as the panel bears on the rib round it, which nobody has checked
  const overRib = panelRadiusMm !== null && mount.backingMm / 2 >= panelRadiusMm
  const holdsN =
    thicknessMm !== null && yieldMPa !== null && panelRadiusMm !== null && !overRib
      ? backingPlateHoldsN({
          plateAcrossMm: mount.backingMm,
          plateThicknessMm: backingPlate.thicknessMm,
          plateYieldMPa: materialOf('steel').yieldMPa,
          washerMm: backingPlate.washerMm,
          skinThicknessMm: thicknessMm,
          skinYieldMPa: yieldMPa,
          panelRadiusMm,
          safety: rules.yieldSafety,
        })
      : null
  return [
    {
      part: 'sheet under the backing plate',
      asked: overRib
        ? 'what the rib holds that the backing plate reaches over, or a smaller plate'
        : 'thickness and panel of the sheet under the feet',
      word: 'calculated',
      holdsN,
      source: 'Timoshenko, Strength of Materials II, art. 23; AISC 360-16, J4.2',
    },
  ]
}

/** Tension and shear of the most used bolt of a foot: its pull and its pitch over the bolts, its push along and across over all of them. N. */
export function boltForces(
  mount: Mount,
  force: { downN: number; forwardN: number; leftN: number; pitchNmm: number },
): { tensionN: number; shearN: number } {
  const { count } = boltOf(mount)
  const pitch = count > 1 ? Math.abs(force.pitchNmm) / BOLTS_APART_MM / (count / 2) : Math.abs(force.pitchNmm) / (FOOT_BEARS_MM / 2)
  return { tensionN: Math.max(0, -force.downN) / count + pitch, shearN: Math.hypot(force.forwardN, force.leftN) / count }
}

export const boltsMay = (mount: Mount, rules: Rules): { tensionN: number; shearN: number } => {
  const { size } = boltOf(mount)
  return {
    tensionN: boltTension(size, 'A2-70', rules.loadFactor).value ?? 0,
    shearN: boltShear(size, 'A2-70', rules.loadFactor).value ?? 0,
  }
}
