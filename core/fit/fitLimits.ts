import { figure, given, type Input } from '../figure/figure'
import { type Limit, limit, limitKey } from '../limits/limit'
import type { Rules } from '../rules/rules'
import type { Bodiless } from './bodiless'
import { type Gap, UNMEASURED } from './gaps'
import type { Motion } from './motions'

/** Gaps that are not clear, the nearest of those that are, what something that moves meets, and what nobody measured. */
export function fitLimits({ gaps, motions, lost }: { gaps: Gap[]; motions: Motion[]; lost: Bodiless[] }, rules: Rules): Limit[] {
  const [nearest] = gaps.filter((g) => g.state === 'clear')
  const told = [...gaps.filter((g) => g.state === 'meets' || g.state === 'tight' || g.state === 'unknown'), ...(nearest ? [nearest] : [])]
  return [
    ...alike(told).map((g) => gapLimit(g, rules)),
    ...unmeasured(gaps).map((g) => gapLimit(g, rules)),
    ...motions.filter((m) => m.touch || m.lacks).map((m) => motionLimit(m, rules)),
    ...lost.map((b) => bodilessLimit(b, rules)),
  ]
}

/** Of gaps between parts of the same two names the worst speaks for all. */
function alike(gaps: Gap[]): Gap[] {
  const plain = (name: string) => name.replace(/ [A-Z0-9-]+$/, '')
  const seen = new Set<string>()
  return gaps.filter((g) => {
    const key = `${g.a.pieceId} ${plain(g.a.name)} ${g.b.pieceId} ${plain(g.b.name)}`
    return !seen.has(key) && seen.add(key)
  })
}

/** One for each surface that nobody measured, the part that is drawn nearest to it. */
function unmeasured(gaps: Gap[]): Gap[] {
  const seen = new Set<string>()
  return gaps
    .filter((g) => g.state === 'measure')
    .sort((p, q) => p.gapMm - q.gapMm)
    .filter((g) => {
      const body = g.a.id.startsWith('body:') ? g.a.id : g.b.id
      return !seen.has(body) && seen.add(body)
    })
}

/** How a gap is measured. */
export const GAP_SOURCE = 'distance of convex bodies (Gilbert, Johnson & Keerthi 1988); depth by separating axes'

const limitId = (g: Gap): string => `gap.${g.id}`
const partOf = (g: Gap) => (g.a.pieceId !== null ? g.a : g.b)
/** The name by which a gap’s limit is asked for. */
export const gapLimitKey = (g: Gap): string => limitKey({ id: limitId(g), pieceId: partOf(g).pieceId })

function gapLimit(g: Gap, rules: Rules): Limit {
  const id = limitId(g)
  const part = partOf(g)
  const nobody = g.takers.some((t) => t.name === UNMEASURED)
  return limit({
    id,
    name: `Gap: ${g.a.name} to ${g.b.name}`,
    group: g.a.id.startsWith('cargo:') ? 'cargo' : 'rack',
    unit: 'gauge',
    ref: part.id,
    pieceId: part.pieceId,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: `${id}.used`,
        name: 'What may take from the gap',
        unit: 'gauge',
        formula: 'e = Σ t + Σ m',
        source: 'worst case: every error against us (JCGM 100:2008 gives the likely one)',
        with: {
          t: g.takers.filter((t) => t.error).map((t): Input => [t.mm, 'gauge', t.name]),
          m: g.takers.filter((t) => !t.error).map((t): Input => [t.mm, 'gauge', t.name]),
        },
      },
      (v) => [...v.t, ...v.m].reduce((s, x) => s + x, 0),
    ),
    allowed: given({
      id: `${id}.allowed`,
      name: 'Gap as drawn',
      unit: 'gauge',
      source: GAP_SOURCE,
      symbol: 'g',
      // a gap to a surface nobody measured has no millimetres
      input: [nobody ? null : g.gapMm, 'gauge', nobody ? UNMEASURED : 'nearest points'],
    }),
    caution: g.state === 'meets' ? 'They stand in one another: nothing may be cut before one of them gives way.' : undefined,
  })
}

function motionLimit(m: Motion, rules: Rules): Limit {
  const { mover, touch, lacks } = m
  const unit = mover.kind === 'turn' ? ('°' as const) : ('mm' as const)
  const id = `way.${mover.id}`
  const far = mover.kind === 'turn' ? 'opens to' : 'comes out by'
  return limit({
    id,
    name: touch ? `${mover.name} meets ${touch.what.name}` : `${mover.name}: its way`,
    group: 'rack',
    unit,
    ref: touch?.what.id ?? null,
    pieceId: mover.pieceId,
    nearRatio: rules.nearRatio,
    used: given({
      id: `${id}.used`,
      name: 'Its whole way',
      unit,
      source: 'as measured or designed',
      symbol: 'a',
      input: [mover.to, unit, lacks ?? far],
    }),
    allowed: given({
      id: `${id}.allowed`,
      name: 'Until it meets something',
      unit,
      source: 'conservative advancement (Mirtich 1996): no step is longer than the gap',
      symbol: 'a',
      input: [touch?.at ?? null, unit, lacks ?? `${touch?.part.name} against ${touch?.what.name}`],
    }),
  })
}

/** What has no body because a figure is missing: its gaps are not assessed. */
function bodilessLimit(b: Bodiless, rules: Rules): Limit {
  const id = `body.${b.id}`
  const lacking = (key: string, name: string) =>
    given({ id: `${id}.${key}`, name, unit: 'gauge', source: 'nobody measured it', symbol: 'g', input: [null, 'gauge', b.lacks] })
  return limit({
    id,
    name: `Gaps to ${b.name}`,
    group: 'rack',
    unit: 'gauge',
    ref: b.id,
    pieceId: b.pieceId,
    nearRatio: rules.nearRatio,
    used: lacking('used', 'What may take from the gaps'),
    allowed: lacking('allowed', 'Gaps as drawn'),
  })
}
