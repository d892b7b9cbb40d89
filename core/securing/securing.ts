import { type Cargo, centreOfMass } from '../brief/cargo'
import type { Securing } from '../brief/securing'
import { boltShear, boltTension, boltTogether } from '../fasten/bolt'
import { figure, type Input } from '../figure/figure'
import { allOfIt, type Limit, limit } from '../limits/limit'
import { type LoadCase, windPressurePa } from '../loads/loadCases'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { type Anchor, eachEndN, endsOnAnchors } from './anchors'
import { needRatio, type Strap, type StrapNeed, strapNeeds } from './straps'

/** What securing is judged by: everything carried, what there is to hook to, the road's load cases, and how fast. */
export type SecuringGiven = {
  cargo: Cargo[]
  anchors: Anchor[]
  cases: LoadCase[]
  speedKmh: number | null
  rules: Rules
  /** what lies shut in a box, by id: its sheets and its lid hold it, and are checked for it */
  shutIn?: Set<string>
}

/** An item's straps as the sums need them: each with what its anchor points hold. */
export function strapsOf(securing: Securing, { anchors, cargo }: Pick<SecuringGiven, 'anchors' | 'cargo'>): Strap[] {
  const ends = endsOnAnchors(cargo)
  return securing.straps.map((s) => {
    const anchor = anchors.find((a) => a.id === s.anchorId)
    const anchorN = anchor ? eachEndN(anchor, ends.get(anchor.id) ?? 1) : null
    return { wllKg: s.wllKg, anchorN, angleDeg: s.angleDeg, way: s.way, atMm: s.atMm }
  })
}

const factor = (cases: LoadCase[], id: string, of: (l: LoadCase) => number): number => {
  const found = cases.find((l) => l.id === id)
  // none would read as nothing to hold
  if (!found) throw new Error(`no load case ${id}`)
  return of(found)
}

/** What an item's straps must give and give. Null while its mass is unknown, or the speed that lifts it. */
export function securingNeeds(c: Cargo, given: SecuringGiven): StrapNeed[] | null {
  const { cases, rules, speedKmh } = given
  if (c.securing?.by !== 'straps' || c.massKg === null || speedKmh === null) return null
  const centre = centreOfMass(c, 0)
  return strapNeeds({
    massKg: c.massKg.most,
    lengthMm: c.lengthMm,
    widthMm: c.widthMm,
    heightMm: c.heightMm,
    centreUpMm: centre.zMm,
    centreForwardMm: c.centreForwardMm,
    centreLeftMm: c.centreLeftMm,
    blockedForward: c.securing.blockedForward,
    blockHoldsN: c.securing.blockHoldsN,
    friction: c.securing.friction ?? rules.friction,
    safety: rules.strapSafety,
    tensionN: rules.strapTensionN,
    straps: strapsOf(c.securing, given),
    forwardG: factor(cases, 'braking', (l) => l.forwardG),
    sideG: factor(cases, 'corner-left', (l) => l.leftG),
    rearG: -factor(cases, 'pulling', (l) => l.forwardG),
    tiltG: rules.tiltingG,
    reboundG: factor(cases, 'rebound', (l) => l.downG),
    liftN: liftOn(c, speedKmh, rules),
    flatPitchMm: rules.flatPitchMm,
    flatEndMm: rules.flatEndMm,
  })
}

const liftOn = (c: Cargo, speedKmh: number, rules: Rules): number =>
  (windPressurePa(rules.airDensity, speedKmh + rules.headWindKmh) * rules.liftCoefficient * c.lengthMm * c.widthMm) / 1e6

/** How each item that rides is held: by its straps, by its bolts, or by nothing that anybody named, and then it is not assessed. */
export const securingLimits = (given: SecuringGiven): Limit[] =>
  given.cargo
    .filter((c) => c.counts !== 'parked' && !(c.securing === null && given.shutIn?.has(c.id)))
    .map((c) =>
      c.securing === null
        ? notSaid(c, given.rules)
        : c.securing.by === 'straps'
          ? byStraps(c, c.securing, given)
          : byBolts(c, c.securing, given),
    )

const about = (c: Cargo, rules: Rules) => ({
  group: 'cargo' as const,
  unit: '' as const,
  ref: `cargo:${c.id}`,
  nearRatio: rules.nearRatio,
  allowed: allOfIt(`straps.${c.id}.allowed`, 'what is held must reach the need', 'All that is needed'),
})

const notSaid = (c: Cargo, rules: Rules): Limit =>
  limit({
    id: `straps.${c.id}`,
    name: `${c.name}: held down`,
    ...about(c, rules),
    used: figure(
      {
        id: `straps.${c.id}`,
        name: c.name,
        unit: '',
        formula: 'not assessed',
        source: 'brief',
        with: {},
        lacks: [`how ${c.name} is held down`],
      },
      () => 0,
    ),
  })

const massOf = (c: Cargo): Input => [c.massKg?.most ?? null, 'kg', `mass of ${c.name}`]

