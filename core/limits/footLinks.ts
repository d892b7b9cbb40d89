import type { Assembly, Mount } from '../assembly/assembly'
import { bracketOf } from '../assembly/fittedBracket'
import { type BoltSize, boltSizes } from '../catalogue/bolts'
import { materialOf } from '../catalogue/materials'
import { backingPlate, footTypes } from '../catalogue/mounts'
import { profileOf } from '../catalogue/profiles'
import { backingPlateHoldsN, plateTheoryEndsN } from '../fasten/backingPlate'
import { boltMayN, boltTension } from '../fasten/bolt'
import { bracketBending } from '../fasten/bracket'
import { wallBearsN } from '../fasten/crushing'
import { FOOT_LENGTH_MM, FOOT_WIDTH_MM, footPullN, rowPullN, sheetThreadHoldsN } from '../fasten/footPull'
import { rivetNutHoldsN, rivetNutMissing } from '../fasten/rivetNut'
import type { FootForce } from '../loads/caseResult'
import { missingName, settledValue } from '../measure/settle'
import { ratedAt } from '../places/places'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { fieldLabel, footRating, type MountLine, type Vehicle } from '../vehicle/vehicle'
import type { Link } from './strength'

export const boltOf = (mount: Mount): { size: BoltSize; count: number } => {
  const type = footTypes[mount.kind]
  return { size: type.bolt.size, count: type.boltsPerFoot }
}
/** Rows of bolts one behind the other along the vehicle. */
const rowsOf = (mount: Mount): 1 | 2 => (boltOf(mount).count > 1 ? 2 : 1)

/** Everything a mount's force passes through, pressed down and pulled up; which gives first is its rating. `standing` = a rating made for standing loads. */
export type FootChain = { down: Link[]; up: Link[]; standing: { down: Link[]; up: Link[] } }

export function footLinks(mount: Mount, assembly: Assembly, vehicle: Vehicle, rules: Rules): FootChain {
  const line = vehicle.mounts.find((m) => m.id === mount.placeId)
  const skinThere = line ? line.skin : ratedAt(vehicle, mount.placeId).skin
  const type = footTypes[mount.kind]
  const bolt = boltOf(mount)
  const tension = boltTension(bolt.size, 'A2-70', rules.loadFactor)
  const bolts: Link = {
    part: `${bolt.count} ${bolt.count > 1 ? 'bolts' : 'bolt'} ${bolt.size} A2-70`,
    word: 'calculated',
    holdsN: (tension.value ?? 0) * bolt.count,
    source: tension.source,
  }
  const slotted = slottedLinks(mount, assembly, bolt.count, rules)
  const bracket = bracketLink(mount, assembly, rules)
  const skin =
    type.nut === 'rivet nut'
      ? [rivetNutLink(bolt, rules)]
      : type.drilled
        ? [skinLink(mount, skinThere, rules), ...threadLink(mount, skinThere, rules)]
        : []
  const maker = { down: makerLink('footDownKg', mount, line, vehicle), up: makerLink('footUpKg', mount, line, vehicle) }
  const standing = vehicle.footRatingMeans === 'standing'
  const nothing: Link[] =
    type.holds.up === null
      ? [{ part: 'nothing: it only stands in its place', word: 'calculated', holdsN: 0, source: 'how it is mounted' }]
      : []
  return {
    down: [...(standing ? [] : maker.down), ...slotted.down, ...bracket, ...skin.slice(0, 1)],
    up: [...nothing, ...(standing ? [] : maker.up), ...(mount.theirs ? [] : [bolts]), ...slotted.up, ...bracket, ...skin],
    standing: standing ? maker : { down: [], up: [] },
  }
}

/** What the maker of the place gave it; a drilled place has no maker, so there it counts only where somebody rated the very line. */
function makerLink(key: 'footDownKg' | 'footUpKg', mount: Mount, line: MountLine | undefined, vehicle: Vehicle): Link[] {
  const s = line ? footRating(vehicle, line, key) : ratedAt(vehicle, mount.placeId)[key === 'footDownKg' ? 'downKg' : 'upKg']
  const type = footTypes[mount.kind]
  const value = settledValue(s)
  if (type.drilled && s.value === null) return []
  const elsewhere =
    s.value === null && vehicle[key].value !== null ? `, of a ${type.name.toLowerCase()}: the vehicle’s is for another kind` : ''
  return [
    {
      part: 'mount',
      asked: `${missingName(fieldLabel(key), s)}${elsewhere}`,
      word: 'maker-rated',
      holdsN: value === null ? null : value * G_M_S2,
      source: s.value === null ? 'not given' : s.source || s.method,
    },
  ]
}

/** The member over the foot: a tube's wall crushes under it, a slotted extrusion hangs on its nuts. */
function slottedLinks(mount: Mount, assembly: Assembly, bolts: number, rules: Rules): { down: Link[]; up: Link[] } {
  const member = assembly.members.find((m) => m.id === mount.on)
  const profile = member ? profileOf(member.profileId) : null
  if (!profile) return { down: [], up: [] }
  if (profile.shape.kind === 'slotted')
    return {
      down: [],
      up: [
        {
          part: 'T-slot nuts',
          asked: 'maker’s rating of the T-slot nuts',
          word: 'maker-rated',
          holdsN: rules.tNutN > 0 ? rules.tNutN * bolts : null,
          source: 'maker of the extrusion',
        },
      ],
    }
  const wall = wallBearsN(profile.shape, FOOT_LENGTH_MM, materialOf(profile.materialId).yieldMPa)
  if (wall === null || wall === undefined) return { down: [], up: [] }
  return {
    down: [{ part: 'tube wall over the foot', word: 'calculated', holdsN: wall, source: 'AISC 360-16, J10.2; Roark, table 9.2' }],
    up: [],
  }
}

