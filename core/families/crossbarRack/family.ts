import { footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection, profiles, sameShape } from '../../catalogue/profiles'
import { equalPositions, planBars } from '../../spacing/spacing'
import { datumXMm } from '../../vehicle/datum'
import { nearestMountX, type Vehicle } from '../../vehicle/vehicle'
import { coatChoices, jointChoices, profileChoices } from '../choices'
import type { Family, Site } from '../family'
import { lineOf } from '../mountLine'
import { overTo } from '../overTo'
import { assemble, barLengthMm, FOOT_LENGTH_MM } from './assemble'
import { crossbarExamples } from './examples'
import { CrossbarParams, MOST_FOOT_HEIGHT_MM, MOST_OVERHANG_MM, plainRack } from './params'

/** A millionth of a millimetre: what sums leave behind is no figure. */
const exact = (mm: number): number => Math.round(mm * 1e6) / 1e6

export const crossbarRack: Family<CrossbarParams> = {
  id: 'crossbar-rack',
  title: 'Crossbar rack',
  group: 'over the roof',
  says: 'Bars across on feet, with rails and a fairing; on a roof, a canopy, a cover or a bed.',
  params: CrossbarParams,
  fits: ({ vehicle }) => (vehicle.mounts.length ? null : 'it needs a mount line: add one at Measure'),
  assemble,
  start: startOn,
  measures: (params, { vehicle }) => {
    const line = lineOf(params, vehicle)
    if (!line || !params.barXMm.length) return []
    const front = barLengthMm(params, line, Math.max(...params.barXMm))
    const deck = line.zMm + params.footHeightMm + profileSection(params.profileId).heightMm
    return [
      ...params.barXMm.map((value, i) => ({
        id: `bar:${i}`,
        label: `Bar ${i + 1}`,
        unit: 'length' as const,
        value,
        from: datumXMm(vehicle),
        min: -20_000,
        max: 20_000,
        snap: (x: number) => nearestMountX(line, x),
        set: (p: CrossbarParams, x: number) => ({ ...p, barXMm: p.barXMm.map((old, k) => (k === i ? x : old)) }),
      })),
      {
        id: 'length',
        label: 'Length of the foremost bar',
        unit: 'length',
        value: front,
        min: front - 2 * params.overhangMm,
        max: front + 2 * (MOST_OVERHANG_MM - params.overhangMm),
        set: (p, to) => ({ ...p, overhangMm: exact(to / 2 - (front / 2 - params.overhangMm)) }),
      },
      {
        id: 'deck',
        label: 'Height of the deck',
        unit: 'length',
        value: deck,
        min: deck - params.footHeightMm,
        max: deck + MOST_FOOT_HEIGHT_MM - params.footHeightMm,
        set: (p, to) => ({ ...p, footHeightMm: exact(to - (deck - params.footHeightMm)) }),
      },
    ]
  },
  handles: (params, { vehicle }) => {
    const line = lineOf(params, vehicle)
    if (!line) return []
    const z = line.zMm + params.footHeightMm + profileSection(params.profileId).heightMm / 2
    return params.barXMm.map((x, i) => ({
      id: `bar:${i}`,
      ref: `bar:${i}`,
      label: `Bar ${i + 1}`,
      at: { x, y: -barLengthMm(params, line, x) / 2, z },
      moves: [
        { axis: 'x', measure: `bar:${i}`, per: 1 },
        // the deck is one: raised at any bar, all rise
        { axis: 'z', measure: 'deck', per: 1 },
      ],
    }))
  },
  stations: {
    line: (p, { vehicle }) => lineOf(p, vehicle),
    of: (p) => p.barXMm,
    set: (p, barXMm) => ({ ...p, barXMm }),
    leastMm: FOOT_LENGTH_MM,
  },
  rehomed: (p, { vehicle }, from) => {
    const over = overTo(p.mountId, p.barXMm, from, vehicle)
    return over ? { ...p, mountId: over.line.id, barXMm: over.xMm } : p
  },
  profile: { of: (p) => p.profileId, set: (p, profileId) => ({ ...p, profileId }) },
  footHeight: { of: (p) => p.footHeightMm, set: (p, footHeightMm) => ({ ...p, footHeightMm }) },
  finish: (p) => p.finish,
  changes: (p, { vehicle }) => [
    ...barMoves(p, vehicle),
    ...widerPlates(p, vehicle),
    ...extraBar(p, vehicle),
    ...heavierProfiles(p),
    ...heights(p),
    ...trims(p),
  ],
  shorten: [
    {
      id: 'overhang',
      label: 'shorter bar ends',
      least: () => 0,
      most: (p) => 2 * Math.max(0, p.overhangMm - 20),
      apply: (p, d) => ({ ...p, overhangMm: p.overhangMm - d / 2 }),
    },
    {
      id: 'inset',
      label: 'feet stepped inboard on folded brackets',
      // a first bracket steps by its own thickness too, and by something clear of it
      least: (p) => (p.bracketInsetMm > 0 ? 0 : 2 * (p.bracketThicknessMm + 1)),
      most: (p) => 2 * Math.max(0, 300 - p.bracketInsetMm),
      apply: (p, d) => ({
        ...p,
        bracketInsetMm: Math.max(1, p.bracketInsetMm + d / 2 - (p.bracketInsetMm > 0 ? 0 : p.bracketThicknessMm)),
      }),
    },
  ],
  fields: [
    {
      key: 'mountId',
      label: 'Stands on',
      kind: 'place',
      options: ({ vehicle }) => vehicle.mounts.map((m) => ({ value: m.id, label: m.name })),
    },
    { key: 'profileId', label: 'Bar profile', kind: 'profile', options: profileChoices },
    { key: 'overhangMm', label: 'Bar past the foot, each end', kind: 'length', min: 0, max: MOST_OVERHANG_MM },
    {
      key: 'footHeightMm',
      label: 'Foot height',
      kind: 'length',
      min: 0,
      max: MOST_FOOT_HEIGHT_MM,
      help: 'seat of the foot to underside of bar',
    },
    {
      key: 'bracketInsetMm',
      label: 'Bracket step inboard',
      kind: 'length',
      min: 0,
      max: 300,
      help: 'clear, foot to bar; the bar stands its thickness further in. 0 = no bracket',
    },
    {
      key: 'bracketThicknessMm',
      label: 'Bracket thickness',
      kind: 'length',
      gauge: true,
      min: 2,
      max: 20,
      when: (p) => p.bracketInsetMm > 0,
    },
    {
      key: 'bracketFootPadMm',
      label: 'Bracket pad at the foot',
      kind: 'length',
      min: 20,
      max: 200,
      help: 'edge to fold, outside',
      when: (p) => p.bracketInsetMm > 0,
    },
    {
      key: 'bracketBarPadMm',
      label: 'Bracket pad at the bar',
      kind: 'length',
      min: 20,
      max: 200,
      help: 'edge to fold, outside',
      when: (p) => p.bracketInsetMm > 0,
    },
    { key: 'bracketWidthMm', label: 'Bracket width', kind: 'length', min: 20, max: 200, when: (p) => p.bracketInsetMm > 0 },
    {
      key: 'bracketBolts',
      label: 'Bolts at each end of a bracket',
      kind: 'choice',
      options: () => [
        { value: 'one', label: 'One' },
        { value: 'two', label: 'Two' },
      ],
      when: (p) => p.bracketInsetMm > 0,
    },
    {
      key: 'backingMm',
      label: 'Plate behind drilled sheet, side',
      kind: 'length',
      min: 40,
      max: 300,
      when: (p, { vehicle }) => {
        const line = lineOf(p, vehicle)
        return line !== null && footTypes[line.kind].drilled
      },
    },
    {
      key: 'equalBars',
      label: 'Bars of equal length',
      kind: 'switch',
      when: (p, { vehicle }) => {
        const line = lineOf(p, vehicle)
        return line !== null && Math.abs(line.halfWidthFrontMm - line.halfWidthRearMm) > 0.5
      },
    },
    { key: 'sideRails', label: 'Side rails', kind: 'switch' },
    { key: 'railProfileId', label: 'Rail profile', kind: 'profile', options: profileChoices, when: (p) => p.sideRails },
    {
      key: 'cornerPlates',
      label: 'Corner plates between rails and bars',
      kind: 'switch',
      when: (p) => p.sideRails && p.build === 'bolted',
    },
    {
      key: 'sleeves',
      label: 'Sleeves round bolts in empty tube',
      kind: 'switch',
      when: (p) => p.sideRails && p.build === 'bolted',
    },
    { key: 'fairing', label: 'Fixed front fairing', kind: 'switch' },
    { key: 'fairingHeightMm', label: 'Fairing height', kind: 'length', min: 50, max: 600, when: (p) => p.fairing },
    {
      key: 'build',
      label: 'Joints',
      kind: 'choice',
      options: jointChoices,
    },
    {
      key: 'finish',
      label: 'Finish',
      kind: 'choice',
      options: coatChoices,
    },
  ],
  examples: crossbarExamples,
}

