import { footTypes } from '../catalogue/mounts'
import { boltTogether } from '../fasten/bolt'
import { clampGripN } from '../fasten/clampGrip'
import { FOOT_WIDTH_MM, headHoldsNmm } from '../fasten/footPull'
import { type Figure, figure, SHOP_RULE } from '../figure/figure'
import { greatest } from '../figure/greatest'
import type { CaseResult, FootForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { boltForces, boltOf, boltsMay, pullOf } from './footLinks'
import type { FootRow } from './footRow'
import { allOfIt, type Limit, limit, quotient } from './limit'
import { chainFigure, type Link, ratedN } from './strength'

export const FRAME = 'space frame, 12-dof members on springs (Przemieniecki; core/structure)'
export const FRAME_ASSUMES = [
  'seats give way as the rules say; the worse of feet that clamp their bars and bars that turn on them',
  'items are tied down: they press and pull on what they rest on',
]

/** What a foot's limits are worked out from. `lacks` = what the loads still lack, by name. */
type Given = { feet: FootRow[]; cases: CaseResult[]; lacks: string[]; rules: Rules }
type At = { r: CaseResult; foot: FootRow; force: FootForce }

/** Every foot in every case. */
const everywhere = ({ feet, cases }: Given): At[] => cases.flatMap((r) => feet.map((foot) => ({ r, foot, force: r.feet[foot.index]! })))
const worstOf = (among: At[], of: (at: At) => number): At => greatest(among, of) ?? among[0]!
/** Used over the rating; a foot nobody rated governs as soon as anything is used of it. */
const against = (used: number, rated: number | null): number => (rated === null ? used * 1e6 : quotient(used, rated))
const at = ({ foot, r }: At): string => `${foot.mount.mark}, ${r.case.name}`

/** Each foot down, up, aside, along and upright, and its bolts in pull and shear together. */
export function footLimits(given: Given): Limit[] {
  const everyone = everywhere(given)
  const pins = pinLimit(
    everyone.filter((a) => a.foot.mount.kind === 'receiver'),
    given,
  )
  // a receiver is rated by its tongue and its moment; its pin alone holds it along
  const all = everyone.filter((a) => a.foot.mount.kind !== 'receiver')
  if (!all.length) return pins
  const ours = all.filter((a) => !a.foot.mount.theirs)
  const calm = all.filter((a) => !a.r.case.shock)
  const down = { id: 'foot.down', name: 'Foot, pressed down', links: (f: FootRow) => f.links.down }
  const up = { id: 'foot.up', name: 'Foot, pulled up', links: (f: FootRow) => f.links.up }
  const rated = given.feet.some((f) => f.links.standing.down.length)
  return [
    ...(given.feet.some((f) => f.links.down.length) ? [pressed(all, down, given)] : []),
    pulled(all, up, given),
    ...(rated
      ? [
          pressed(
            calm,
            { ...down, id: 'foot.standing', name: 'Foot, by its rating for standing loads', links: (f) => f.links.standing.down },
            given,
          ),
          pulled(
            calm,
            { ...up, id: 'foot.standing.up', name: 'Foot pulled up, by its rating for standing loads', links: (f) => f.links.standing.up },
            given,
          ),
        ]
      : []),
    ...(ours.length ? [boltLimit(ours, given), headLimit(ours, given)] : []),
    ...sideLimit(all, given),
    ...gripLimit(ours, given),
    ...pins,
  ]
}

/** The pin through tongue and receiver, cut in two places by what pushes and pulls the carrier along. */
function pinLimit(all: At[], { lacks, rules }: Given): Limit[] {
  if (!all.length) return []
  const worst = worstOf(all, (a) => Math.abs(a.force.downN))
  const { size } = boltOf(worst.foot.mount)
  return [
    limit({
      id: 'hitch.pin',
      name: 'Hitch pin, along',
      group: 'hitch',
      unit: 'N',
      ref: worst.foot.mount.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'hitch.pin',
          name: `Pin ${at(worst)}`,
          unit: 'N',
          formula: 'F = reaction of the frame along the vehicle',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: { F: [worst.force.downN, 'N', `push along, ${worst.r.case.name}`] },
          lacks,
        },
        ({ F }) => Math.abs(F),
      ),
      allowed: figure(
        {
          id: 'hitch.pin.allowed',
          name: `Pin as a bolt ${size} A2-70, cut twice`,
          unit: 'N',
          formula: 'F ≤ 2·Fv,R',
          source: 'EN 1993-1-8, table 3.4',
          with: { 'Fv,R': [boltsMay(worst.foot.mount, rules).shearN, 'N', 'shear it may take'] },
        },
        (v) => 2 * v['Fv,R'],
      ),
      caution: 'A pin without its clip falls out: look at it before every journey.',
    }),
  ]
}

type Way = { id: string; name: string; links: (f: FootRow) => Link[] }

