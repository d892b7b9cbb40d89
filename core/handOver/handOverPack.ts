import type { Assembly } from '../assembly/assembly'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import type { Priced } from '../cost/quote'
import { hardwareOrder } from '../cutList/hardwareOrder'
import { INSIDE_CAUTION } from '../inside/inside'
import type { Evaluation } from '../job/evaluate'
import type { Job } from '../job/job'
import type { Limit } from '../limits/limit'
import type { Rules } from '../rules/rules'

/** What was done by whom: a gate signed, a step with something to say. */
export type Signed = { on: string; what: string; by: string; said: string }
/** What goes with the vehicle besides its card. Only what was done, measured and reckoned stands in it. */
export type HandOverPack = {
  care: string[]
  spares: { count: number; what: string; for: string }[]
  signed: Signed[]
  /** what came out otherwise than drawn */
  asBuilt: (Signed & { settled: boolean })[]
  tests: { on: string; bar: string; loadKg: number; measuredSagMm: number | null; setMm: number | null; who: string }[]
  cautions: string[]
  /** still open, each to be settled by somebody and by a day */
  open: string[]
}

/** Care by metal and coat, in the shop's own words; what is calculated is not in here. */
const CARE: Record<Material['group'], string> = {
  steel: 'Steel: touch up every chip down to bright metal before it rusts; look into the ends of tubes after winter.',
  stainless: 'Stainless: wash salt off with fresh water; no steel wool, it leaves rust of its own.',
  aluminium: 'Aluminium: wash salt off with fresh water; keep copper and bare steel from lying on it; look for white powder at bolts.',
}
const COAT = {
  powder: 'Powder coat: wash with mild soap, no solvent; a chip that reaches metal creeps under the coat, so seal it at once.',
  painted: 'Paint: full hardness takes weeks; no strap or clamp on fresh paint longer than a trip.',
  raw: 'Bare metal: as it was agreed; it changes its colour.',
}

export function handOverPack(
  job: Job,
  e: Pick<Evaluation, 'assembly' | 'limits'>,
  pieces: Priced[],
  rules: Rules,
  open: string[],
): HandOverPack {
  const groups = new Set(metalsOf(e.assembly).map((m) => m.group))
  const finishes = new Set(pieces.flatMap((p) => p.finish ?? []))
  const ticks = Object.entries(job.built).sort(([, a], [, b]) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  return {
    care: [
      ...[...groups].map((g) => CARE[g]),
      ...[...finishes].map((f) => COAT[f]),
      ...(e.assembly.motions.length
        ? ['What turns or slides: a drop of oil on hinges and latches twice a year, grit out of slides after every beach.']
        : []),
      ...(e.assembly.infills.some((i) => i.kind === 'boards' || i.kind === 'slats')
        ? ['Boards: wax twice a year; a board that is cracked across is not stood on.']
        : []),
      'After a knock, or anything heavier than its card says: unload it and ask the shop before the next drive.',
    ],
    spares: hardwareOrder(e.assembly, rules).map((h) => ({ count: h.quantity, what: h.name, for: h.for })),
    signed: ticks.flatMap(([id, t]) => (t.by ? [{ on: t.on, what: t.what || id, by: t.by, said: '' }] : [])),
    asBuilt: ticks.flatMap(([id, t]) =>
      t.otherwise ? [{ on: t.on, what: t.what || id, by: t.by, said: t.otherwise, settled: t.settled }] : [],
    ),
    tests: job.loadTests.map((t) => ({
      on: t.at.slice(0, 10),
      bar: t.barMark,
      loadKg: t.loadKg,
      measuredSagMm: t.measuredSagMm,
      setMm: t.setMm,
      who: t.who,
    })),
    cautions: [...new Set([...cautionsOf(e.limits), ...(job.inside.things.length ? [INSIDE_CAUTION] : [])])],
    open,
  }
}

const metalsOf = (a: Assembly): Material[] => [
  ...a.members.map((m) => materialOf(profileOf(m.profileId).materialId)),
  ...a.plates.map((p) => materialOf(p.materialId)),
]
/** Of what is near its line, over it, or not known, the cautions that stand there. */
const cautionsOf = (limits: Limit[]): string[] => limits.flatMap((l) => (l.state !== 'clear' && l.caution ? [l.caution] : []))
