import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Vehicle } from '../../vehicle/vehicle'
import { beamFields, beamsFamily } from '../beamsOnFeet'
import type { Family } from '../family'
import { feetAlong, moreFeet } from '../feetAlong'
import { lineOf } from '../mountLine'
import { assemble } from './assemble'
import { ExtrusionParams, slottedProfiles } from './params'

const [van, , camper] = demoVehicles as [Vehicle, Vehicle, Vehicle, ...Vehicle[]]
const choices = () => slottedProfiles.map((p) => ({ value: p.id, label: p.name }))

/** A rack bolted of slotted extrusion, moved and added to with a key. */
export const extrusionRack: Family<ExtrusionParams> = {
  id: 'extrusion-rack',
  title: 'Slotted-extrusion rack',
  says: 'Side bars on feet with crossbars between them, bolted in slots: no welding, and everything slides where it is wanted. Not to stand on.',
  params: ExtrusionParams,
  ...beamsFamily<ExtrusionParams>('rack'),
  start: ({ vehicle }) => ExtrusionParams.parse(feetAlong(vehicle)),
  assemble,
  fields: [
    ...beamFields('Side bars'),
    { key: 'crosses', label: 'Crossbars', kind: 'count', min: 2, max: 24 },
    {
      key: 'held',
      label: 'Crossbars are held by',
      kind: 'choice',
      options: () => [
        { value: 'brackets', label: 'Brackets in the corners' },
        { value: 'tapped ends', label: 'A bolt and a pin in each end' },
      ],
      help: 'brackets keep the frame square; a bolt in the end holds up and down like a hinge',
    },
    { key: 'stop', label: 'Stop across the front', kind: 'switch' },
    { key: 'beamProfileId', label: 'Side bars', kind: 'profile', options: choices, group: 'Metal' },
    { key: 'crossProfileId', label: 'Crossbars', kind: 'profile', options: choices, group: 'Metal' },
  ],
  changes: (p, { vehicle }) => [
    ...(p.held === 'tapped ends' ? [{ label: 'corner brackets instead of tapped ends', params: { ...p, held: 'brackets' as const } }] : []),
    ...moreFeet(p, lineOf(p, vehicle)),
    ...(p.crosses < 23 ? [{ label: 'two more crossbars', params: { ...p, crosses: p.crosses + 2 } }] : []),
    ...[20, 40]
      .filter((d) => p.footHeightMm - d >= 0)
      .map((d) => ({ label: `feet {${d}} lower`, params: { ...p, footHeightMm: p.footHeightMm - d } })),
    ...slottedProfiles
      .filter((q) => q.id !== p.beamProfileId)
      .map((q) => ({ label: `side bars of ${q.name}`, params: { ...p, beamProfileId: q.id } })),
  ],
  examples: [
    { name: 'on gutters, corner brackets', vehicle: van, params: ExtrusionParams.parse({ mountId: 'gutter', footXMm: [-600, 900, 2400] }) },
    {
      name: 'on tracks, tapped ends, no stop',
      vehicle: camper,
      params: ExtrusionParams.parse({ mountId: 'track', footXMm: [-300, 600], held: 'tapped ends', stop: false, crosses: 3 }),
    },
    {
      name: 'by inches, tall side bars, long past its feet',
      vehicle: van,
      params: ExtrusionParams.parse({
        mountId: 'gutter',
        footXMm: [-508, 762, 2032],
        pastMm: 457.2,
        footHeightMm: 76.2,
        beamProfileId: 'slotted-40x80-al6063t5',
        crosses: 6,
      }),
    },
    {
      name: 'low, two crossbars only',
      vehicle: camper,
      params: ExtrusionParams.parse({ mountId: 'track', footXMm: [-200, 500], footHeightMm: 0, crosses: 2 }),
    },
  ],
}
