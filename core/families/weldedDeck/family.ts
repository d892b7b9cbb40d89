import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Vehicle } from '../../vehicle/vehicle'
import { beamFields, beamsFamily } from '../beamsOnFeet'
import { boxChoices, coatChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { feetAlong, moreFeet } from '../feetAlong'
import { lineOf } from '../mountLine'
import { assemble } from './assemble'
import { DeckParams } from './params'

const boarded = (p: DeckParams) => p.boards
const [van, , camper] = demoVehicles as [Vehicle, Vehicle, Vehicle, ...Vehicle[]]

/** A frame of square tube under boards, to stand on when parked and to carry anything. */
export const weldedDeck: Family<DeckParams> = {
  id: 'welded-deck',
  title: 'Welded deck',
  says: 'Beams and cross members of square tube, welded flush, with boards over them in even gaps.',
  params: DeckParams,
  ...beamsFamily<DeckParams>('deck'),
  start: ({ vehicle }) => DeckParams.parse(feetAlong(vehicle)),
  assemble,
  fields: [
    ...beamFields('Beams'),
    { key: 'crosses', label: 'Cross members', kind: 'count', min: 2, max: 24 },
    { key: 'boards', label: 'Boards', kind: 'switch', group: 'Boards' },
    { key: 'boardMm', label: 'Width of a board', kind: 'length', min: 20, max: 400, group: 'Boards', when: boarded },
    { key: 'boardThickMm', label: 'Thickness', kind: 'length', gauge: true, min: 6, max: 60, group: 'Boards', when: boarded },
    { key: 'boardGapMm', label: 'Least gap', kind: 'length', min: 0, max: 100, group: 'Boards', when: boarded },
    { key: 'boardPriceMinorM', label: 'A metre of board', kind: 'money', min: 0, max: 1_000_000, group: 'Boards', when: boarded },
    { key: 'beamProfileId', label: 'Beams', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'crossProfileId', label: 'Cross members', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p, { vehicle }) => [
    ...[20, 40]
      .filter((d) => p.footHeightMm - d >= 0)
      .map((d) => ({ label: `feet {${d}} lower`, params: { ...p, footHeightMm: p.footHeightMm - d } })),
    ...moreFeet(p, lineOf(p, vehicle)),
    ...(p.crosses < 23 ? [{ label: 'two more cross members', params: { ...p, crosses: p.crosses + 2 } }] : []),
    ...stifferThan(p.beamProfileId).map((q) => ({ label: `beams of ${q.name}`, params: { ...p, beamProfileId: q.id } })),
    ...(p.boards ? [{ label: 'leave the boards off', params: { ...p, boards: false } }] : []),
  ],
  finish: (p) => p.finish,
  examples: [
    {
      name: 'steel with boards, on gutters',
      vehicle: van,
      params: DeckParams.parse({ mountId: 'gutter', footXMm: [-600, 400, 1400, 2400], crosses: 7 }),
    },
    {
      name: 'aluminium, open, on tracks',
      vehicle: camper,
      params: DeckParams.parse({
        mountId: 'track',
        footXMm: [-300, 600],
        boards: false,
        beamProfileId: 'square-40x3-al6061t6',
        crossProfileId: 'square-30x2-al6063t6',
        crosses: 4,
        finish: 'raw',
      }),
    },
  ],
}
