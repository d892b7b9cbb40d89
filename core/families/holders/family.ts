import { demoVehicles } from '../../vehicle/demoVehicles'
import { boxChoices, coatChoices, roundChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { lengthMeasure } from '../measures'
import { acrossBars, assemble, baseOf } from './assemble'
import { HoldersParams } from './params'

const pickup = demoVehicles[1]!
const truck = demoVehicles.find((v) => v.id === 'flat-tray-truck') ?? pickup

/** Sockets for rods, poles, tools and tubes, clamped to a bar. */
export const holders: Family<HoldersParams> = {
  id: 'holders',
  title: 'Sockets in a row',
  group: 'on another piece',
  says: 'Tubes that rods, poles or tools stand in, clamped by collars to a bar of another piece, or to one of their own across the bed.',
  params: HoldersParams,
  fits: (site) =>
    baseOf(HoldersParams.parse({}), site)
      ? null
      : site.below
        ? 'the piece below has no tube across'
        : 'it needs rails for a bar of its own: measure the bed or the tray at Measure; or stand it on another piece',
  start: () => HoldersParams.parse({}),
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'inset', 'insetMm', 'First socket from the end of the bar', [20, 1000]),
    lengthMeasure(p, 'socket', 'socketMm', 'Length of a socket', [80, 900]),
    { id: 'tilt', label: 'Lean back', unit: 'angle', value: p.tiltDeg, min: -45, max: 60, set: (q, tiltDeg) => ({ ...q, tiltDeg }) },
    lengthMeasure(p, 'behind', 'behindMm', 'Bar behind the front of the rails', [60, 4000]),
  ],
  handles: (p, site) => {
    const base = baseOf(p, site)
    const socket = assemble(p, site).assembly.members.find((m) => m.id === 'socket:0')
    return [
      ...(base?.own
        ? [
            {
              id: 'bar',
              ref: 'bar',
              label: 'Bar',
              at: { ...base.bar.path[0]!, y: 0 },
              moves: [{ axis: 'x' as const, measure: 'behind', per: -1 }],
            },
          ]
        : []),
      ...(socket
        ? [
            {
              id: 'socket',
              ref: 'socket:0',
              label: 'First socket',
              at: socket.path[1]!,
              moves: [{ axis: 'y' as const, measure: 'inset', per: -1 }],
            },
          ]
        : []),
    ]
  },
  fields: [
    {
      key: 'onMember',
      label: 'Clamped to',
      kind: 'choice',
      options: (site) =>
        site.below
          ? acrossBars(site.below).map((m) => ({ value: m.id, label: `${m.name} ${m.mark}` }))
          : [{ value: '', label: 'a bar of its own' }],
      when: (_, site) => site.below !== null,
    },
    {
      key: 'behindMm',
      label: 'Bar behind the front of the rails',
      kind: 'length',
      min: 60,
      max: 4000,
      when: (_, site) => site.below === null,
    },
    { key: 'count', label: 'Sockets', kind: 'count', min: 1, max: 16 },
    { key: 'insetMm', label: 'First one from the end of the bar', kind: 'length', min: 20, max: 1000, when: (p) => p.pitchMm === null },
    {
      key: 'pitchMm',
      label: 'Pitch to be kept',
      kind: 'length',
      min: 40,
      max: 1500,
      nullable: true,
      help: 'laid out from the middle, the middle one on the centre line; empty: even from end to end',
    },
    { key: 'socketMm', label: 'Length of a socket', kind: 'length', min: 80, max: 900 },
    { key: 'tiltDeg', label: 'Lean back', kind: 'angle', min: -45, max: 60 },
    { key: 'barProfileId', label: 'Bar', kind: 'profile', options: boxChoices, group: 'Metal', when: (_, site) => site.below === null },
    { key: 'socketProfileId', label: 'Sockets', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...(p.count > 1 ? [{ label: 'one socket fewer', params: { ...p, count: p.count - 1 } }] : []),
    ...[40, 80]
      .filter((d) => p.socketMm - d >= 80)
      .map((d) => ({ label: `sockets {${d}} shorter`, params: { ...p, socketMm: p.socketMm - d } })),
    ...(p.tiltDeg > 10 ? [{ label: 'half the lean', params: { ...p, tiltDeg: p.tiltDeg / 2 } }] : []),
    ...stifferThan(p.barProfileId).map((q) => ({ label: `a bar of ${q.name}`, params: { ...p, barProfileId: q.id } })),
  ],
  profile: { of: (p) => p.barProfileId, set: (p, barProfileId) => ({ ...p, barProfileId }) },
  finish: (p) => p.finish,
  examples: [
    { name: 'five across a pickup’s bed', vehicle: pickup, params: HoldersParams.parse({}) },
    {
      name: 'nine on a tray at a pitch, upright',
      vehicle: truck,
      params: HoldersParams.parse({ count: 9, pitchMm: 180, tiltDeg: 0, behindMm: 900 }),
    },
    {
      name: 'three in aluminium by inches, leaning far',
      vehicle: pickup,
      params: HoldersParams.parse({
        count: 3,
        insetMm: 203.2,
        socketMm: 304.8,
        tiltDeg: 30,
        barProfileId: 'square-40x3-al6061t6',
        finish: 'raw',
      }),
    },
    { name: 'one in the middle', vehicle: truck, params: HoldersParams.parse({ count: 1, pitchMm: 200, socketMm: 400 }) },
  ],
}