function pressed(all: At[], way: Way, { lacks, rules }: Given): Limit {
  const rating = (a: At) => chainFigure(`${way.id}.rating.${a.foot.mount.id}`, `Foot ${a.foot.mount.mark}, down`, way.links(a.foot))
  const worst = worstOf(all, (a) => against(Math.max(0, a.force.downN), ratedN(way.links(a.foot))))
  const unrated = way.links(worst.foot).some((l) => l.holdsN === null)
  return limit({
    id: way.id,
    name: way.name,
    group: 'rack',
    unit: 'N',
    ref: worst.foot.mount.id,
    nearRatio: rules.nearRatio,
    allowed: rating(worst),
    used: figure(
      {
        id: way.id,
        name: `Foot ${at(worst)}`,
        unit: 'N',
        formula: 'F = reaction of the frame + foot',
        source: `${FRAME}; load case: ${worst.r.case.source}`,
        assumes: [
          ...FRAME_ASSUMES,
          ...(rules.bumpG > 1 && way.id === 'foot.down'
            ? ['a rating counts at any moment unless its maker says that it is for standing loads']
            : []),
        ],
        with: { F: [worst.force.downN, 'N', `reaction, ${worst.r.case.name}`] },
        lacks,
      },
      ({ F }) => Math.max(0, F),
    ),
    caution: unrated ? 'A foot nobody has rated carries nothing on paper: ask the vehicle’s maker or an engineer.' : undefined,
  })
}

function pulled(all: At[], way: Way, { lacks, rules }: Given): Limit {
  const pull = (a: At) => pullOf(a.foot.mount, a.force)
  const rating = (a: At) => chainFigure(`${way.id}.rating.${a.foot.mount.id}`, `Foot ${a.foot.mount.mark}, up`, way.links(a.foot))
  const worst = worstOf(all, (a) => against(pull(a), ratedN(way.links(a.foot))))
  const lifted = pull(worst) > 0
  return limit({
    id: way.id,
    name: way.name,
    group: 'rack',
    unit: 'N',
    ref: worst.foot.mount.id,
    nearRatio: rules.nearRatio,
    // a rating is only asked for where something pulls
    allowed: lifted || lacks.length || rating(worst).value !== null ? rating(worst) : noneLifted(way.id),
    used: figure(
      {
        id: way.id,
        name: `Foot ${at(worst)}`,
        unit: 'N',
        formula:
          'U = n·T + R/(w/2): T of its most pulled row, from M (pitch) and N (down) about its front edge, as if all n rows were pulled so; R turns a flat part over its bolts, w wide',
        source: `${FRAME}; statics of a stiff pad`,
        assumes: [...FRAME_ASSUMES, 'the least of each estimated mass counts'],
        with: {
          N: [worst.force.downN, 'N', `pressed down, ${worst.r.case.name}`],
          M: [worst.force.pitchNmm, 'N·mm', 'pitch'],
          R: [worst.force.rollNmm, 'N·mm', 'roll of a flat part'],
          w: [FOOT_WIDTH_MM, 'mm', 'width of a foot'],
        },
        lacks,
      },
      ({ N, M, R }) => pullOf(worst.foot.mount, { downN: N, pitchNmm: M, rollNmm: R }),
    ),
    caution: lifted ? 'A mount that cannot pull up will let go: use one that clamps or bolts, rated for it.' : undefined,
  })
}

const noneLifted = (id: string): Figure =>
  figure(
    { id: `${id}.none`, name: 'No foot is lifted', unit: 'N', formula: 'the least load stays downward', source: FRAME, with: {} },
    () => 1,
  )

function boltLimit(all: At[], { lacks, rules }: Given): Limit {
  const of = (a: At) => ({ ...boltForces(a.foot.mount, a.force), may: boltsMay(a.foot.mount, rules) })
  const used = (a: At) => {
    const f = of(a)
    // one that nobody knows what it holds is worst of all
    return f.may.missing === null ? boltTogether(f.tensionN, f.shearN, f.may.tensionN, f.may.shearN) : Number.POSITIVE_INFINITY
  }
  const worst = worstOf(all, used)
  const { tensionN, shearN, may } = of(worst)
  const bolt = boltOf(worst.foot.mount)
  return limit({
    id: 'foot.bolts',
    name: 'Bolts of a foot',
    group: 'rack',
    unit: '',
    ref: worst.foot.mount.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'foot.bolts',
        name: `${bolt.count} × ${bolt.size} A2-70 at ${at(worst)}`,
        unit: '',
        formula: 'max(Ft/Ft,R ; Fv/Fv,R + Ft/(1.4·Ft,R))',
        source: 'EN 1993-1-8, table 3.4; forces from the frame',
        assumes: ['the bolts of one row share alike; rows stand 50 mm apart along the vehicle'],
        with: {
          Ft: [tensionN, 'N', 'pull on one bolt'],
          Fv: [shearN, 'N', 'shear on one bolt, along and across'],
          'Ft,R': [may.tensionN, 'N', may.missing ?? 'pull it may take'],
          'Fv,R': [may.shearN, 'N', may.missing ?? 'shear it may take'],
        },
        lacks,
      },
      (v) => boltTogether(v.Ft, v.Fv, v['Ft,R'], v['Fv,R']),
    ),
    allowed: allOfIt('foot.bolts.allowed', 'EN 1993-1-8, table 3.4'),
  })
}

