import { profileSection } from '../../catalogue/profiles'
import { coatChoices, jointChoices, profileChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { NO_RECEIVER, pickupWithReceiver, receiverOf } from '../inReceiver'
import { lengthMeasure } from '../measures'
import { assemble, trayXMm } from './assemble'
import { CarrierParams } from './params'

/** A carrier that stands in the receiver by its tongue: trays for bicycles, or cross tubes for a box. */
export const receiverCarrier: Family<CarrierParams> = {
  id: 'receiver-carrier',
  title: 'Receiver carrier',
  group: 'behind',
  says: 'A tongue with a pin, a beam and trays: one to four bicycles, or a box.',
  params: CarrierParams,
  fits: (site) => (receiverOf(site) ? null : NO_RECEIVER),
  start: () => CarrierParams.parse({}),
  assemble,
  measures: (p, site) => {
    const pin = receiverOf(site)?.from
    if (!pin) return []
    return [
      lengthMeasure(p, 'first', 'firstBehindMm', 'First tray behind the pin', [150, 1500]),
      lengthMeasure(p, 'pitch', 'pitchMm', 'Tray to tray', [120, 600]),
      lengthMeasure(p, 'tray', 'trayLengthMm', 'Length of a tray', [300, 2200]),
      lengthMeasure(p, 'rise', 'riseMm', 'Rise over the receiver', [0, 600]),
    ]
  },
  handles: (p, site) => {
    const pin = receiverOf(site)?.from
    if (!pin) return []
    const xs = trayXMm(p, pin.x)
    const z = pin.z + p.riseMm + profileSection(p.tongueProfileId).heightMm
    return [
      {
        id: 'first',
        ref: 'tray:0',
        label: 'First tray',
        at: { x: xs[0]!, y: -p.trayLengthMm / 2, z },
        moves: [
          { axis: 'x', measure: 'first', per: -1 },
          { axis: 'y', measure: 'tray', per: -2 },
          { axis: 'z', measure: 'rise', per: 1 },
        ],
      },
      ...(p.trays > 1
        ? [
            {
              id: 'last',
              ref: `tray:${p.trays - 1}`,
              label: 'Last tray',
              at: { x: xs[xs.length - 1]!, y: -p.trayLengthMm / 2, z },
              moves: [{ axis: 'x' as const, measure: 'pitch', per: -1 / (p.trays - 1) }],
            },
          ]
        : []),
    ]
  },
  fields: [
    {
      key: 'carries',
      label: 'Carries',
      kind: 'choice',
      options: () => [
        { value: 'bicycles', label: 'Bicycles, one to a tray' },
        { value: 'box', label: 'A box or crate' },
      ],
    },
    { key: 'trays', label: 'Trays', kind: 'count', min: 1, max: 4 },
    { key: 'firstBehindMm', label: 'First tray behind the pin', kind: 'length', min: 150, max: 1500 },
    { key: 'pitchMm', label: 'Tray to tray', kind: 'length', min: 120, max: 600, when: (p) => p.trays > 1 },
    { key: 'trayLengthMm', label: 'Length of a tray', kind: 'length', min: 300, max: 2200 },
    { key: 'riseMm', label: 'Rise over the receiver', kind: 'length', min: 0, max: 600, help: 'more room under it on a ramp' },
    { key: 'mastMm', label: 'Mast above the beam', kind: 'length', min: 300, max: 1400, when: (p) => p.carries === 'bicycles' },
    { key: 'tongueProfileId', label: 'Tongue and beam', kind: 'profile', options: profileChoices, group: 'Metal' },
    { key: 'trayProfileId', label: 'Trays', kind: 'profile', options: profileChoices, group: 'Metal' },
    {
      key: 'build',
      label: 'Joints',
      kind: 'choice',
      options: jointChoices,
      group: 'Metal',
    },
    {
      key: 'finish',
      label: 'Finish',
      kind: 'choice',
      options: coatChoices,
      group: 'Metal',
    },
    { key: 'folds', label: 'Folds up', kind: 'switch', group: 'Use' },
    { key: 'antiSway', label: 'Clamp against sway', kind: 'switch', group: 'Use' },
    { key: 'strapPoints', label: 'Strap points on the trays', kind: 'switch', group: 'Use' },
    {
      key: 'strapPointN',
      label: 'One strap point, by its maker',
      kind: 'force',
      min: 0,
      max: 50_000,
      nullable: true,
      group: 'Use',
      when: (p) => p.strapPoints,
    },
  ],
  changes: (p) => {
    return [
      ...[40, 80, 120]
        .filter((d) => p.firstBehindMm - d >= 250)
        .map((d) => ({ label: `trays {${d}} nearer the pin`, params: { ...p, firstBehindMm: p.firstBehindMm - d } })),
      ...[20, 40, 60]
        .filter((d) => p.trays > 1 && p.pitchMm - d >= 180)
        .map((d) => ({ label: `trays {${d}} nearer each other`, params: { ...p, pitchMm: p.pitchMm - d } })),
      ...[60, 120, 180]
        .filter((d) => p.riseMm + d <= 600)
        .map((d) => ({ label: `raise it by {${d}}`, params: { ...p, riseMm: p.riseMm + d } })),
      ...stifferThan(p.trayProfileId)
        .slice(0, 3)
        .map((q) => ({ label: `trays of ${q.name}`, params: { ...p, trayProfileId: q.id } })),
      ...stifferThan(p.tongueProfileId)
        .slice(0, 2)
        .map((q) => ({ label: `tongue of ${q.name}`, params: { ...p, tongueProfileId: q.id } })),
      ...[200, 400]
        .filter((d) => p.trayLengthMm - d >= 600)
        .map((d) => ({ label: `trays {${d}} shorter`, params: { ...p, trayLengthMm: p.trayLengthMm - d } })),
      ...(p.trays > 1 ? [{ label: 'one tray fewer', params: { ...p, trays: p.trays - 1 } }] : []),
    ]
  },
  shorten: [
    {
      id: 'trays',
      label: 'shorter trays',
      least: () => 0,
      most: (p) => Math.max(0, p.trayLengthMm - 600),
      apply: (p, d) => ({ ...p, trayLengthMm: p.trayLengthMm - d }),
    },
  ],
  profile: { of: (p) => p.trayProfileId, set: (p, trayProfileId) => ({ ...p, trayProfileId }) },
  finish: (p) => p.finish,
  examples: [
    { name: 'two bicycles, welded steel', vehicle: pickupWithReceiver, params: CarrierParams.parse({}) },
    {
      name: 'four bicycles, raised and folding',
      vehicle: pickupWithReceiver,
      params: CarrierParams.parse({ trays: 4, riseMm: 180, folds: true, pitchMm: 200 }),
    },
    {
      name: 'a box on bolted aluminium',
      vehicle: pickupWithReceiver,
      params: CarrierParams.parse({
        carries: 'box',
        trays: 3,
        tongueProfileId: 'square-50x4-al6061t6',
        trayProfileId: 'square-40x3-al6061t6',
        build: 'bolted',
        finish: 'raw',
      }),
    },
  ],
}
