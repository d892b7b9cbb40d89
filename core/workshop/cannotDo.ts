import type { Assembly, Plate } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { fitUpGap } from '../gang/gang'
import { isRound } from '../geometry/hole'
import { radians } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { type TubePart, tubePart } from '../tube/tubeParts'
import { isCutHole } from './cutHole'
import { dieFor, learned } from './learned'
import type { Workshop } from './workshop'

/** What this shop cannot do as drawn, at which parts, and what would do. Lengths in braces, mm. */
export type CannotDo = { marks: string[]; says: string; would: string }

/** Every part against the shop's saws, dies, hole saws and welders; alike lacks of several parts together. */
export function cannotDo(a: Assembly, w: Workshop, rules: Rules): CannotDo[] {
  const found = new Map<string, CannotDo>()
  const put = (mark: string, says: string, would: string) => {
    const known = found.get(says)
    if (known && !known.marks.includes(mark)) known.marks.push(mark)
    if (!known) found.set(says, { marks: [mark], says, would: orSubcontract(would, w) })
  }
  for (const m of a.members) {
    const part = tubePart(m, a)
    for (const [says, would] of [...sawing(part, w), ...bending(part, w), ...coping(part, w)]) put(m.mark, says, would)
  }
  for (const p of a.plates) for (const [says, would] of flatWork(p, w, rules)) put(p.mark, says, would)
  for (const [mark, says, would] of gaps(a, w, rules)) put(mark, says, would)
  const welded = a.joints.filter((j) => j.kind === 'weld')
  const aluminium = new Set(a.members.filter((m) => materialOf(profileOf(m.profileId).materialId).group === 'aluminium').map((m) => m.id))
  if (welded.length && !w.welders.length) put('welds', 'no welder is listed', 'list the welder at The shop, or bolt it')
  else if (welded.some((j) => j.between.some((id) => aluminium.has(id))) && !w.welders.some((x) => x.process === 'TIG' || x.aluminium))
    put('welds', 'no welder here is set up for aluminium', 'TIG, or MIG with a spool gun; or bolted joints')
  return [...found.values()]
}

const orSubcontract = (would: string, w: Workshop): string =>
  w.subcontractDays === null ? would : `${would}; or sent out, ${w.subcontractDays} days`

type Lack = [says: string, would: string]
/** A radius that is off by more moves a mark by a millimetre or so. mm, shop's own */
const RADIUS_OFF_MM = 2

function sawing({ member, ends }: TubePart, w: Workshop): Lack[] {
  if (!w.saws.length) return [['no saw is listed', 'list the saw at The shop']]
  const s = profileSection(member.profileId)
  return ends.flatMap((e): Lack[] => {
    const angle = e.kind === 'mitre' ? Math.abs(e.angleDeg) : 0
    const turns = w.saws.filter((saw) => Math.max(saw.mostLeftDeg, saw.mostRightDeg) >= angle - 1e-9)
    if (!turns.length) {
      const most = Math.max(...w.saws.map((saw) => Math.max(saw.mostLeftDeg, saw.mostRightDeg)))
      return [[`a mitre of ${angle}° is beyond the saw’s ${most}°`, 'a wedge of known angle against the fence']]
    }
    const tall = Math.max(s.heightMm, s.widthMm) / Math.cos(radians(Math.min(angle, 89)))
    const throat = Math.max(...turns.map((saw) => saw.throatMm))
    return tall > throat + 1e-9
      ? [[`its cut is {${tall.toFixed(0)}} tall and the saw takes {${throat.toFixed(0)}}`, 'cut from two sides']]
      : []
  })
}