/** The most usual rack over what rides on it. */
function startOn({ vehicle, brief }: Site): CrossbarParams {
  const line = vehicle.mounts[0]
  if (!line) return { ...plainRack, mountId: '', barXMm: [] }
  const riding = brief.cargo.filter((c) => c.counts !== 'parked' && !c.on.length)
  // with nothing to carry yet any places meet the rules: then they are spread along the line
  const plan = riding.length ? planBars(line, riding, { least: 2, most: 5 }, FOOT_LENGTH_MM).find((p) => p.meetsRules) : undefined
  const inset = 0.2 * (line.toXMm - line.fromXMm)
  const spread = () => equalPositions(line.fromXMm + inset, line.toXMm - inset, 3).map((x) => nearestMountX(line, x))
  return { ...plainRack, mountId: line.id, barXMm: plan?.barXMm ?? spread() }
}

type Change = { label: string; params: CrossbarParams }

/** Each bar a step forward or back, on its mounts. */
function barMoves(p: CrossbarParams, vehicle: Vehicle): Change[] {
  const line = lineOf(p, vehicle)
  if (!line) return []
  return p.barXMm.flatMap((x, i) =>
    [50, -50, 100, -100, 200, -200, 300, -300].flatMap((step) => {
      const to = line.pointsXMm?.length ? pointBeyond(line.pointsXMm, x, step) : nearestMountX(line, x + step)
      if (to === null || to === x || p.barXMm.some((other, k) => k !== i && Math.abs(other - to) < FOOT_LENGTH_MM)) return []
      const by = Math.abs(to - x)
      return [
        {
          label: `move bar ${i + 1} ${to > x ? 'forward' : 'back'} by {${by}}`,
          params: { ...p, barXMm: p.barXMm.map((old, k) => (k === i ? to : old)) },
        },
      ]
    }),
  )
}

