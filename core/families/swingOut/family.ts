import { boxChoices, coatChoices, roundChoices, sideChoices, stifferThan } from '../choices'
import type { Family, Site } from '../family'
import { NO_RECEIVER, pickupWithReceiver, receiverOf } from '../inReceiver'
import { lengthMeasure } from '../measures'
import { assemble } from './assemble'
import { SwingOutParams } from './params'
import { swingShape } from './shape'

/** A spindle and a rest so far past the edge of a gate do not stand in its way. Shop's own, mm */
const PAST_GATE_MM = 70
/** Half of what opens at the rear and so much more; null where nothing does. mm */
function besideGate(site: Site): number | null {
  const half = Math.max(
    0,
    ...site.vehicle.swings.flatMap((s) =>
      s.kind === 'tailgate' || s.kind === 'hatch'
        ? [s.hingeLengthMm / 2 + Math.abs(s.yMm)]
        : s.kind === 'left rear door' || s.kind === 'right rear door'
          ? [Math.abs(s.yMm)]
          : [],
    ),
  )
  return half ? Math.min(1100, Math.round(half + PAST_GATE_MM)) : null
}

/** A wheel on an arm that swings aside from the gate, on a beam in the receiver. */
export const swingOut: Family<SwingOutParams> = {
  id: 'swing-out',
  title: 'Swing-out wheel carrier',
  group: 'behind',
  says: 'A beam in the receiver, a spindle at one end, and an arm with the spare wheel that swings aside. Not for a person to climb on.',
  params: SwingOutParams,
  fits: (site) => (receiverOf(site) ? null : NO_RECEIVER),
  start: (site) => {
    const outMm = besideGate(site)
    return SwingOutParams.parse(outMm === null ? {} : { hingeOutMm: outMm, latchOutMm: outMm })
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'behind', 'behindMm', 'Beam behind the pin', [150, 900]),
    lengthMeasure(p, 'hinge', 'hingeOutMm', 'Spindle from the middle', [200, 1100]),
    lengthMeasure(p, 'latch', 'latchOutMm', 'Latch from the middle', [100, 1100]),
    lengthMeasure(p, 'lift', 'liftMm', 'Arm over the beam', [40, 500]),
    lengthMeasure(p, 'hub', 'hubUpMm', 'Middle of the wheel over the arm', [60, 800]),
    lengthMeasure(p, 'aside', 'hubAsideMm', 'Wheel towards the latch', [-500, 500]),
  ],
  handles: (p, site) => {
    const pin = receiverOf(site)?.from
    if (!pin) return []
    const s = swingShape(p, pin)
    return [
      {
        id: 'spindle',
        ref: 'spindle',
        label: 'Spindle',
        at: { x: s.crossX, y: s.hingeY, z: s.armTop },
        moves: [
          { axis: 'x', measure: 'behind', per: -1 },
          { axis: 'y', measure: 'hinge', per: s.side },
          { axis: 'z', measure: 'lift', per: 1 },
        ],
      },
      {
        id: 'wheel',
        ref: 'wheel',
        label: 'Wheel',
        at: { x: s.faceX, y: s.hubY, z: s.hubZ },
        moves: [
          { axis: 'y', measure: 'aside', per: -s.side },
          { axis: 'z', measure: 'hub', per: 1 },
        ],
      },
      {
        id: 'latch',
        ref: 'rest',
        label: 'Latch',
        at: { x: s.crossX, y: s.latchY, z: s.armZ },
        moves: [{ axis: 'y', measure: 'latch', per: -s.side }],
      },
    ]
  },
  fields: [
    { key: 'hinge', label: 'Swings to the', kind: 'choice', options: sideChoices },
    { key: 'behindMm', label: 'Beam behind the pin', kind: 'length', min: 150, max: 900 },
    { key: 'hingeOutMm', label: 'Spindle from the middle', kind: 'length', min: 200, max: 1100 },
    { key: 'latchOutMm', label: 'Latch from the middle', kind: 'length', min: 100, max: 1100 },
    { key: 'liftMm', label: 'Arm over the beam', kind: 'length', min: 40, max: 500 },
    { key: 'opensDeg', label: 'Opens to', kind: 'angle', min: 60, max: 150 },
    {
      key: 'wheelMm',
      label: 'Wheel across',
      kind: 'length',
      min: 400,
      max: 1200,
      group: 'Wheel',
      help: 'with its tyre, as it stands on the ground',
    },
    { key: 'wheelWideMm', label: 'Wheel width', kind: 'length', min: 120, max: 450, group: 'Wheel' },
    {
      key: 'backspaceMm',
      label: 'Mounting face to inner edge',
      kind: 'length',
      min: 40,
      max: 300,
      group: 'Wheel',
      help: 'a straight edge across the inside of the tyre, down to where the hub bears',
    },
    { key: 'wheelKg', label: 'Wheel with tyre, weighed', kind: 'mass', min: 1, max: 120, nullable: true, group: 'Wheel' },
    { key: 'hubUpMm', label: 'Middle over the arm', kind: 'length', min: 60, max: 800, group: 'Wheel' },
    { key: 'hubAsideMm', label: 'Towards the latch', kind: 'length', min: -500, max: 500, group: 'Wheel' },
    { key: 'studs', label: 'Studs used', kind: 'count', min: 3, max: 6, group: 'Wheel' },
    { key: 'studCircleMm', label: 'Stud circle', kind: 'length', min: 90, max: 230, group: 'Wheel' },
    { key: 'beamProfileId', label: 'Tongue and beam', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'armProfileId', label: 'Arm', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'spindleProfileId', label: 'Spindle', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
    {
      key: 'spindleN',
      label: 'Spindle and hub hold, by their maker',
      kind: 'force',
      min: 0,
      max: 200_000,
      nullable: true,
      group: 'Bought',
    },
    { key: 'latchN', label: 'Latch holds, by its maker', kind: 'force', min: 0, max: 200_000, nullable: true, group: 'Bought' },
    {
      key: 'sway',
      label: 'Against sway',
      kind: 'choice',
      group: 'In the receiver',
      options: () => [
        { value: 'insert', label: 'Sloped insert, drawn by a bolt' },
        { value: 'clamp', label: 'Clamp' },
        { value: 'none', label: 'Nothing' },
      ],
    },
    {
      key: 'slackMm',
      label: 'Slack in the receiver, measured',
      kind: 'length',
      gauge: true,
      min: 0,
      max: 6,
      nullable: true,
      group: 'In the receiver',
      when: (p) => p.sway === 'insert',
    },
    {
      key: 'cutDeg',
      label: 'Slope of the cut',
      kind: 'angle',
      min: 5,
      max: 45,
      group: 'In the receiver',
      when: (p) => p.sway === 'insert',
    },
  ],
  changes: (p) => [
    ...[40, 80, 160]
      .filter((d) => p.hubUpMm - d >= 60)
      .map((d) => ({ label: `the wheel {${d}} lower`, params: { ...p, hubUpMm: p.hubUpMm - d } })),
    ...[40, 80, 160]
      .filter((d) => p.hubUpMm + d <= 800)
      .map((d) => ({ label: `the wheel {${d}} higher`, params: { ...p, hubUpMm: p.hubUpMm + d } })),
    ...[40, 80]
      .filter((d) => p.behindMm - d >= 150)
      .map((d) => ({ label: `the beam {${d}} nearer the pin`, params: { ...p, behindMm: p.behindMm - d } })),
    ...[60, 120]
      .filter((d) => p.behindMm + d <= 900)
      .map((d) => ({ label: `the beam {${d}} further back`, params: { ...p, behindMm: p.behindMm + d } })),
    ...[40, 80]
      .filter((d) => p.hingeOutMm + d <= 1100)
      .map((d) => ({ label: `the spindle {${d}} further out`, params: { ...p, hingeOutMm: p.hingeOutMm + d } })),
    ...stifferThan(p.armProfileId).map((q) => ({ label: `an arm of ${q.name}`, params: { ...p, armProfileId: q.id } })),
    ...stifferThan(p.beamProfileId).map((q) => ({ label: `a beam of ${q.name}`, params: { ...p, beamProfileId: q.id } })),
    {
      label: `swung to the ${p.hinge === 'left' ? 'right' : 'left'}`,
      params: { ...p, hinge: p.hinge === 'left' ? ('right' as const) : ('left' as const) },
    },
  ],
  profile: { of: (p) => p.armProfileId, set: (p, armProfileId) => ({ ...p, armProfileId }) },
  finish: (p) => p.finish,
  mirrored: (p) => ({ ...p, hinge: p.hinge === 'left' ? 'right' : 'left' }),
  examples: [
    { name: 'steel, to the left, nothing of it rated', vehicle: pickupWithReceiver, params: SwingOutParams.parse({}) },
    {
      name: 'a weighed wheel of 35 in, rated parts, to the right',
      vehicle: pickupWithReceiver,
      params: SwingOutParams.parse({
        hinge: 'right',
        wheelMm: 889,
        wheelWideMm: 317.5,
        backspaceMm: 114.3,
        wheelKg: 38,
        spindleN: 9000,
        latchN: 4000,
        slackMm: 1.6,
        behindMm: 381,
        hubUpMm: 381,
      }),
    },
    {
      name: 'aluminium arm, a small wheel, clamped tongue',
      vehicle: pickupWithReceiver,
      params: SwingOutParams.parse({
        wheelMm: 620,
        wheelWideMm: 190,
        backspaceMm: 110,
        wheelKg: 18,
        armProfileId: 'square-50x4-al6061t6',
        sway: 'clamp',
        finish: 'raw',
      }),
    },
    {
      name: 'low and wide, wheel towards the latch',
      vehicle: pickupWithReceiver,
      params: SwingOutParams.parse({
        hingeOutMm: 760,
        latchOutMm: 700,
        hubAsideMm: 120,
        hubUpMm: 260,
        wheelKg: 27,
        slackMm: 0.8,
        studs: 5,
      }),
    },
  ],
}
