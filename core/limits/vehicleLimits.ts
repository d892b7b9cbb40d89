import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { type Figure, figure, input, SHOP_RULE } from '../figure/figure'
import { agreedLoadKg } from '../loads/carried'
import { missingName, settledValue } from '../measure/settle'
import type { Rules } from '../rules/rules'
import { fieldLabel, type Sourced, type SourcedKey, type Vehicle } from '../vehicle/vehicle'
import { ledger, massesDriving, massFigure } from './ledger'
import { type Limit, limit } from './limit'

/** A quoted or measured value of the vehicle as a figure, naming who said so; an assumed one says that it is assumed. */
export function vehicleFigure(
  vehicle: Vehicle,
  key: SourcedKey,
  unit: string,
  factor = 1,
  outUnit = unit,
  s: Sourced = vehicle[key],
): Figure {
  const label = fieldLabel(key)
  return figure(
    {
      id: `vehicle.${key}`,
      name: label,
      unit: outUnit,
      formula: factor === 1 ? 'as given' : outUnit === unit ? `rating × ${factor}` : 'rating × standard gravity',
      with: [input('R', missingName(label, s), settledValue(s), unit)],
      source: s.value === null ? 'not given' : `${s.method}${s.source ? `, ${s.source}` : ''}${s.date ? `, ${s.date}` : ''}`,
      assumes: s.method === 'assumed' ? [`${label}: nobody measured it`] : [],
    },
    () => (s.value ?? 0) * factor,
  )
}
const known = (vehicle: Vehicle, symbol: string, key: SourcedKey, unit: string) =>
  input(symbol, missingName(fieldLabel(key), vehicle[key]), settledValue(vehicle[key]), unit)
const assumed = (vehicle: Vehicle, keys: SourcedKey[]) =>
  keys.filter((k) => vehicle[k].method === 'assumed').map((k) => `${fieldLabel(k)}: nobody measured it`)

/** Roof, gross mass, axles, height, stability and the agreed load class. */
export function vehicleLimits(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules): Limit[] {
  const rows = ledger(assembly, brief, rules)
  const near = { nearRatio: rules.nearRatio }
  const roofCaution =
    'A roof limit is the vehicle maker’s; where it is missing or in doubt ask the maker or an engineer, and follow local rules.'
  return [
    limit({
      id: 'roof.moving',
      name: 'Roof, moving',
      unit: 'kg',
      used: massFigure(rows, 'driving'),
      allowed: vehicleFigure(vehicle, 'roofMovingKg', 'kg'),
      caution: roofCaution,
      ...near,
    }),
    limit({
      id: 'roof.parked',
      name: 'Roof, parked',
      unit: 'kg',
      used: massFigure(rows, 'parked'),
      allowed: vehicleFigure(vehicle, 'roofParkedKg', 'kg'),
      caution: roofCaution,
      ...near,
    }),
    ...weightLimits(assembly, vehicle, brief, near),
    ...heightLimits(assembly, vehicle, brief, rules, near),
    stabilityLimit(assembly, vehicle, brief, rules),
    ...loadClassLimit(brief, near),
  ]
}