const pointBeyond = (points: number[], x: number, step: number): number | null => {
  const ahead = points.filter((q) => (step > 0 ? q > x + 1 : q < x - 1))
  return ahead.length ? ahead.reduce((best, q) => (Math.abs(q - x - step) < Math.abs(best - x - step) ? q : best)) : null
}

function extraBar(p: CrossbarParams, vehicle: Vehicle): Change[] {
  const line = lineOf(p, vehicle)
  const xs = [...p.barXMm].sort((a, b) => a - b)
  if (!line || xs.length < 2 || xs.length >= 12) return []
  const n = xs.length + 1
  const even = equalPositions(xs[0]!, xs[xs.length - 1]!, n).map((x) => nearestMountX(line, x))
  if (even.slice(1).some((x, k) => x - even[k]! < FOOT_LENGTH_MM)) return []
  return [{ label: `${n} bars, equally spaced between the end bars`, params: { ...p, barXMm: even } }]
}

/** Stiffer bars, same metal first and lightest first. */
function heavierProfiles(p: CrossbarParams): Change[] {
  const own = profileSection(p.profileId)
  const metal = profileOf(p.profileId).materialId
  const stiffer = profiles
    .filter((q) => q.materialId === metal && profileSection(q.id).wyMm3 > own.wyMm3)
    .sort((a, b) => profileSection(a.id).areaMm2 - profileSection(b.id).areaMm2)
  return [...stiffer, ...sameShape(p.profileId).filter((q) => q.id !== p.profileId)].map((q) => ({
    label: `use ${q.name}`,
    params: { ...p, profileId: q.id },
  }))
}

/** The sheet doubled over more of itself. */
function widerPlates(p: CrossbarParams, vehicle: Vehicle): Change[] {
  const line = lineOf(p, vehicle)
  if (!line || !footTypes[line.kind].drilled) return []
  return [120, 160, 200]
    .filter((side) => side > p.backingMm)
    .map((side) => ({ label: `a plate of {${side}} behind the sheet`, params: { ...p, backingMm: side } }))
}

const heights = (p: CrossbarParams): Change[] =>
  [20, 40, 60, 80]
    .filter((d) => p.footHeightMm - d >= 20)
    .map((d) => ({ label: `lower the feet by {${d}}`, params: { ...p, footHeightMm: p.footHeightMm - d } }))

function trims(p: CrossbarParams): Change[] {
  const out: Change[] = []
  if (p.bracketInsetMm > 0 && p.bracketBolts === 'one')
    out.push({ label: 'a second bolt at each end of the brackets', params: { ...p, bracketBolts: 'two' } })
  if (p.bracketInsetMm > 0)
    out.push({
      label: `bracket {g ${Math.min(20, p.bracketThicknessMm + 3)}} thick`,
      params: { ...p, bracketThicknessMm: Math.min(20, p.bracketThicknessMm + 3) },
    })
  if (p.bracketInsetMm > 10) out.push({ label: 'halve the bracket step', params: { ...p, bracketInsetMm: p.bracketInsetMm / 2 } })
  if (p.fairing) out.push({ label: 'leave the fairing off', params: { ...p, fairing: false } })
  if (!p.sideRails && p.barXMm.length > 1) out.push({ label: 'tie the bars with side rails', params: { ...p, sideRails: true } })
  if (p.sideRails && p.build === 'bolted' && !p.cornerPlates)
    out.push({ label: 'corner plates between rails and bars', params: { ...p, cornerPlates: true } })
  if (p.sideRails && p.build === 'bolted' && !p.sleeves)
    out.push({ label: 'a sleeve round each bolt in the tubes', params: { ...p, sleeves: true } })
  if (p.sideRails) out.push({ label: 'leave the side rails off', params: { ...p, sideRails: false } })
  return out
}