function bending({ member, bent, lacks }: TubePart, w: Workshop): Lack[] {
  if (member.path.length < 3) return []
  if (lacks) return [[lacks, 'no cut length until then']]
  const { shape } = profileOf(member.profileId)
  if (shape.kind !== 'round') return [['it is bent and not round: round dies do not take it', 'a round tube, or mitred corners']]
  const own = w.dies.filter((d) => Math.abs(d.tubeMm - shape.outsideDiameterMm) < 0.3)
  if (!own.length)
    return [
      [
        `no die for tube of {${shape.outsideDiameterMm}}`,
        w.dies.length ? `a tube of ${[...new Set(w.dies.map((d) => `{${d.tubeMm}}`))].join(', ')}` : 'list the dies at The shop',
      ],
    ]
  return (bent?.bends ?? []).flatMap((b, i): Lack[] => {
    const die = dieFor(own, shape.outsideDiameterMm, b.radiusMm)
    if (!die)
      return [[`no die of radius {${b.radiusMm}} for it`, `radius ${own.map((d) => `{${d.radiusMm}}`).join(' or ')}, which the shop has`]]
    const before = bent!.straightsMm[i]!
    const tried = learned(die)?.radiusMm ?? null
    const least = i === 0 ? die.straightBeforeMm : die.straightBetweenMm
    return [
      // what the trials gained is the truth of this die: marks by another radius are off
      ...(tried !== null && Math.abs(tried - b.radiusMm) > RADIUS_OFF_MM
        ? [
            [
              `trial bends of its die came out at radius {${tried.toFixed(1)}}, drawn with {${b.radiusMm}}: its marks are off`,
              `{${tried.toFixed(1)}} as its radius`,
            ] as Lack,
          ]
        : []),
      ...(b.angleDeg > die.mostDeg + 1e-9
        ? [[`bend ${i + 1} turns ${b.angleDeg.toFixed(0)}° and its die ${die.mostDeg}°`, 'two bends with a straight between'] as Lack]
        : []),
      ...(before < least - 1e-9
        ? [
            [
              `the straight before bend ${i + 1} is {${before.toFixed(0)}} and the clamp needs {${least}}`,
              i === 0 ? 'bend it long and cut it after' : 'bends further apart, or a smaller radius',
            ] as Lack,
          ]
        : []),
    ]
  })
}

/** Holes beyond the largest drill, slots that close up in the cut, and folds longer than the brake. */
function flatWork(p: Plate, w: Workshop, rules: Rules): Lack[] {
  const narrow = Math.min(...p.holes.filter((h) => !isRound(h)).map((h) => h.diameterMm))
  const least = rules.cutHoleT * p.thicknessMm
  // what the table cuts is not drilled
  const drilled = p.holes.filter((h) => isRound(h) && !(w.table && isCutHole(h, p.thicknessMm, rules)))
  const hole = Math.max(0, ...drilled.map((h) => h.diameterMm))
  const fold = Math.max(0, ...p.bends.map(({ line: [a, b] }) => Math.hypot(a.x - b.x, a.y - b.y)))
  return [
    ...(hole > w.drillMostMm
      ? [[`a hole of {g ${hole}} and the largest drill is {g ${w.drillMostMm}}`, 'a hole saw, a punch or the cutting table'] as Lack]
      : []),
    ...(narrow < least - 1e-9
      ? [
          [
            `a cut-out {g ${Math.round(narrow * 10) / 10}} wide in {g ${p.thicknessMm}} sheet and the table cuts clean from {g ${Math.round(least * 10) / 10}}`,
            'a wider one, thinner sheet, or a laser',
          ] as Lack,
        ]
      : []),
    ...(fold > w.brakeMm
      ? [
          [
            w.brakeMm ? `a fold {${Math.round(fold)}} long and the brake takes {${w.brakeMm}}` : 'it is folded and no brake is listed',
            'welded from two flats',
          ] as Lack,
        ]
      : []),
  ]
}

/** A square or mitred end that is welded stands off by what the saw is out of square, at both ends, over the depth of the section. */
function gaps(a: Assembly, w: Workshop, rules: Rules): [string, ...Lack][] {
  if (!w.saws.length) return []
  const out = Math.min(...w.saws.map((s) => s.outOfSquareMm))
  const welded = new Set(a.joints.filter((j) => j.kind === 'weld').map((j) => j.between[0]))
  return a.members.flatMap((m): [string, ...Lack][] => {
    if (!welded.has(m.id) || m.ends.every((e) => e.kind === 'cope' || e.kind === 'cap')) return []
    const s = profileSection(m.profileId)
    const { gapMm, bridges } = fitUpGap(out, 100, Math.max(s.heightMm, s.widthMm), rules.fitUpGapMm)
    return bridges
      ? []
      : [
          [
            m.mark,
            `the saw is off square by {${out}} in {100}: up to {${gapMm.toFixed(1)}} of gap, and a weld may bridge {${rules.fitUpGapMm}}`,
            'square the saw, or file the ends to fit',
          ],
        ]
  })
}

/** Widest that a hole saw may be over the tube it is for. mm, shop's own */
const HOLE_SAW_OVER_MM = 1.6

const coping = ({ ends }: TubePart, w: Workshop): Lack[] =>
  ends.flatMap((e): Lack[] => {
    if (e.kind !== 'cope') return []
    if (e.lacks) return [[e.lacks, 'without that there is no template']]
    const { main } = e.meeting
    if (main.kind === 'flat' || w.notcher) return []
    const od = 2 * main.radiusMm
    return w.holeSawsMm.some((d) => d > od - 0.4 && d < od + HOLE_SAW_OVER_MM)
      ? []
      : [[`no hole saw for a saddle onto {${od}}`, 'the printed template, a grinder and a half-round file']]
  })
