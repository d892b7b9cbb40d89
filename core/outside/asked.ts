import { type Assembly, coatedAreaM2, memberLengthMm, memberMassKg, type Plate, plateMassKg } from '../assembly/assembly'
import { boxOf } from '../assembly/places'
import { massPerMetre } from '../catalogue/profiles'
import { needsOf, sectionKey } from '../purchase/needs'
import type { Rules } from '../rules/rules'
import { flatKinds, marksOf } from '../sheetNesting/sheetPlan'
import type { Asked, AskedLine, OutsideKind } from './answer'

type Coated = { assembly: Assembly; finish: 'raw' | 'painted' | 'powder' | null }
export const COAT_KEY = 'coat powder'

/** What of a job would be asked of each service; null where it has nothing for them. Lengths and areas as they are used, not as they are sold. */
export function askedOf(pieces: readonly Coated[], assembly: Assembly, rules: Rules): Record<OutsideKind, Asked | null> {
  return {
    merchant: asked('merchant', metal(assembly, rules)),
    coater: asked('coater', coat(pieces)),
    laser: asked('laser', flat(assembly, rules)),
  }
}

const asked = (kind: OutsideKind, lines: AskedLine[]): Asked | null => (lines.length ? { kind, lines } : null)
const bare = { thickMm: 0, leastHoleMm: null, cutMm: 0, pierces: 0 }

/** Sections and sheet by the key of the kit, the longest piece of each. */
const metal = (a: Assembly, rules: Rules): AskedLine[] =>
  needsOf(a, rules).flatMap((n): AskedLine[] => {
    if (n.unit !== 'mm' && n.unit !== 'mm²') return []
    const members = a.members.filter((m) => sectionKey(m.profileId) === n.key)
    const plates = a.plates.filter((p) => `sheet ${p.materialId} ${p.thicknessMm}` === n.key)
    return [
      {
        ...bare,
        ...{ key: n.key, name: n.name, unit: n.unit, quantity: n.quantity },
        massKg:
          n.kind === 'sections'
            ? (n.quantity / 1000) * massPerMetre(members[0]?.profileId ?? '')
            : plates.reduce((s, p) => s + plateMassKg(p), 0),
        longMm: Math.max(0, ...members.map(memberLengthMm)),
        wideMm: 0,
        thickMm: plates[0]?.thicknessMm ?? 0,
      },
    ]
  })

/** All that is powder coated, as one lot: its surface, and what goes into the oven. */
function coat(pieces: readonly Coated[]): AskedLine[] {
  const mine = pieces.filter((p) => p.finish === 'powder').map((p) => p.assembly)
  const areaMm2 = mine.reduce((s, a) => s + coatedAreaM2(a), 0) * 1e6
  if (areaMm2 <= 0) return []
  const members = mine.flatMap((a) => a.members)
  const long = members.map(memberLengthMm)
  const mass = members.reduce((s, m) => s + memberMassKg(m), 0) + mine.flatMap((a) => a.plates).reduce((s, p) => s + plateMassKg(p), 0)
  return [
    {
      ...bare,
      ...{ key: COAT_KEY, name: 'Powder coat', unit: 'mm²', quantity: areaMm2, massKg: mass },
      ...span(mine, Math.max(0, ...long, ...mine.flatMap((a) => a.plates.map(flatLongMm)))),
    },
  ]
}

/** As long as a flat part is laid out; folded it is no longer. mm */
const flatLongMm = (p: Plate): number => {
  const { size } = boxOf(p.outline.map(({ x, y }) => ({ x, y, z: 0 })))
  return Math.max(size.x, size.y)
}

/** The longest side of what hangs in the oven, and the next: welded pieces go in whole. mm */
function span(mine: Assembly[], leastMm: number): { longMm: number; wideMm: number } {
  const boxes = mine.map((a) => {
    const welded = a.joints.some((j) => j.kind === 'weld')
    const points = a.members.flatMap((m) => m.path)
    if (!welded || !points.length) return [leastMm, 0]
    return (['x', 'y', 'z'] as const)
      .map((k) => Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k])))
      .sort((a, b) => b - a)
      .slice(0, 2)
  })
  return { longMm: Math.max(leastMm, ...boxes.map((b) => b[0] ?? 0)), wideMm: Math.max(0, ...boxes.map((b) => b[1] ?? 0)) }
}

/** Every kind of flat part as it is cut. */
const flat = (a: Assembly, rules: Rules): AskedLine[] =>
  flatKinds(a, rules).map((k): AskedLine => {
    const holes = k.plate.holes.filter((h) => !k.drilled.includes(h)).map((h) => h.diameterMm)
    return {
      ...{ key: `flat ${marksOf(k)}`.slice(0, 160), name: `${marksOf(k)} ${k.plate.name}`.slice(0, 200), unit: 'piece' },
      ...{ quantity: k.marks.length, massKg: k.massEachKg, thickMm: k.plate.thicknessMm },
      longMm: Math.max(k.flatMm.x, k.flatMm.y),
      wideMm: Math.min(k.flatMm.x, k.flatMm.y),
      leastHoleMm: holes.length ? Math.min(...holes) : null,
      cutMm: k.cutMm,
      pierces: k.pierces,
    }
  })
