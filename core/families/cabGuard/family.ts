import { Impossible } from '../../issue/impossible'
import { coatChoices, profileChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { lengthMeasure } from '../measures'
import { assemble } from './assemble'
import { guardExamples } from './examples'
import { GuardParams, guardFills, guardHolds } from './params'
import { cabLeanDeg, type GuardShape, guardShape, railsOf } from './shape'

const words =
  <T extends string>(list: readonly T[]) =>
  () =>
    list.map((value) => ({ value, label: value.charAt(0).toUpperCase() + value.slice(1) }))

/** Its shape, or none where it has none yet: what is asked of a guard that cannot be drawn has no answer. */
const shapeOf = (...given: Parameters<typeof guardShape>): GuardShape | null => {
  try {
    return guardShape(...given)
  } catch (error) {
    if (error instanceof Impossible) return null
    throw error
  }
}

/** A guard behind the cab on the rails of the bed, with rings along them and a seat for a winch. */
export const cabGuard: Family<GuardParams> = {
  id: 'cab-guard',
  title: 'Cab guard',
  group: 'over the cab',
  says: 'Posts and a top bar on the bed rails, leaning with the cab; mesh, lamp tabs, rings and a winch seat.',
  params: GuardParams,
  fits: (site) => (railsOf(site) ? null : 'it needs a measured bed: length, widths, rail and height of the bed at Measure, sheet “Bed”'),
  start: (site) => GuardParams.parse({ leanFrom: cabLeanDeg(site) === null ? 'typed' : 'the cab' }),
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'height', 'heightMm', 'Rail to top of the guard', [200, 1800]),
    lengthMeasure(p, 'base', 'baseMm', 'Length of the base', [200, 3000]),
    lengthMeasure(p, 'gap', 'frontGapMm', 'Front of the base behind the bed’s front wall', [0, 1500]),
    lengthMeasure(p, 'lip', 'lipMm', 'Top bar past the posts', [0, 400]),
    lengthMeasure(p, 'inside', 'insideMm', 'Inside the middle of the rail', [-60, 200]),
    lengthMeasure(p, 'sill', 'sillMm', 'Sill bar above the rail', [60, 1200]),
    {
      id: 'lean',
      label: 'Lean of the posts',
      unit: 'angle',
      value: p.leanDeg,
      min: -20,
      max: 40,
      set: (q, leanDeg) => ({ ...q, leanDeg, leanFrom: 'typed' }),
    },
    lengthMeasure(p, 'winch', 'winchBehindMm', 'Winch behind the front of the base', [60, 2500]),
    ...p.ringsMm.map((value, i) => ({
      id: `ring:${i}`,
      label: `Ring ${i + 1} behind the front of the base`,
      unit: 'length' as const,
      value,
      min: 20,
      max: 3000,
      set: (q: GuardParams, to: number) => ({ ...q, ringsMm: q.ringsMm.map((old, k) => (k === i ? to : old)) }),
    })),
  ],
  handles: (p, site) => {
    const s = shapeOf(p, site)
    if (!s) return []
    const half = Math.max(50, s.posts.topMm / 2 + p.lipMm)
    return [
      {
        id: 'top',
        ref: 'top',
        label: 'Top bar',
        at: { x: s.postX, y: -half, z: s.topZ },
        moves: [
          { axis: 'x', measure: 'gap', per: -1 },
          { axis: 'y', measure: 'lip', per: -1 },
          { axis: 'z', measure: 'height', per: 1 },
        ],
      },
      {
        id: 'base',
        ref: 'base:right',
        label: 'Rear end of the base',
        at: { x: s.rearX, y: -s.half(s.rearX), z: s.baseZ },
        moves: [{ axis: 'x', measure: 'base', per: -1 }],
      },
      ...p.ringsMm.map((behind, i) => ({
        id: `ring:${i}`,
        ref: `ring:${i}:right`,
        label: `Ring ${i + 1}`,
        at: { x: s.frontX - behind, y: -s.half(s.frontX - behind), z: s.baseZ },
        moves: [{ axis: 'x' as const, measure: `ring:${i}`, per: -1 }],
      })),
    ]
  },
  fields: [
    { key: 'hold', label: 'Held to the bed', kind: 'choice', options: words(guardHolds) },
    { key: 'heightMm', label: 'Rail to top of the guard', kind: 'length', min: 200, max: 1800 },
    { key: 'frontGapMm', label: 'Behind the front wall of the bed', kind: 'length', min: 0, max: 1500 },
    { key: 'baseMm', label: 'Length of the base', kind: 'length', min: 200, max: 3000 },
    { key: 'insideMm', label: 'Inside the middle of the rail', kind: 'length', min: -60, max: 200, help: 'less than 0 = outside it' },
    {
      key: 'leanFrom',
      label: 'Posts lean',
      kind: 'choice',
      options: () => [
        { value: 'the cab', label: 'With the cab, by its two offsets' },
        { value: 'typed', label: 'As typed' },
      ],
    },
    { key: 'leanDeg', label: 'Lean inward', kind: 'angle', min: -20, max: 40, when: (p) => p.leanFrom === 'typed' },
    { key: 'lipMm', label: 'Top bar past the posts, each end', kind: 'length', min: 0, max: 400 },
    { key: 'profileId', label: 'Posts and bars', kind: 'profile', options: profileChoices, group: 'Metal' },
    { key: 'baseProfileId', label: 'Base rails', kind: 'profile', options: profileChoices, group: 'Metal' },
    { key: 'gussets', label: 'Gussets in the upper corners', kind: 'switch', group: 'Metal' },
    { key: 'gussetMm', label: 'Legs of a gusset', kind: 'length', min: 40, max: 200, group: 'Metal', when: (p) => p.gussets },
    {
      key: 'finish',
      label: 'Finish',
      kind: 'choice',
      options: coatChoices,
      group: 'Metal',
    },
    { key: 'fill', label: 'Between the posts', kind: 'choice', options: words(guardFills), group: 'Fill and lamps' },
    {
      key: 'sillMm',
      label: 'Sill bar above the rail',
      kind: 'length',
      min: 60,
      max: 1200,
      group: 'Fill and lamps',
      when: (p) => p.fill !== 'open',
    },
    { key: 'lampTabs', label: 'Lamp tabs', kind: 'count', min: 0, max: 6, group: 'Fill and lamps' },
    {
      key: 'ringsMm',
      label: 'Rings a side, behind the front of the base',
      each: 'Ring',
      kind: 'lengths',
      min: 20,
      max: 3000,
      most: 12,
      group: 'Rings',
    },
    {
      key: 'ringKind',
      label: 'What they are',
      kind: 'choice',
      options: () => [
        { value: 'ring', label: 'Bought rings' },
        { value: 'hook', label: 'Bought hooks' },
        { value: 'made here', label: 'Made here: no rating' },
      ],
      group: 'Rings',
      when: (p) => p.ringsMm.length > 0,
    },
    {
      key: 'ringN',
      label: 'One ring, by its maker',
      kind: 'force',
      min: 0,
      max: 200_000,
      nullable: true,
      group: 'Rings',
      when: (p) => p.ringsMm.length > 0 && p.ringKind !== 'made here',
    },
    { key: 'winch', label: 'Winch seat', kind: 'switch', group: 'Winch' },
    {
      key: 'winchBehindMm',
      label: 'Behind the front of the base',
      kind: 'length',
      min: 60,
      max: 2500,
      group: 'Winch',
      when: (p) => p.winch,
    },
    { key: 'winchKg', label: 'Mass of the winch', kind: 'mass', min: 0, max: 200, nullable: true, group: 'Winch', when: (p) => p.winch },
    {
      key: 'winchPriceMinor',
      label: 'Price of the winch',
      kind: 'money',
      min: 0,
      max: 100_000_000,
      nullable: true,
      group: 'Winch',
      when: (p) => p.winch,
    },
    {
      key: 'winchN',
      label: 'Rated pull, first layer',
      kind: 'force',
      min: 0,
      max: 500_000,
      nullable: true,
      group: 'Winch',
      when: (p) => p.winch,
    },
    { key: 'loadKg', label: 'It hauls', kind: 'mass', min: 0, max: 20_000, nullable: true, group: 'Winch', when: (p) => p.winch },
    { key: 'slopeDeg', label: 'Up a slope of', kind: 'angle', min: 0, max: 60, nullable: true, group: 'Winch', when: (p) => p.winch },
  ],
  changes: (p) => {
    return [
      ...[20, 40, 80, 120, 160, 200, 300, 400, 600, 900]
        .filter((d) => p.heightMm - d >= 200)
        .map((d) => ({ label: `lower the guard by {${d}}`, params: { ...p, heightMm: p.heightMm - d } })),
      ...[100, 200, 400].map((d) => ({ label: `a base {${d}} longer`, params: { ...p, baseMm: p.baseMm + d } })),
      ...(p.gussets ? [] : [{ label: 'gussets in the upper corners', params: { ...p, gussets: true } }]),
      ...stifferThan(p.profileId).map((q) => ({ label: `posts and bars of ${q.name}`, params: { ...p, profileId: q.id } })),
      ...stifferThan(p.baseProfileId).map((q) => ({ label: `base rails of ${q.name}`, params: { ...p, baseProfileId: q.id } })),
      ...guardHolds.filter((h) => h !== p.hold).map((hold) => ({ label: `hold it ${hold}`, params: { ...p, hold } })),
      ...(p.lampTabs > 0 ? [{ label: 'leave the lamp tabs off', params: { ...p, lampTabs: 0 } }] : []),
      ...(p.fill === 'slats' ? [{ label: 'mesh instead of slats', params: { ...p, fill: 'mesh' as const } }] : []),
      ...(p.fill === 'open' ? [] : [{ label: 'leave it open', params: { ...p, fill: 'open' as const } }]),
    ]
  },
  shorten: [
    {
      id: 'base',
      label: 'a shorter base',
      least: () => 0,
      most: (p) => Math.max(0, p.baseMm - 300),
      apply: (p, d) => ({ ...p, baseMm: p.baseMm - d }),
    },
  ],
  profile: { of: (p) => p.profileId, set: (p, profileId) => ({ ...p, profileId }) },
  finish: (p) => p.finish,
  examples: guardExamples,
}
