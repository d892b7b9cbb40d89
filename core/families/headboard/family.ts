import { demoVehicles } from '../../vehicle/demoVehicles'
import { boxChoices, coatChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { lengthMeasure } from '../measures'
import { assemble, boardShape, edgeOf } from './assemble'
import { HeadboardParams } from './params'

const truck = demoVehicles.find((v) => v.id === 'flat-tray-truck') ?? demoVehicles[1]!

/** A board at the front of a tray that keeps the load off the cab. */
export const headboard: Family<HeadboardParams> = {
  id: 'headboard',
  title: 'Headboard',
  group: 'in and over the bed',
  says: 'Posts, bars and mesh at the front of a tray or bed, with a stay behind each post, and a sheet that rolls down.',
  params: HeadboardParams,
  fits: (site) => (edgeOf(site) ? null : 'it needs a measured tray or bed: take length, width and height at Measure'),
  start: (site) => {
    const edge = edgeOf(site)
    return HeadboardParams.parse({ baseMm: edge ? Math.min(900, Math.max(300, edge.to.x - edge.from.x - 60)) : 900 })
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'height', 'heightMm', 'Edge to top of the board', [200, 2000]),
    lengthMeasure(p, 'base', 'baseMm', 'Length of the base', [300, 3000]),
    lengthMeasure(p, 'back', 'stayBackMm', 'Stays behind the posts', [80, 2500]),
  ],
  handles: (p, site) => {
    const s = boardShape(p, site)
    if (!s) return []
    return [
      { id: 'top', ref: 'top', label: 'Top bar', at: { x: s.postX, y: 0, z: s.topZ }, moves: [{ axis: 'z', measure: 'height', per: 1 }] },
      {
        id: 'rear',
        ref: 'base:right',
        label: 'Rear end of the base',
        at: { x: s.rearX, y: -s.half(s.rearX), z: s.baseZ },
        moves: [{ axis: 'x', measure: 'base', per: -1 }],
      },
      {
        id: 'stay',
        ref: 'stay:right',
        label: 'Foot of the stay',
        at: { ...s.stay[1], y: -s.stay[1].y },
        moves: [{ axis: 'x', measure: 'back', per: -1 }],
      },
    ]
  },
  fields: [
    { key: 'heightMm', label: 'Edge to top of the board', kind: 'length', min: 200, max: 2000 },
    { key: 'frontGapMm', label: 'Behind the front of the tray', kind: 'length', min: 0, max: 1500 },
    { key: 'baseMm', label: 'Length of the base', kind: 'length', min: 300, max: 3000 },
    { key: 'insideMm', label: 'Inside the line of the edge', kind: 'length', min: -40, max: 300 },
    { key: 'midBars', label: 'Middle bars', kind: 'count', min: 0, max: 5 },
    {
      key: 'fill',
      label: 'Between the posts',
      kind: 'choice',
      options: () => [
        { value: 'mesh', label: 'Mesh' },
        { value: 'slats', label: 'Slats' },
        { value: 'open', label: 'Open' },
      ],
    },
    {
      key: 'sheet',
      label: 'Sheet that rolls down',
      kind: 'switch',
      help: 'down it is a sail, and the checks count it so: rolled up before driving fast',
    },
    { key: 'stayUpMm', label: 'Stays meet the posts above the edge', kind: 'length', min: 80, max: 1600, group: 'Stays' },
    { key: 'stayBackMm', label: 'Stays stand behind the posts', kind: 'length', min: 80, max: 2500, group: 'Stays' },
    { key: 'baseProfileId', label: 'Base rails', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'postProfileId', label: 'Posts, bars and stays', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[20, 40, 80, 160]
      .filter((d) => p.heightMm - d >= 200)
      .map((d) => ({ label: `lower the board by {${d}}`, params: { ...p, heightMm: p.heightMm - d } })),
    // steeper: a torch gets into their corner, and a spanner under them
    ...[80, 160, 320]
      .filter((d) => p.stayBackMm - d >= 80)
      .map((d) => ({ label: `stays {${d}} nearer to the posts`, params: { ...p, stayBackMm: p.stayBackMm - d } })),
    ...[150, 300].map((d) => ({ label: `a base {${d}} longer`, params: { ...p, baseMm: p.baseMm + d } })),
    ...(p.midBars < 5 ? [{ label: 'one more middle bar', params: { ...p, midBars: p.midBars + 1 } }] : []),
    ...stifferThan(p.postProfileId).map((q) => ({ label: `posts and bars of ${q.name}`, params: { ...p, postProfileId: q.id } })),
    ...(p.sheet ? [{ label: 'leave the sheet off', params: { ...p, sheet: false } }] : []),
    ...(p.fill === 'open' ? [] : [{ label: 'leave it open', params: { ...p, fill: 'open' as const } }]),
  ],
  shorten: [
    {
      id: 'base',
      label: 'a shorter base',
      least: () => 0,
      most: (p) => Math.max(0, p.baseMm - 400),
      apply: (p, d) => ({ ...p, baseMm: p.baseMm - d }),
    },
  ],
  profile: { of: (p) => p.postProfileId, set: (p, postProfileId) => ({ ...p, postProfileId }) },
  finish: (p) => p.finish,
  examples: [
    { name: 'steel with mesh', vehicle: truck, params: HeadboardParams.parse({}) },
    {
      name: 'tall, slats, a sheet that rolls down',
      vehicle: truck,
      params: HeadboardParams.parse({
        heightMm: 1300,
        midBars: 2,
        fill: 'slats',
        sheet: true,
        stayUpMm: 800,
        baseMm: 1100,
        stayBackMm: 800,
      }),
    },
    {
      name: 'aluminium on the rails of a bed, open',
      vehicle: demoVehicles[1]!,
      params: HeadboardParams.parse({
        fill: 'open',
        heightMm: 600,
        stayUpMm: 360,
        stayBackMm: 520,
        postProfileId: 'square-40x3-al6061t6',
        baseProfileId: 'square-50x4-al6061t6',
        finish: 'raw',
      }),
    },
  ],
}
