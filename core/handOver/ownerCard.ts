import type { Support } from '../assembly/assembly'
import { type Use, uses } from '../brief/cargo'
import type { Evaluation } from '../job/evaluate'
import type { Job } from '../job/job'
import { stopsOf } from '../job/stopsOf'
import { type Limit, missingFor } from '../limits/limit'
import { restOf } from '../resting/rest'
import { roadPrompts } from '../road/roadPrompts'
import type { Rules } from '../rules/rules'
import { labelOf, wiredRuns } from '../wiring/runs'
import { type Torque, torquesOf } from './torques'

/** One thing that may be carried: its greatest mass as it was reckoned with, where, and how it is held. kg, null = nobody weighed it */
export type CardItem = { name: string; mostKg: number | null; on: string; when: 'driving' | 'parked' | 'both'; held: string }
/** Bolts of one size and place, to what they are tightened. N·m */
export type OwnerCard = {
  may: CardItem[]
  mayNot: string[]
  /** what the owner sees to before he drives off */
  before: string[]
  /** what an owner can weigh or measure against: used and allowed with their units */
  figures: Limit[]
  /** over, or nobody could assess it: told, never left out */
  open: string[]
  torque: Torque[]
  rechecks: { after: string; what: string; days: number }[]
  keys: string[]
  /** cables with their fuses, for the label beside them */
  fuses: string[]
  ask: string[]
  engineer: string[]
}

const notFor: Record<Use, string> = {
  goods: 'goods',
  sheets: 'sheets and panels that the wind gets under',
  boats: 'boats and boards',
  bedding: 'sleeping on it',
  people: 'people on it',
  plant: 'machines and plant',
}
/** Before it counts as settled it is looked at again: the shop's own days. */
const SOON_DAYS = 7
const YEAR_DAYS = 365

/** What stays in the vehicle: what it carries and may not, in the owner's words, and every figure that is open. Only what is calculated, rated or tested stands in it. */
export function ownerCard(job: Job, e: Pick<Evaluation, 'assembly' | 'limits' | 'issues' | 'engineer'>, rules: Rules): OwnerCard {
  const { brief, vehicle } = job
  const { assembly, limits } = e
  const standsOn = assembly.supports.some((s) => s.walkOn.length > 0) && brief.someoneStands
  const climbs = assembly.supports.some((s) => s.climbOn.length > 0) && brief.someoneClimbs
  return {
    may: brief.cargo.map((c) => ({
      name: c.name,
      mostKg: c.massKg?.most ?? null,
      on: [...new Set(restOf(c, assembly).supports.map((s) => s.name))].join(', ') || 'nothing yet',
      when: c.counts,
      held: heldBy(c.securing, restOf(c, assembly).supports),
    })),
    mayNot: [
      'Anything that is not on this card: ask the shop first.',
      ...(uses.filter((u) => !brief.agreedUses.includes(u)).length
        ? [
            `Not agreed, so not for: ${uses
              .filter((u) => !brief.agreedUses.includes(u))
              .map((u) => notFor[u])
              .join('; ')}.`,
          ]
        : []),
      ...(standsOn ? [] : ['Nobody stands on it.']),
      ...(climbs ? [] : ['Nobody climbs on it.']),
      ...assembly.motions.filter((m) => m.heldBy).map((m) => `${m.name}: held on the road by ${m.heldBy}.`),
      ...stopsOf(job, assembly).map(
        (s) => `The ${s.name.toLowerCase()} is not forced past its stop at ${s.unit === '°' ? `${s.at}°` : `{${s.at}}`}.`,
      ),
      'No hole, weld or part is added: it would not be as reckoned any more.',
    ],
    before: assembly.checks,
    figures: limits.filter((l) => (l.group === 'vehicle' || l.group === 'hitch') && (l.unit === 'kg' || l.unit === 'mm' || l.unit === 'N')),
    open: [
      ...limits.filter((l) => l.state === 'over').map((l) => `${l.name}: over its line`),
      ...limits
        .filter((l) => l.state === 'unknown')
        .map((l) => `${l.name}: not assessed, ${missingFor(l).join(', ') || 'a figure'} missing`),
    ],
    torque: torquesOf(assembly, job.vehicle, rules),
    rechecks: assembly.mounts.length
      ? [
          { after: 'the first drives', what: 'every bolt and clamp to its torque again; straps and lids tried', days: SOON_DAYS },
          {
            after: 'a year, or a knock',
            what: 'welds and seams for cracks, feet and sheet round them, bolts, straps, locks',
            days: YEAR_DAYS,
          },
        ]
      : [],
    fuses: wiredRuns(job.wiring, assembly, rules).map(labelOf),
    keys: assembly.hardware.flatMap((h) => (h.part.kind === 'lock' && h.for ? [h.for] : [])),
    ask: roadPrompts(assembly, vehicle, brief, rules).map((p) => p.text),
    engineer: e.engineer,
  }
}

function heldBy(s: Job['brief']['cargo'][number]['securing'], on: Support[]): string {
  if (!s && on.length && on.every((x) => x.encloses)) return 'shut in, its lid latched'
  if (!s) return 'nobody said how'
  if (s.by === 'bolts') return 'bolted down'
  return s.straps.length ? `${s.straps.length} straps` : 'as its holder holds it'
}