function weightLimits(assembly: Assembly, vehicle: Vehicle, brief: Brief, near: { nearRatio: number }): Limit[] {
  const added = massesDriving(assembly, brief, vehicle)
  const addedInputs = added.map((m, i) => input(`m${i + 1}`, `mass of ${m.name}`, m.massKg, 'kg'))
  const source = 'levers about the axles (statics)'
  const total = added.reduce((s, m) => s + (m.massKg ?? 0), 0)
  const gross = figure(
    {
      id: 'gross',
      name: 'Gross mass as loaded',
      unit: 'kg',
      formula: 'm = mF + mR + mI + Σ mᵢ',
      source: 'sum of masses',
      assumes: assumed(vehicle, ['occupantsKg']),
      with: [
        known(vehicle, 'mF', 'kerbFrontKg', 'kg'),
        known(vehicle, 'mR', 'kerbRearKg', 'kg'),
        known(vehicle, 'mI', 'occupantsKg', 'kg'),
        ...addedInputs,
      ],
    },
    () => (vehicle.kerbFrontKg.value ?? 0) + (vehicle.kerbRearKg.value ?? 0) + (vehicle.occupantsKg.value ?? 0) + total,
  )
  const L = settledValue(vehicle.wheelbaseMm)
  const usable = L !== null && L > 0
  const axle = (which: 'front' | 'rear'): Figure => {
    const kerb = which === 'front' ? 'kerbFrontKg' : 'kerbRearKg'
    const toFront = (x: number) => x / (L ?? 1)
    return figure(
      {
        id: `axle.${which}`,
        name: `${which === 'front' ? 'Front' : 'Rear'} axle as loaded`,
        unit: 'kg',
        source,
        formula: which === 'front' ? 'mF = kerb + mI/2 + Σ mᵢ·xᵢ/L' : 'mR = kerb + mI/2 + Σ mᵢ·(1 − xᵢ/L)',
        assumes: ['people and load inside stand midway between the axles', ...assumed(vehicle, ['occupantsKg', kerb, 'wheelbaseMm'])],
        with: [
          known(vehicle, 'kerb', kerb, 'kg'),
          known(vehicle, 'mI', 'occupantsKg', 'kg'),
          input('L', 'Wheelbase', usable ? L : null, 'mm'),
          ...addedInputs,
          ...added.map((m, i) => input(`x${i + 1}`, `place of ${m.name}`, m.xMm, 'mm')),
        ],
      },
      () =>
        (vehicle[kerb].value ?? 0) +
        (vehicle.occupantsKg.value ?? 0) / 2 +
        added.reduce((s, m) => s + (m.massKg ?? 0) * (which === 'front' ? toFront(m.xMm ?? 0) : 1 - toFront(m.xMm ?? 0)), 0),
    )
  }
  return [
    limit({ id: 'gross', name: 'Gross mass', unit: 'kg', used: gross, allowed: vehicleFigure(vehicle, 'grossKg', 'kg'), ...near }),
    limit({
      id: 'axle.front',
      name: 'Front axle',
      unit: 'kg',
      used: axle('front'),
      allowed: vehicleFigure(vehicle, 'frontAxleKg', 'kg'),
      ...near,
    }),
    ...tyreLimits(vehicle, axle, near),
    limit({
      id: 'axle.rear',
      name: 'Rear axle',
      unit: 'kg',
      used: axle('rear'),
      allowed: vehicleFigure(vehicle, 'rearAxleKg', 'kg'),
      ...near,
    }),
  ]
}

/** Two tyres carry an axle; asked only where their rating is known. */
function tyreLimits(vehicle: Vehicle, axle: (which: 'front' | 'rear') => Figure, near: { nearRatio: number }): Limit[] {
  if (vehicle.tyreKg.value === null) return []
  return (['front', 'rear'] as const).map((which) =>
    limit({
      id: `tyres.${which}`,
      name: which === 'front' ? 'Front tyres' : 'Rear tyres',
      unit: 'kg',
      used: axle(which),
      allowed: vehicleFigure(vehicle, 'tyreKg', 'kg', 2),
      ...near,
    }),
  )
}

/** Highest point of vehicle, rack and everything carried while driving. */
export function overallHeight(assembly: Assembly, vehicle: Vehicle, brief: Brief): Figure {
  const tops = [
    ...assembly.members.map((m) => ({ name: `${m.name} ${m.mark}`, z: assembly.deckZMm ?? 0 })),
    ...assembly.plates.filter((p) => p.role === 'fairing').map((p) => ({ name: p.name, z: p.place.z + p.size.z / 2 })),
    ...brief.cargo.filter((c) => c.counts !== 'parked').map((c) => ({ name: c.name, z: (assembly.deckZMm ?? 0) + c.heightMm })),
  ]
  const highest = tops.reduce((best, t) => (t.z > best.z ? t : best), { name: 'vehicle', z: vehicle.heightMm.value ?? 0 })
  return figure(
    {
      id: 'height',
      name: 'Overall height, loaded',
      unit: 'mm',
      formula: 'H = max(vehicle, rack, cargo tops)',
      source: 'from the assembly',
      assumes: [...assumed(vehicle, ['heightMm']), `highest is ${highest.name}`],
      with: [known(vehicle, 'H₀', 'heightMm', 'mm'), input('z', `top of ${highest.name}`, highest.z, 'mm')],
    },
    () => Math.max(vehicle.heightMm.value ?? 0, highest.z),
  )
}

function heightLimits(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules, near: { nearRatio: number }): Limit[] {
  const passages = brief.passages.length ? brief.passages : [{ name: 'lowest passage', heightMm: null }]
  return passages.map((p, i) => {
    const name = p.name || `passage ${i + 1}`
    return limit({
      // a height is near its limit by millimetres, not by a share of the whole: near = within twice the margin
      id: `height.${i}`,
      name: `Height under ${name}`,
      unit: 'mm',
      used: overallHeight(assembly, vehicle, brief),
      nearRatio: p.heightMm ? 1 - rules.heightMarginMm / p.heightMm : near.nearRatio,
      allowed: figure(
        {
          id: `height.${i}.allowed`,
          name: `Clear height of ${name}, less margin`,
          unit: 'mm',
          formula: 'H ≤ h − margin',
          source: `brief; margin: ${SHOP_RULE}`,
          with: [input('h', `height of ${name}`, p.heightMm, 'mm'), input('margin', 'air to leave', rules.heightMarginMm, 'mm')],
        },
        () => (p.heightMm ?? 0) - rules.heightMarginMm,
      ),
    })
  })
}

