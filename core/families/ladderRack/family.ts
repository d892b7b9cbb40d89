import { demoVehicles } from '../../vehicle/demoVehicles'
import { boxChoices, coatChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { lengthMeasure } from '../measures'
import { assemble, edgeOf, ladderShape, leastHeightMm } from './assemble'
import { LadderParams } from './params'

/** A rack for what is longer than the bed: gates on its rails, and rails that run out over the cab. */
export const ladderRack: Family<LadderParams> = {
  id: 'ladder-rack',
  title: 'Ladder rack',
  group: 'over the cab',
  says: 'Gates on the bed rails or tray, rails along their tops that reach over the cab, braced both sides.',
  params: LadderParams,
  fits: (site) => (edgeOf(site) ? null : 'it needs a measured bed or tray: take length, widths and height at Measure'),
  start: (site) => {
    const edge = edgeOf(site)
    const { roofHeightMm } = site.vehicle
    const p = LadderParams.parse({ baseMm: edge ? Math.min(1600, Math.max(400, edge.to.x - edge.from.x - 120)) : 1350 })
    // over a cab that is measured it begins clear of its roof
    const least = edge && roofHeightMm.value !== null ? leastHeightMm(p, edge.to.z, roofHeightMm.value) : p.heightMm
    return { ...p, heightMm: Math.min(2200, Math.max(p.heightMm, Math.ceil(least / 10) * 10)) }
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'height', 'heightMm', 'Rail to top of the bars', [250, 2200]),
    lengthMeasure(p, 'base', 'baseMm', 'Length of the base', [400, 4000]),
    lengthMeasure(p, 'cab', 'overCabMm', 'Over the cab', [0, 2200]),
  ],
  handles: (p, site) => {
    const s = ladderShape(p, site)
    if (!s) return []
    const last = s.gateX[s.gateX.length - 1]!
    return [
      {
        id: 'top',
        ref: `bar:${p.gates - 1}`,
        label: 'Front gate',
        at: { x: last, y: 0, z: s.barZ },
        moves: [{ axis: 'z', measure: 'height', per: 1 }],
      },
      {
        id: 'nose',
        ref: 'rail:right',
        label: 'Front of the rails',
        at: { x: s.noseX, y: -s.half(last), z: s.railZ },
        moves: [{ axis: 'x', measure: 'cab', per: 1 }],
      },
      {
        id: 'rear',
        ref: 'base:right',
        label: 'Rear end of the base',
        at: { x: s.rearX, y: -s.half(s.rearX), z: s.baseZ },
        moves: [{ axis: 'x', measure: 'base', per: -1 }],
      },
    ]
  },
  fields: [
    { key: 'heightMm', label: 'Rail to top of the bars', kind: 'length', min: 250, max: 2200 },
    { key: 'overCabMm', label: 'Over the cab, ahead of the front gate', kind: 'length', min: 0, max: 2200 },
    { key: 'gates', label: 'Gates', kind: 'count', min: 2, max: 5 },
    { key: 'frontGapMm', label: 'Behind the front wall of the bed', kind: 'length', min: 0, max: 1500 },
    { key: 'baseMm', label: 'Length of the base', kind: 'length', min: 400, max: 4000 },
    { key: 'pastRearMm', label: 'Top rails behind the rear gate', kind: 'length', min: 0, max: 600 },
    { key: 'insideMm', label: 'Inside the middle of the rail', kind: 'length', min: -40, max: 300 },
    { key: 'braces', label: 'Braces between the gates', kind: 'switch' },
    { key: 'baseProfileId', label: 'Base rails', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'profileId', label: 'Posts, bars and rails', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[40, 80, 160]
      .filter((d) => p.heightMm - d >= 250)
      .map((d) => ({ label: `lower the bars by {${d}}`, params: { ...p, heightMm: p.heightMm - d } })),
    ...[100, 200, 400]
      .filter((d) => p.overCabMm - d >= 0)
      .map((d) => ({ label: `{${d}} less over the cab`, params: { ...p, overCabMm: p.overCabMm - d } })),
    ...(p.braces ? [] : [{ label: 'braces between the gates', params: { ...p, braces: true } }]),
    ...(p.gates < 5 ? [{ label: 'one more gate', params: { ...p, gates: p.gates + 1 } }] : []),
    ...[150, 300].map((d) => ({ label: `a base {${d}} longer`, params: { ...p, baseMm: p.baseMm + d } })),
    ...stifferThan(p.profileId).map((q) => ({ label: `posts and bars of ${q.name}`, params: { ...p, profileId: q.id } })),
  ],
  shorten: [
    {
      id: 'base',
      label: 'a shorter base',
      least: () => 0,
      most: (p) => Math.max(0, p.baseMm - 600),
      apply: (p, d) => ({ ...p, baseMm: p.baseMm - d }),
    },
  ],
  profile: { of: (p) => p.profileId, set: (p, profileId) => ({ ...p, profileId }) },
  finish: (p) => p.finish,
  examples: [
    { name: 'steel over bed and cab', vehicle: demoVehicles[1]!, params: LadderParams.parse({}) },
    {
      name: 'aluminium, three gates, nothing over the cab, on a tray',
      vehicle: demoVehicles.find((v) => v.id === 'flat-tray-truck') ?? demoVehicles[1]!,
      params: LadderParams.parse({
        gates: 3,
        baseMm: 2000,
        overCabMm: 0,
        heightMm: 1100,
        profileId: 'square-40x3-al6061t6',
        baseProfileId: 'square-50x4-al6061t6',
        finish: 'raw',
      }),
    },
  ],
}
