import { ClampOnParams } from '../../families/clampOn/params'
import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { item, rings, strapped, van, withBrief } from './parts'

/** Two pieces, one on the other: bars, and padded jaws clamped on all three of them for the oars. */
export const rowingClub: Job = withBrief(
  newJob('Jaws for oars on three bars', van, METRIC),
  {
    clientName: 'Gig rowing club',
    contact: 'Boathouse slip, Saturdays',
    vehicleUse: 'Six oars and the flags to regattas along the coast',
    loadClass: 'light',
    howOften: 'weekly',
    road: 'road',
    speedKmh: 90,
    passages: [{ name: 'boathouse door', heightMm: 3000 }],
    budgetMinor: 180_000,
    cargo: [
      item('equipment-case', 300, 479, {
        name: 'Oars, six, blades to the rear',
        massKg: { least: 20, most: 22 },
        massBasis: 'weighed',
        lengthMm: 3800,
        widthMm: 280,
        heightMm: 58,
        rests: 'bundle',
        on: ['p2/jaws'],
        ruleSource: 'the oars’ builder',
        maxOverhangMm: 1300,
        maxSpanMm: null,
        securing: strapped([900, -900], ['forward', 'rear']),
      }),
    ],
  },
  { mountId: 'gutter', barXMm: [-600, 300, 1100] },
  { due: '2027-03-05', anchors: [rings], station: 'layout' },
  {
    name: 'Jaws for the oars',
    family: 'clamp-on',
    on: 'p1',
    params: ClampOnParams.parse({ what: 'paddles', onMember: 'p1/bar:0', jaws: 3, atMm: 380, packThickMm: 60, packWideMm: 300, padMm: 12 }),
  },
)
