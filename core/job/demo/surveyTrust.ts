import { METRIC } from '../../quantity/units'
import { type Job, newJob } from '../job'
import { bolted, item, rings, strapped, van, withBrief } from './parts'

export const surveyTrust: Job = withBrief(
  newJob('Pole and case rack, survey van', van, METRIC),
  {
    clientName: 'Tide-pool survey trust',
    contact: 'Ansa Brackwater, harbour office',
    vehicleUse: 'Shore surveys, two days a week, gear carried wet and salty',
    loadClass: 'medium',
    howOften: 'weekly',
    road: 'rough track',
    speedKmh: 100,
    passages: [
      { name: 'boathouse door', heightMm: 3250 },
      { name: 'ferry car deck', heightMm: 3400 },
    ],
    budgetMinor: 185_000,
    readyMadeMinor: 164_000,
    readyMadeNote: 'bolt-on kit, three bars, no case mount',
    cargo: [
      item('sampling-poles', 950, 420, { name: 'Sampling poles 3.4 m, six', securing: strapped([1000, 0, -1000]) }),
      item('equipment-case', 1000, -60, { securing: strapped([350, -350], ['forward'], { friction: 0.45 }) }),
      item('side-awning', 900, -680, { securing: bolted(6, 'M8') }),
    ],
  },
  { barXMm: [-250, 850, 2000], mountId: 'gutter' },
  { due: '2026-12-11', anchors: [rings], station: 'layout', notes: 'Client will bring the case lid key. Gutter repainted in spring.' },
)
