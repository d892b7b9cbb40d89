import { type Assembly, loadBars, type Mount } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { type CrossbarStatics, crossbarStatics } from '../crossbar/statics'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { type Carried, countsWhen } from './carried'
import { type LoadCase, windPressurePa } from './loadCases'

export type CaseResult = {
  case: LoadCase
  /** per mount in assembly order, N: down positive */
  feetDownN: number[]
  bars: CrossbarStatics[]
  missing: string[]
}

/**
 * Shares every mass to the bars under it and on to the feet, for one load case. Forces N, lengths mm.
 *
 * A carried item is rigid and tied down: bars of equal stiffness take
 * R_i = W/n + (W·(x − x̄) + M)·(x_i − x̄) / Σ(x_i − x̄)², the elastic bolt-group rule (Shigley, 10th ed., 8-12) laid along
 * the vehicle, so two bars share exactly by levers and the sum and the moment always balance. M is the pitching moment of the
 * horizontal force at the item's height above the feet. Across the vehicle each bar is solved on its two feet; the sideways force
 * adds a couple F·h / spread. Sag is worked for the level cases only. `use` picks the least or the greatest of an estimated mass.
 */
export function shareLoads(
  assembly: Assembly,
  carried: Carried[],
  loadCase: LoadCase,
  rules: Rules,
  speedKmh: number | null,
  use: 'least' | 'most',
  person?: { bar: number; atMm: number },
): CaseResult {
  const bars = loadBars(assembly)
  const barX = bars.map((b) => b.path[0].x)
  const feet = bars.map((b) => assembly.mounts.filter((m) => m.memberId === b.id))
  const missing = new Set<string>()
  const patches = bars.map(() => [] as { y: number; width: number; forceN: number }[])
  const couples = bars.map(() => 0)
  const windPa = loadCase.wind ? (speedKmh === null ? null : windPressurePa(rules.airDensity, speedKmh)) : 0
  if (windPa === null) missing.add('driving speed')

  for (const item of carried) {
    if (!countsWhen(item, loadCase.when)) continue
    const massKg = item[use]
    if (massKg === null) {
      missing.add(`mass of ${item.name}`)
      continue
    }
    if (!item.bars.length) {
      missing.add(`a bar under ${item.name}`)
      continue
    }
    const drag = item.drag === 'fairing' ? rules.fairingDragCoefficient : rules.dragCoefficient
    const downN = massKg * loadCase.downG * G_M_S2 - (windPa ?? 0) * rules.liftCoefficient * item.planM2
    const forwardN = massKg * loadCase.forwardG * G_M_S2 - (windPa ?? 0) * drag * item.frontalM2
    const leftN = massKg * loadCase.leftG * G_M_S2
    const seatZ = feet[item.bars[0]][0]?.place.z ?? item.zMm
    const heightMm = item.zMm - seatZ
    const shares = shareAlong(
      item.bars.map((i) => barX[i]),
      item.xMm,
      downN,
      forwardN * heightMm,
    )
    item.bars.forEach((bar, k) => {
      patches[bar].push({ y: item.yMm, width: item.widthMm, forceN: shares[k] })
      couples[bar] += (leftN / item.bars.length) * heightMm
    })
  }

  const feetDownN = new Map<Mount, number>()
  const statics = bars.map((bar, i) => {
    const half = Math.abs(bar.path[0].y)
    const [left, right] = feet[i]
    // measured from the right end of the bar, so that left (y positive) is the second support
    const supports: [number, number] = [half + right.place.y, half + left.place.y]
    const solved = crossbarStatics(
      {
        lengthMm: 2 * half,
        supportsMm: clampSupports(supports, 2 * half),
        ...sectionInputs(bar.profileId),
        pointLoads: person?.bar === i ? [{ atMm: person.atMm, forceN: rules.personKg * G_M_S2 }] : [],
        patchLoads: patches[i].map((p) => onBar(p, half)),
      },
      use === 'least'
        ? 'reactions'
        : loadCase.downG === 1 && loadCase.forwardG === 0 && loadCase.leftG === 0 && !loadCase.wind
          ? 'all'
          : 'strength',
    )
    const couple = couples[i] / (left.place.y - right.place.y)
    const footN = loadCase.downG * G_M_S2
    feetDownN.set(right, solved.reactionsN[0] - couple + right.massKg * footN)
    feetDownN.set(left, solved.reactionsN[1] + couple + left.massKg * footN)
    return solved
  })
  return { case: loadCase, feetDownN: assembly.mounts.map((m) => feetDownN.get(m) ?? 0), bars: statics, missing: [...missing] }
}

/** Vertical shares of one rigid item on its bars; with one bar the pitching moment has nowhere to go. N. */
export function shareAlong(barXMm: number[], centreXMm: number, downN: number, pitchNmm: number): number[] {
  const n = barXMm.length
  const mean = barXMm.reduce((s, x) => s + x, 0) / n
  const spread = barXMm.reduce((s, x) => s + (x - mean) ** 2, 0)
  return barXMm.map((x) => downN / n + (spread > 0 ? ((downN * (centreXMm - mean) + pitchNmm) * (x - mean)) / spread : 0))
}

/** A patch cut to the bar: what would hang beside the bar is carried by its end, so the load is kept whole. */
function onBar(p: { y: number; width: number; forceN: number }, half: number) {
  const clamp = (v: number) => Math.min(2 * half, Math.max(0, v))
  let from = clamp(half + p.y - p.width / 2)
  let to = clamp(half + p.y + p.width / 2)
  if (to - from < 1) {
    from = Math.min(from, 2 * half - 1)
    to = from + 1
  }
  return { fromMm: from, toMm: to, forceN: p.forceN }
}

const clampSupports = ([a, b]: [number, number], length: number): [number, number] => [
  Math.max(0, Math.min(a, length - 2)),
  Math.min(length, Math.max(b, a + 1)),
]

const sectionInputs = (profileId: string) => {
  const s = profileSection(profileId)
  return { elasticMPa: materialOf(profileOf(profileId).materialId).elasticMPa, secondMomentMm4: s.iyMm4, sectionModulusMm3: s.wyMm3 }
}
