import type { Mount } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import { boltTogether } from '../fasten/bolt'
import { clampGripN } from '../fasten/clampGrip'
import { figure, input } from '../figure/figure'
import type { CaseResult } from '../loads/solveRack'
import type { Rules } from '../rules/rules'
import { boltForces, boltOf, boltsMay } from './footLinks'
import { type Limit, limit } from './limit'
import type { FootRow } from './rackLimits'
import { chainFigure } from './strength'

export const FRAME = 'space frame, 12-dof members on springs (Przemieniecki; core/structure)'
export const FRAME_ASSUMES = [
  'seats give way as the rules say; feet lean freely about the vehicle’s line',
  'items are tied down: they press and pull on what they rest on',
]

/** Each foot down and up against the weakest of what holds it, and its bolts in pull and shear together. */
export function footLimits(feet: FootRow[], cases: CaseResult[], missing: string[], rules: Rules): Limit[] {
  const unknowns = missing.map((m) => input('?', m, null, ''))
  const near = { nearRatio: rules.nearRatio }
  const rated = (f: FootRow, way: 'down' | 'up') =>
    chainFigure(`foot.${way}.rating.${f.mount.id}`, `Foot ${f.mount.mark}, ${way}`, f.links[way])
  const ratio = (used: number, allowed: number | null) => (allowed === null ? used * 1e6 : used / allowed)
  const worst = (used: (f: FootRow) => number, way: 'down' | 'up') =>
    feet.reduce((a, b) => (ratio(used(b), rated(b, way).value) > ratio(used(a), rated(a, way).value) ? b : a))
  const down = worst((f) => f.mostDownN, 'down')
  const up = worst((f) => Math.max(0, -f.leastDownN), 'up')
  const upN = Math.max(0, -up.leastDownN)
  const lifted = upN > 0
  return [
    limit({
      id: 'foot.down',
      name: 'Foot, pressed down',
      unit: 'N',
      ref: down.mount.id,
      ...near,
      allowed: rated(down, 'down'),
      used: figure(
        {
          id: 'foot.down',
          name: `Foot ${down.mount.mark}, ${down.downCase}`,
          unit: 'N',
          formula: 'F = reaction of the frame + foot',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: [
            input('F₁', 'same foot, driving level', down.levelN, 'N'),
            input('F', `same foot, ${down.downCase}`, down.mostDownN, 'N'),
            ...unknowns,
          ],
        },
        () => down.mostDownN,
      ),
      caution: down.links.down.some((l) => l.holdsN === null)
        ? 'A foot nobody has rated carries nothing on paper: ask the vehicle’s maker or an engineer.'
        : undefined,
    }),
    limit({
      id: 'foot.up',
      name: 'Foot, pulled up',
      unit: 'N',
      ref: up.mount.id,
      ...near,
      allowed:
        lifted || missing.length || rated(up, 'up').value !== null
          ? rated(up, 'up')
          : figure(
              { id: 'foot.up.none', name: 'No foot is lifted', unit: 'N', formula: 'least load stays downward', source: FRAME, with: [] },
              () => 1,
            ),
      used: figure(
        {
          id: 'foot.up',
          name: `Foot ${up.mount.mark}, ${up.upCase}`,
          unit: 'N',
          formula: 'U = −min reaction',
          source: FRAME,
          assumes: [...FRAME_ASSUMES, 'the least of each estimated mass counts'],
          with: [input('R', `least load on the foot, ${up.upCase}`, up.leastDownN, 'N'), ...unknowns],
        },
        () => upN,
      ),
      caution: lifted ? 'A mount that cannot pull up will let go: use one that clamps or bolts, rated for it.' : undefined,
    }),
    boltLimit(feet, cases, unknowns, rules),
    ...gripLimit(feet, cases, unknowns, rules),
  ]
}

function boltLimit(feet: FootRow[], cases: CaseResult[], unknowns: ReturnType<typeof input>[], rules: Rules): Limit {
  const used = (mount: Mount, i: number, r: CaseResult) => {
    const f = boltForces(mount, r.feet[i])
    const may = boltsMay(mount, rules)
    return { f, may, ratio: boltTogether(f.tensionN, f.shearN, may.tensionN, may.shearN) }
  }
  const all = cases.flatMap((r) => feet.map((foot, i) => ({ r, foot, ...used(foot.mount, i, r) })))
  const worst = all.reduce((a, b) => (b.ratio > a.ratio ? b : a))
  const bolt = boltOf(worst.foot.mount)
  return limit({
    id: 'foot.bolts',
    name: 'Bolts of a foot',
    unit: '',
    ref: worst.foot.mount.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'foot.bolts',
        name: `${bolt.count} × ${bolt.size} A2-70 at ${worst.foot.mount.mark}, ${worst.r.case.name}`,
        unit: '',
        formula: 'max(Ft/Ft,R ; Fv/Fv,R + Ft/1.4·Ft,R)',
        source: 'EN 1993-1-8, table 3.4; forces from the frame',
        assumes: [`bolts of the ${footTypes[worst.foot.mount.kind].name.toLowerCase()} share alike; pitch is taken by pairs 50 mm apart`],
        with: [
          input('Ft', 'pull on one bolt', worst.f.tensionN, 'N'),
          input('Fv', 'shear on one bolt', worst.f.shearN, 'N'),
          input('Ft,R', 'pull it may take', worst.may.tensionN, 'N'),
          input('Fv,R', 'shear it may take', worst.may.shearN, 'N'),
          ...unknowns,
        ],
      },
      () => worst.ratio,
    ),
    allowed: figure(
      { id: 'foot.bolts.allowed', name: 'All of it', unit: '', formula: '1', source: 'EN 1993-1-8, table 3.4', with: [] },
      () => 1,
    ),
  })
}

/** Clamps that nothing but their grip keeps from sliding along gutter, rail, track or tube. */
function gripLimit(feet: FootRow[], cases: CaseResult[], unknowns: ReturnType<typeof input>[], rules: Rules): Limit[] {
  const held = feet.map((foot, i) => ({ foot, i })).filter(({ foot }) => footTypes[foot.mount.kind].holds.along === 'grip')
  if (!held.length) return []
  const all = cases.flatMap((r) => held.map(({ foot, i }) => ({ r, foot, alongN: Math.abs(r.feet[i].forwardN) })))
  const worst = all.reduce((a, b) => (b.alongN > a.alongN ? b : a))
  const bolt = boltOf(worst.foot.mount)
  return [
    limit({
      id: 'foot.grip',
      name: 'Foot, sliding along',
      unit: 'N',
      ref: worst.foot.mount.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'foot.grip',
          name: `Foot ${worst.foot.mount.mark}, along the vehicle, ${worst.r.case.name}`,
          unit: 'N',
          formula: 'F = reaction of the frame along the vehicle',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: [input('F', `push along, ${worst.r.case.name}`, worst.alongN, 'N'), ...unknowns],
        },
        () => worst.alongN,
      ),
      allowed: clampGripN(bolt.size, bolt.count, rules),
      caution: 'Grip fades as linings settle: tighten clamps to their torque again after the first 50 km.',
    }),
  ]
}