function bracketLink(mount: Mount, assembly: Assembly, rules: Rules): Link[] {
  const bracket = bracketOf(mount, assembly, rules)
  if (!bracket) return []
  return [
    { part: 'step bracket', word: 'calculated', holdsN: bracketBending(bracket.made, 1).holdsN, source: 'σ = M / W, Gere & Goodno, 5.5' },
  ]
}

/**
 * A drilled foot presses and pulls on thin sheet: without its thickness, yield and panel nobody knows what it holds, and where the sheet moves by its own
 * thickness plate theory ends and only a load test speaks.
 */
function skinLink(mount: Mount, skin: MountLine['skin'], rules: Rules): Link {
  const { thicknessMm = null, yieldMPa = null, panelRadiusMm = null } = skin ?? {}
  const across = mount.backingMm ?? FOOT_WIDTH_MM
  // a plate as wide as the panel bears on the rib round it, which nobody has checked
  const overRib = panelRadiusMm !== null && across / 2 >= panelRadiusMm
  const link = (part: string, holdsN: number | null): Link => ({
    part,
    asked: overRib
      ? 'what the rib holds that the backing plate reaches over, or a smaller plate'
      : 'thickness and panel of the sheet under the feet',
    word: 'calculated',
    holdsN,
    source: 'Timoshenko, Strength of Materials II, art. 23; AISC 360-16, J4.2',
  })
  if (thicknessMm === null || yieldMPa === null || panelRadiusMm === null || overRib) return link('sheet under the backing plate', null)
  const plate = {
    plateAcrossMm: across,
    plateThicknessMm: backingPlate.thicknessMm,
    plateYieldMPa: materialOf('steel').yieldMPa,
    washerMm: backingPlate.washerMm,
    skinThicknessMm: thicknessMm,
    skinYieldMPa: yieldMPa,
    skinElasticMPa: materialOf('al6061t6').elasticMPa, // nobody asked which metal: the softer one
    panelRadiusMm,
    safety: rules.yieldSafety,
  }
  const [strength, theory] = [backingPlateHoldsN(plate), plateTheoryEndsN(plate)]
  return theory < strength
    ? link('sheet under the backing plate, which moves by its own thickness there; more must be proved by a load test', theory)
    : link('sheet under the backing plate', strength)
}

/** What pulls a rivet nut out of its sheet is its maker's to say; pressed on it only the wall behind its spacer gives, which is not judged. */
function rivetNutLink({ size, count }: { size: BoltSize; count: number }, rules: Rules): Link {
  const eachN = rivetNutHoldsN(size, rules)
  return {
    part: `rivet nut ${size} in the rib`,
    asked: rivetNutMissing(size),
    word: 'maker-rated',
    holdsN: eachN === null ? null : eachN * count,
    source: 'maker of the rivet nuts',
  }
}

function threadLink(mount: Mount, skin: MountLine['skin'], rules: Rules): Link[] {
  const { nut } = footTypes[mount.kind]
  if (nut !== 'thread in the sheet') return []
  const { size, count } = boltOf(mount)
  const known = skin?.thicknessMm != null && skin.yieldMPa !== null ? { sheetMm: skin.thicknessMm, tensileMPa: skin.yieldMPa } : null
  const each = known && sheetThreadHoldsN({ ...known, diameterMm: boltSizes[size].diameterMm, loadFactor: rules.loadFactor })
  return [
    {
      part: 'threads in the sheet',
      asked: 'thickness and yield of the sheet under the feet',
      word: 'calculated',
      holdsN: each === null ? null : each * count,
      source: 'EN 1993-1-3, table 8.2',
    },
  ]
}

/** How much a foot is pulled up, its pitch counted where bolts have to hold it: one pair then takes more than its half. N */
export const pullOf = (mount: Mount, force: Pick<FootForce, 'downN' | 'pitchNmm' | 'rollNmm'>): number =>
  footTypes[mount.kind].holds.turning?.how === 'shape'
    ? Math.max(0, -force.downN)
    : footPullN(rowsOf(mount), force.downN, force.pitchNmm, force.rollNmm)

/** Tension and shear of the most used bolt of a foot: its pull with its pitch, its push along and across over all of them. N. */
export function boltForces(mount: Mount, force: Omit<FootForce, 'leanNmm'>): { tensionN: number; shearN: number } {
  const { count } = boltOf(mount)
  const rows = rowsOf(mount)
  const perRow = Math.max(1, count / rows)
  const byPocket = footTypes[mount.kind].holds.turning?.how === 'shape'
  const pull = byPocket ? Math.max(0, -force.downN) / rows : rowPullN(rows, force.downN, force.pitchNmm, force.rollNmm)
  return { tensionN: pull / perRow, shearN: Math.hypot(force.forwardN, force.leftN) / count }
}

/** What one bolt of a foot may take, in a rivet nut no more than its maker lets that hold; null and what is `missing` while nobody knows it. N */
export type BoltMay = { tensionN: number; shearN: number; missing: null } | { tensionN: null; shearN: null; missing: string }
export function boltsMay(mount: Mount, rules: Rules): BoltMay {
  const { size } = boltOf(mount)
  const may = boltMayN(size, 'A2-70', rules.loadFactor)
  if (footTypes[mount.kind].nut !== 'rivet nut') return { ...may, missing: null }
  const nutN = rivetNutHoldsN(size, rules)
  return nutN === null
    ? { tensionN: null, shearN: null, missing: rivetNutMissing(size) }
    : { tensionN: Math.min(may.tensionN, nutN), shearN: Math.min(may.shearN, nutN), missing: null }
}