function byStraps(c: Cargo, securing: Securing, given: SecuringGiven): Limit {
  const { rules, speedKmh } = given
  const needs = securingNeeds(c, given) ?? []
  const worst = needs.length ? needs.reduce((a, b) => ((needRatio(b) ?? 99) > (needRatio(a) ?? 99) ? b : a)) : null
  const straps = strapsOf(securing, given)
  const unit = (n: StrapNeed) => (n.unit === 'straps' ? '' : n.unit)
  return limit({
    id: `straps.${c.id}`,
    name: `${c.name}: straps`,
    ...about(c, rules),
    used: figure(
      {
        id: `straps.${c.id}`,
        name: worst ? `${c.name}: ${worst.says}` : c.name,
        unit: '',
        formula: 'max(need / held); straps that are enough count as 0',
        source: '49 CFR 393.106 and 393.110; EN 12195-1:2010, 5.3 to 5.5',
        assumes: [
          `friction ${securing.friction ?? rules.friction}${securing.friction === null ? ', the shop’s own' : ''}`,
          'a hand pulls a strap over the top as the rules say',
          'a direct strap holds the item at half its height',
        ],
        with: {
          m: massOf(c),
          need: needs.map((n): Input => [n.need, unit(n), n.says]),
          held: needs.map((n): Input => [n.need > 0 ? n.have : (n.have ?? 0), unit(n), `held: ${n.says}`]),
        },
        lacks: [
          ...(speedKmh === null ? ['driving speed'] : []),
          ...(securing.straps.some((s) => s.wllKg === null) ? [`working load limit of a strap of ${c.name}`] : []),
          ...(straps.some((s) => s.anchorN === null) ? [`rating and number of an anchor of ${c.name}`] : []),
          ...(securing.blockedForward && securing.blockHoldsN === null ? [`what ${c.name} rests against holds`] : []),
        ],
      },
      ({ need, held }) => Math.min(99, Math.max(0, ...needs.map((n, i) => needRatio({ ...n, need: need[i]!, have: held[i]! }) ?? 99))),
    ),
    caution: 'Straps work loose: stop and pull each one after the first kilometres, and follow local securement rules.',
  })
}

/** How many bolts stand against tipping over the whole width: half of them, of an odd number the smaller half; one alone has half the lever. */
const leversOf = (count: number): number => (count < 2 ? 0.5 : Math.floor(count / 2))

/** Bolts of an item's own mount: all of its push in shear, and what tips or lifts it as pull on half of them. */
function byBolts(c: Cargo, { bolts }: Securing, given: SecuringGiven): Limit {
  const { cases, rules, speedKmh } = given
  const grade = 'A2-70'
  const size = bolts?.size ?? 'M6'
  const up = centreOfMass(c, 0).zMm
  const sideG = Math.max(
    rules.tiltingG,
    factor(cases, 'corner-left', (l) => l.leftG),
  )
  const forwardG = Math.max(
    factor(cases, 'braking', (l) => l.forwardG),
    -factor(cases, 'pulling', (l) => l.forwardG),
  )
  return limit({
    id: `straps.${c.id}`,
    name: `${c.name}: bolts of its mount`,
    ...about(c, rules),
    used: figure(
      {
        id: `straps.${c.id}`,
        name: `${c.name}: ${bolts ? `${bolts.count} × ${bolts.size} ${grade}` : 'bolts not said'}`,
        unit: '',
        formula: 'max(Ft/Ft,R ; Fv/Fv,R + Ft/(1.4·Ft,R)), Fv = c·m·g/n, Ft = (L − r·m·g)/n + c·m·g·d/(b·k)',
        source: 'EN 1993-1-8, table 3.4; statics; factors: the shop’s own rules',
        assumes: [
          'bolts stand at the corners of its footprint, half of them on the side that lifts; one bolt alone stands in its middle, with half the lever',
          'what its own brackets hold is its maker’s to say',
        ],
        with: {
          m: massOf(c),
          n: [bolts?.count ?? null, '', `how many bolts hold ${c.name}, and their size`],
          k: [bolts && leversOf(bolts.count), '', 'bolts that tipping pulls, over its whole width'],
          c: [Math.max(forwardG, sideG), 'g', 'greatest push, times its weight'],
          d: [up, 'mm', 'its centre of mass above its underside'],
          b: [Math.min(c.lengthMm, c.widthMm), 'mm', 'its narrower side'],
          r: [
            Math.min(
              1,
              factor(cases, 'rebound', (l) => l.downG),
            ),
            'g',
            'what a rebound leaves of its weight',
          ],
          L: [speedKmh === null ? null : liftOn(c, speedKmh, rules), 'N', speedKmh === null ? 'driving speed' : 'lift of the air'],
          'Ft,R': [boltTension(size, grade, rules.loadFactor).value, 'N', 'pull one may take'],
          'Fv,R': [boltShear(size, grade, rules.loadFactor).value, 'N', 'shear one may take'],
        },
      },
      (v) => {
        const weight = v.m * G_M_S2
        const shear = (v.c * weight) / v.n
        const pull = Math.max(0, v.L - v.r * weight) / v.n + (v.c * weight * v.d) / (v.b * v.k)
        return boltTogether(pull, shear, v['Ft,R'], v['Fv,R'])
      },
    ),
  })
}