/** The moment with which a clamped foot's head keeps its bar from turning: its bolts must pry it. */
function headLimit(all: At[], { lacks, rules }: Given): Limit {
  const may = (a: At) => headHoldsNmm(boltOf(a.foot.mount).count, boltsMay(a.foot.mount, rules).tensionN ?? 0)
  const worst = worstOf(all, (a) => quotient(a.force.leanNmm, may(a)))
  const { count } = boltOf(worst.foot.mount)
  const worstMay = boltsMay(worst.foot.mount, rules)
  return limit({
    id: 'foot.clamp',
    name: 'Foot, clamping its bar',
    group: 'rack',
    unit: 'N·mm',
    ref: worst.foot.mount.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'foot.clamp',
        name: `Head of ${at(worst)}`,
        unit: 'N·mm',
        formula: 'M of the frame whose feet clamp their bars',
        source: FRAME,
        assumes: ['with it goes the thrust that “Foot, held aside” checks'],
        with: { M: [worst.force.leanNmm, 'N·mm', 'moment in the head'] },
        lacks,
      },
      ({ M }) => M,
    ),
    allowed: figure(
      {
        id: 'foot.clamp.allowed',
        name: 'Its bolts, pried over half its width',
        unit: 'N·mm',
        formula: 'M = n·Ft,R·b/2',
        source: 'statics; EN 1993-1-8, table 3.4',
        with: { n: [count, '', 'bolts'], 'Ft,R': [worstMay.tensionN, 'N', worstMay.missing ?? 'pull one may take'] },
      },
      (v) => headHoldsNmm(v.n, v['Ft,R']),
    ),
  })
}

/** Feet that only the shape of what they sit on holds aside: thrust of a clamped bar, cornering and gusts. */
function sideLimit(all: At[], { lacks, rules }: Given): Limit[] {
  const held = all.filter((a) => footTypes[a.foot.mount.kind].holds.across.how === 'shape')
  if (!held.length) return []
  const links = (a: At) => [...a.foot.links.down, ...a.foot.links.standing.down]
  const worst = worstOf(held, (a) => against(Math.abs(a.force.leftN), ratedN(links(a))))
  const rating = chainFigure('foot.side.down', `Foot ${worst.foot.mount.mark}, down`, links(worst))
  return [
    limit({
      id: 'foot.side',
      name: 'Foot, held aside',
      group: 'rack',
      unit: 'N',
      ref: worst.foot.mount.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'foot.side',
          name: `Foot ${at(worst)}, across the vehicle`,
          unit: 'N',
          formula: 'F = reaction of the frame across the vehicle',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: { F: [worst.force.leftN, 'N', `push aside, ${worst.r.case.name}`] },
          lacks,
        },
        ({ F }) => Math.abs(F),
      ),
      allowed: figure(
        {
          id: 'foot.side.allowed',
          name: `Held by ${footTypes[worst.foot.mount.kind].holds.across.by}`,
          unit: 'N',
          formula: 'F = k·R',
          source: SHOP_RULE,
          assumes: ['nobody rates it aside: a share of what it bears down stands in'],
          with: { k: [rules.sideShare, '', 'share'], R: [rating.value, 'N', rating.missing[0] ?? 'what it bears down'] },
        },
        ({ k, R }) => k * R,
      ),
    }),
  ]
}

/** Clamps that nothing but their grip keeps from sliding along gutter, rail, track or tube. */
function gripLimit(all: At[], { lacks, rules }: Given): Limit[] {
  const held = all.filter((a) => footTypes[a.foot.mount.kind].holds.along.how === 'grip')
  if (!held.length) return []
  const worst = worstOf(held, (a) => Math.abs(a.force.forwardN))
  const bolt = boltOf(worst.foot.mount)
  return [
    limit({
      id: 'foot.grip',
      name: 'Foot, sliding along',
      group: 'rack',
      unit: 'N',
      ref: worst.foot.mount.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'foot.grip',
          name: `Foot ${at(worst)}, along the vehicle`,
          unit: 'N',
          formula: 'F = reaction of the frame along the vehicle',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: { F: [worst.force.forwardN, 'N', `push along, ${worst.r.case.name}`] },
          lacks,
        },
        ({ F }) => Math.abs(F),
      ),
      allowed: clampGripN(bolt.size, bolt.count, rules),
      caution: 'Grip fades as linings settle: tighten clamps to their torque again after the first 50 km.',
    }),
  ]
}