/** T / 2h with everything on: the tilt, as a ratio, at which the vehicle balances on its outer wheels. */
export function stability(assembly: Assembly, vehicle: Vehicle, brief: Brief): { before: Figure; after: Figure } {
  const kerb = [
    known(vehicle, 'mF', 'kerbFrontKg', 'kg'),
    known(vehicle, 'mR', 'kerbRearKg', 'kg'),
    known(vehicle, 'mI', 'occupantsKg', 'kg'),
  ]
  const base = [known(vehicle, 'T', 'trackWidthMm', 'mm'), known(vehicle, 'h', 'centreOfMassHeightMm', 'mm')]
  const own = (vehicle.kerbFrontKg.value ?? 0) + (vehicle.kerbRearKg.value ?? 0) + (vehicle.occupantsKg.value ?? 0)
  const T = vehicle.trackWidthMm.value ?? 0
  const h = vehicle.centreOfMassHeightMm.value ?? 0
  const added = massesDriving(assembly, brief, vehicle)
  const source = 'NHTSA static stability factor, SSF = T / 2h'
  const assumes = [
    ...assumed(vehicle, ['centreOfMassHeightMm', 'trackWidthMm', 'occupantsKg']),
    'people and load inside at the vehicle’s own centre of mass height',
    'rigid springs and tyres: a real vehicle leans and tips earlier',
  ]
  return {
    before: figure(
      { id: 'ssf.before', name: 'Static stability factor, unladen roof', unit: '', formula: 'SSF = T / 2h', source, assumes, with: base },
      () => T / (2 * h),
    ),
    after: figure(
      {
        id: 'ssf',
        name: 'Static stability factor, loaded',
        unit: '',
        formula: 'SSF = T / 2h′, h′ = (m₀·h + Σ mᵢ·zᵢ) / (m₀ + Σ mᵢ)',
        source,
        assumes,
        with: [
          ...base,
          ...kerb,
          ...added.flatMap((m, i) => [
            input(`m${i + 1}`, `mass of ${m.name}`, m.massKg, 'kg'),
            input(`z${i + 1}`, `centre height of ${m.name}`, m.zMm, 'mm'),
          ]),
        ],
      },
      () => {
        const mass = added.reduce((s, m) => s + (m.massKg ?? 0), own)
        return T / (2 * (added.reduce((s, m) => s + (m.massKg ?? 0) * (m.zMm ?? 0), own * h) / mass))
      },
    ),
  }
}

function stabilityLimit(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules): Limit {
  return limit({
    id: 'stability',
    name: 'Stability against tipping',
    unit: '',
    used: stability(assembly, vehicle, brief).after,
    nearRatio: 0.97,
    invert: true,
    allowed: figure(
      {
        id: 'ssf.least',
        name: 'Least static stability factor',
        unit: '',
        formula: 'as set',
        source: SHOP_RULE,
        with: [input('S', 'least static stability factor', rules.leastStability, '')],
      },
      () => rules.leastStability,
    ),
    caution: 'A high load sways and tips earlier: tell the driver, and ask a suspension specialist when this is near its line.',
  })
}

function loadClassLimit(brief: Brief, near: { nearRatio: number }): Limit[] {
  const agreed = agreedLoadKg(brief)
  if (agreed === null) return []
  const cargo = brief.cargo.filter((c) => c.counts !== 'parked')
  return [
    limit({
      id: 'load.class',
      name: 'Load class agreed',
      unit: 'kg',
      ...near,
      used: figure(
        {
          id: 'load.wished',
          name: 'Cargo while driving',
          unit: 'kg',
          formula: 'm = Σ mᵢ',
          source: 'brief',
          with: cargo.map((c, i) => input(`m${i + 1}`, `mass of ${c.name}`, c.massKg?.most ?? null, 'kg')),
        },
        () => cargo.reduce((s, c) => s + (c.massKg?.most ?? 0), 0),
      ),
      allowed: figure(
        {
          id: 'load.agreed',
          name: `Load class “${brief.loadClass}”`,
          unit: 'kg',
          formula: 'as agreed at intake',
          source: SHOP_RULE,
          with: [input('m', 'load class', agreed, 'kg')],
        },
        () => agreed,
      ),
    }),
  ]
}
