import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { formatQuantity } from '../quantity/formatQuantity'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { withRack as design } from '../testing/racks'
import type { Issue } from './issue'
import { issueMessage } from './messages.en'

const metric = (mm: number) => `${formatQuantity(mm, 'length', METRIC)} mm`
const inch = (mm: number) => `${formatQuantity(mm, 'length', INCH)} in`
const [survey, , , drone] = demoJobs
const vehicle = (job: Job, change: Partial<Job['vehicle']>): Job => ({ ...job, vehicle: { ...job.vehicle, ...change } })
const moved = (job: Job, xMm: number): Job => ({ ...job, brief: { ...job.brief, cargo: [{ ...job.brief.cargo[1], xMm }] } })

/** A job that goes wrong in one way, the word of what is wrong, and what a person reads. */
const stories: [string, Issue['code'], Job, RegExp][] = [
  ['nowhere to stand', 'no_mount_line', vehicle(survey, { mounts: [] }), /add a mount line at Measure\.$/],
  ['nothing to carry on', 'no_bars', design(survey, { barXMm: [] }), /^There are no crossbars yet: add two or more\.$/],
  [
    'a bar beyond the gutter',
    'bar_off_mount',
    design(survey, { barXMm: [-250, 4000] }),
    /^Bar 2 at 4000 mm has no mount below it: the nearest is at \d+ mm\.$/,
  ],
  [
    'two bars on one foot’s length',
    'bars_too_close',
    design(survey, { barXMm: [0, 50] }),
    /^Bars 1 and 2 are 50 mm apart: their feet need 80 mm\.$/,
  ],
  [
    'a bracket stepping in too far',
    'bar_too_short',
    design(vehicle(survey, { mounts: [{ ...survey.vehicle.mounts[0], halfWidthFrontMm: 330, halfWidthRearMm: 330 }] }), {
      bracketInsetMm: 300,
      overhangMm: 0,
    }),
    /^Bar 1 would be \d+ mm long: reduce the bracket step/,
  ],
  [
    'a bar through the fan',
    'bar_hits_obstacle',
    design(survey, { barXMm: [-250, 1500, 2000], footHeightMm: 0 }),
    /^Bar 2 fouls the roof fan by \d+ mm: move the bar or raise the feet\.$/,
  ],
  [
    'a bar over the fan',
    'bar_near_obstacle',
    design(survey, { barXMm: [-250, 1500, 2000] }),
    /^Bar 2 leaves 5 mm over the roof fan, which needs 120 mm to open: move the bar or raise the feet\.$/,
  ],
  ['a case off the rack', 'load_on_nothing', moved(survey, 9000), /^Equipment case rests on no bar/],
  ['a case on one bar', 'load_on_one_bar', moved(survey, 850), /^Equipment case rests on one bar only and can pivot on it/],
  [
    'a pole hung out past its middle',
    'load_tips',
    { ...survey, brief: { ...survey.brief, cargo: [{ ...survey.brief.cargo[0], xMm: 2400 }] } },
    /tips: its centre of mass at 2400 mm lies outside its supports, 850 mm to 2000 mm\.$/,
  ],
  [
    'a pair of cases in one place',
    'loads_overlap',
    {
      ...survey,
      brief: { ...survey.brief, cargo: [survey.brief.cargo[1], { ...survey.brief.cargo[1], id: 'twin', name: 'Second case' }] },
    },
    /^Equipment case and Second case take the same space/,
  ],
  ['a fan that must open', 'access_covered', survey, /leaves 45 mm over the roof fan, which needs 120 mm/],
  [
    'a post that lifts out',
    'foot_lets_go',
    design(
      {
        ...vehicle(drone, { mounts: [{ ...drone.vehicle.mounts[0], kind: 'stake pocket' }] }),
        brief: { ...drone.brief, someoneStands: true },
      },
      { overhangMm: 500, barXMm: [0, 1500] },
    ),
    /is pulled up, a person standing, and its mount cannot pull/,
  ],
]

describe('each thing that can be wrong says what and what to change', () => {
  test.each(stories)('%s', (_, code, job, sentence) => {
    const found = evaluate(job, defaultRules).issues.filter((i) => i.code === code)
    expect(found.length).toBeGreaterThan(0)
    expect(issueMessage(found[0], metric)).toMatch(sentence)
    // in a job in inches no millimetre is left over
    expect(issueMessage(found[0], inch)).not.toMatch(/\d mm/)
  })
  test('a movement that nobody knows is said to be unknown, never none', () => {
    const near: Issue = { code: 'load_near_body', at: [], fix: null, item: 'Baskets', body: 'bed', clearMm: 12, needMm: null }
    expect(issueMessage(near, metric)).toContain('how much the two bodies move is not known')
    expect(issueMessage({ ...near, needMm: 25 }, metric)).toContain('they move against each other by 25 mm')
    expect(issueMessage({ ...near, clearMm: -8 }, metric)).toBe('Baskets stands into the bed by 8 mm: move it or raise the feet.')
    const tied: Issue = { code: 'bridges_bodies', at: [], fix: null, one: 'cab', other: 'bed', movesMm: null }
    expect(issueMessage(tied, metric)).toContain('by nobody knows how much')
  })
})
