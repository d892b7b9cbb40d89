import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { tickOf } from '../workLog/tick'
import { demoWorkshop } from '../workshop/workshop'
import { entriesOf, searchLog, trialEntries } from './shopLog'

const job = {
  ...demoJobs.find((j) => j.title.startsWith('Hoop'))!,
  built: {
    cut: tickOf('2026-11-21', '', { what: 'Cut to length', by: 'Maren', tookMin: 48, reckonedMin: 40 }),
    weld: tickOf('2026-11-24', '', { what: 'Weld out', by: 'Tjark', otherwise: 'Gap of 2 at the left foot' }),
    'hole:p1/foot:3': tickOf('2026-11-24', ''),
    old: tickOf('2026-10-01', ''),
  },
  kit: { 'section x': { here: 4000, due: null, said: 'wall measures 1.9, not 2' }, nuts: { here: 8, due: null, said: '' } },
}
const all = [...entriesOf('j', job), ...trialEntries(demoWorkshop)]

test('steps, what was wrong with what came, and trial bends, newest first; a hole is no entry, an old tick stands under its id', () => {
  expect(entriesOf('j', job).map((e) => `${e.on} ${e.what}: ${e.said}`)).toEqual([
    '2026-11-21 Cut to length: 48 min, reckoned at 40',
    '2026-11-24 Weld out: not as drawn: Gap of 2 at the left foot',
    '2026-10-01 old: ',
    ' what came: section x: wall measures 1.9, not 2',
  ])
  expect(searchLog(all, '')[0]?.what).toBe('Weld out')
  expect(searchLog(all, '')).toHaveLength(4 + demoWorkshop.dies.reduce((s, d) => s + d.trials.length, 0))
})
test('every word must be there, in any case, with accents or without', () => {
  expect(searchLog(all, 'tjark GAP foot').map((e) => e.what)).toEqual(['Weld out'])
  expect(searchLog(all, 'hoop maren').map((e) => e.what)).toEqual(['Cut to length'])
  expect(searchLog([{ ...all[0]!, by: 'Søren Åse' }], 'ase')).toHaveLength(1)
  expect(searchLog(all, 'nobody said this')).toEqual([])
})
test('what spring-back did we get: each trial says by how much it came back', () => {
  expect(searchLog(all, 'trial bend 32').map((e) => e.said)).toEqual([
    'pulled to 62°, came to 60.1°: back by 1.9°',
    'pulled to 93°, came to 90.4°: back by 2.6°',
  ])
})
