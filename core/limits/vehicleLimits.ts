import { pieceIdOf } from '../assembly/ids'
import type { Brief } from '../brief/brief'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { agreedLoadKg, notAgreed } from '../loads/carried'
import { restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { axleLimits } from './axleLimits'
import { heightLimits } from './heightLimits'
import { type LedgerGiven, type LedgerRow, ledger, massFigure } from './ledger'
import { allOfIt, type Limit, limit } from './limit'
import { ROOF, ratedBodies } from './onBody'
import { stabilityLimit } from './stability'
import { sourcedFigure, vehicleFigure } from './vehicleFigure'

/** Each body by its rating, gross mass, axles, height, stability and the agreed load class. */
export function vehicleLimits(given: LedgerGiven): Limit[] {
  const { brief, rules } = given
  const rows = ledger(given)
  return [
    ...bodyLimits(rows, given),
    ...axleLimits(given),
    ...heightLimits(given),
    stabilityLimit(given),
    ...loadClassLimit(brief, rules),
    ...agreedLimits(brief, rules),
    ...supportLimits(given),
  ]
}

/** What stands on each body against what its maker lets it bear; an item that nothing bears leaves every one open. */
function bodyLimits(rows: LedgerRow[], { vehicle, rules }: LedgerGiven): Limit[] {
  const nowhere = rows.filter((r) => !r.on.length)
  return ratedBodies(vehicle).flatMap((body) => {
    const own = rows.filter((r) => r.on.includes(body.key))
    const stands = own.length > 0 || (nowhere.length > 0 && body.key === ROOF)
    if (!stands || !(body.needed || body.moving.value !== null)) return []
    return (['driving', 'parked'] as const).map((when) => {
      const rating = when === 'driving' ? body.moving : body.parked
      const lacks = nowhere.filter((r) => r.counts === 'both' || r.counts === when).map((r) => `something under ${r.name}`)
      return limit({
        id: `${body.key}.${when === 'driving' ? 'moving' : 'parked'}`,
        name: `${body.name}, ${when === 'driving' ? 'moving' : 'parked'}`,
        group: 'vehicle',
        unit: 'kg',
        nearRatio: rules.nearRatio,
        used: massFigure(own, when, body.name.toLowerCase(), lacks),
        allowed:
          body.key === ROOF
            ? vehicleFigure(vehicle, when === 'driving' ? 'roofMovingKg' : 'roofParkedKg', 'kg')
            : sourcedFigure(rating, `${body.key}.${when}.rating`, `${body.name} limit, ${when === 'driving' ? 'moving' : 'parked'}`, 'kg'),
        caution: `What a ${body.name.toLowerCase()} bears is its maker’s to say; where that is missing or in doubt ask the maker or an engineer, and follow local rules.`,
      })
    })
  })
}

/** What each body that anything stands on bears. kg */
export const bodyMasses = (rows: LedgerRow[], vehicle: Vehicle, when: 'driving' | 'parked'): Figure[] =>
  ratedBodies(vehicle).flatMap((body) => {
    const own = rows.filter((r) => r.on.includes(body.key))
    return own.length ? [massFigure(own, when, body.name.toLowerCase())] : []
  })

/** A kind of use that nobody agreed to: open until it is agreed, whatever it weighs. */
function agreedLimits(brief: Brief, rules: Rules): Limit[] {
  const open = notAgreed(brief)
  if (!open.length) return []
  return [
    limit({
      id: 'use.agreed',
      name: 'Kinds of use agreed',
      group: 'cargo',
      unit: '',
      nearRatio: rules.nearRatio,
      ref: `cargo:${open[0]?.id}`,
      used: figure(
        {
          id: 'use.agreed',
          name: 'Kinds of use carried',
          unit: '',
          formula: 'each agreed at intake',
          source: 'brief',
          with: {},
          lacks: open.map((c) => `agreement that ${c.name} (${c.use}) is carried`),
        },
        () => 0,
      ),
      allowed: allOfIt('use.agreed.allowed', 'brief'),
      caution: 'A use that was not agreed loads parts in ways nobody looked at.',
    }),
  ]
}

/** What lies on a bought or found support against its maker's own rating, or on one of ours against what the shop tried. */
function supportLimits({ assembly, brief, rules }: LedgerGiven): Limit[] {
  return assembly.supports.flatMap((s) => {
    const { ratedKg } = s
    if (!ratedKg) return []
    const own = brief.cargo.filter((c) => c.counts !== 'parked' && restOf(c, assembly).supports.some((x) => x.id === s.id))
    if (!own.length) return []
    return [
      limit({
        id: `support.${s.id}`,
        pieceId: pieceIdOf(s.id),
        name: `${s.name}, ${ratedKg.own ? 'as tried' : 'by its maker'}`,
        group: 'rack',
        unit: 'kg',
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: `support.${s.id}`,
            name: `Carried on ${s.name.toLowerCase()}`,
            unit: 'kg',
            formula: 'm = Σ mᵢ',
            source: 'brief',
            with: { m: own.map((c): Input => [c.massKg?.most ?? null, 'kg', `mass of ${c.name}`]) },
          },
          ({ m }) => sum(m),
        ),
        allowed: figure(
          {
            id: `support.${s.id}.rated`,
            name: `Rating of ${s.name.toLowerCase()}`,
            unit: 'kg',
            formula: 'as given',
            source: ratedKg.value === null ? 'not given' : ratedKg.source,
            with: {
              R: [
                ratedKg.value,
                'kg',
                ratedKg.own
                  ? `what the shop tried to hang on ${s.name.toLowerCase()} (Layout)`
                  : `its maker’s rating of ${s.name.toLowerCase()}`,
              ],
            },
          },
          ({ R }) => R,
        ),
        caution: ratedKg.own
          ? 'What hangs there while driving pulls and shakes: try it with more than it shall carry, and stand clear of it.'
          : 'A bought thing is as strong as its maker says, and only as he made it: drilled or cut, it has no rating.',
      }),
    ]
  })
}

function loadClassLimit(brief: Brief, rules: Rules): Limit[] {
  const agreed = agreedLoadKg(brief)
  if (agreed === null) return []
  const cargo = brief.cargo.filter((c) => c.counts !== 'parked')
  return [
    limit({
      id: 'load.class',
      name: 'Load class agreed',
      group: 'cargo',
      unit: 'kg',
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'load.wished',
          name: 'Cargo while driving',
          unit: 'kg',
          formula: 'm = Σ mᵢ',
          source: 'brief',
          with: { m: cargo.map((c): Input => [c.massKg?.most ?? null, 'kg', `mass of ${c.name}`]) },
        },
        ({ m }) => sum(m),
      ),
      allowed: figure(
        {
          id: 'load.agreed',
          name: `Load class “${brief.loadClass}”`,
          unit: 'kg',
          formula: 'as agreed at intake',
          source: SHOP_RULE,
          with: { m: [agreed, 'kg', 'load class'] },
        },
        ({ m }) => m,
      ),
    }),
  ]
}
