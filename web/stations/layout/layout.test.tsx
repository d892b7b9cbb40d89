// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { proposePlacements } from '../../../core/advice/propose'
import { demoParts } from '../../../core/catalogue/boughtParts'
import { demoJobs } from '../../../core/job/demoJobs'
import type { Job } from '../../../core/job/job'
import { defaultRules } from '../../../core/rules/rules'
import { compareProfiles } from '../../../core/swap/compareProfiles'
import { rackParams, withRack } from '../../../core/testing/racks'
import { Stopped } from '../../job/useEvaluation'
import { type PieceInHand, useInHand } from '../../pieces/inHand'
import { PieceForm } from '../../pieces/PieceForm'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { BarPositions } from './BarPositions'
import { BoughtFoot } from './BoughtFoot'
import { CargoPlaces } from './CargoPlaces'
import { CompareProfiles } from './CompareProfiles'
import { Issues } from './Issues'

function InHand({ job, children }: { job: Job; children: (inHand: PieceInHand) => React.ReactNode }) {
  const inHand = useInHand(job)
  return inHand && children(inHand)
}
let failing: 'lost' | 'slow' | null = null
vi.mock('../../job/useEvaluation', async (real) => ({
  ...(await real<typeof import('../../job/useEvaluation')>()),
  openBench: () => {
    let end: (why: Error) => void = () => undefined
    const stopped = new Promise<never>((_, reject) => {
      end = reject
    })
    stopped.catch(() => undefined)
    const api = {
      proposePlacements: async (...given: Parameters<typeof proposePlacements>) => {
        if (failing === 'lost') throw new Error('the worker ended')
        if (failing === 'slow') await new Promise(() => undefined)
        return proposePlacements(given[0], given[1], given[2], { least: 2, most: 3 })
      },
      compareProfiles: async (...given: Parameters<typeof compareProfiles>) => compareProfiles(...given),
    }
    return { run: (work: (a: typeof api) => Promise<unknown>) => Promise.race([work(api), stopped]), stop: () => end(new Stopped()) }
  },
}))
const [survey, oyster] = demoJobs
const box = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name })

describe('bars set out', () => {
  const shown = () =>
    mount(<WithJob>{(job) => <InHand job={job}>{(inHand) => <BarPositions job={job} inHand={inHand} />}</InHand>}</WithJob>)
  test('positions run from the roof’s rear edge; one typed moves the bar, and snaps to no place without a mount', async () => {
    answering({})
    onBench(survey)
    const { user } = shown()
    expect(box('Bar 1').value).toBe('930')
    await user.clear(box('Bar 1'))
    await user.type(box('Bar 1'), '1000{Enter}')
    expect(rackParams(benchJob()).barXMm[0]).toBe(-180)
    expect(screen.getByText(/3 bars, mean pitch 1090 mm/)).toBeTruthy()
  })
  test('a bar is added in the widest gap, spaced evenly, and taken away', async () => {
    answering({})
    onBench(survey)
    const { user } = shown()
    await user.click(screen.getByRole('button', { name: 'Add a bar' }))
    expect(rackParams(benchJob()).barXMm).toEqual([-250, 850, 2000, 1425])
    await user.click(screen.getByRole('button', { name: 'Space evenly' }))
    expect(rackParams(benchJob()).barXMm).toEqual([-250, 500, 1250, 2000])
    await user.click(screen.getByRole('button', { name: 'Remove bar 4' }))
    expect(rackParams(benchJob()).barXMm).toHaveLength(3)
  })
  test('placements are proposed with a line why, and one press applies one', async () => {
    answering({})
    onBench(oyster)
    const { user } = shown()
    await user.click(screen.getByRole('button', { name: 'Propose placements' }))
    const list = await screen.findByRole('list', { name: 'Proposed placements' }, { timeout: 20_000 })
    const [first] = within(list).getAllByRole('listitem')
    expect(first.textContent).toMatch(/bars: .*most used is .* at \d+ %/)
    await user.click(within(first).getByRole('button', { name: 'Apply' }))
    for (const x of rackParams(benchJob()).barXMm) expect(oyster.vehicle.mounts[0].pointsXMm).toContain(x)
  })
  test('when nothing is carried it says what to do first; a worker that fails says so and the button is there again', async () => {
    answering({})
    onBench({ ...survey, brief: { ...survey.brief, cargo: [] } })
    const { user } = shown()
    await user.click(screen.getByRole('button', { name: 'Propose placements' }))
    expect(await screen.findByText(/Nothing is carried yet/)).toBeTruthy()
    failing = 'lost'
    await user.click(screen.getByRole('button', { name: 'Propose placements' }))
    expect(await screen.findByText('the worker ended')).toBeTruthy()
    failing = null
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Propose placements' }).disabled).toBe(false)
    // a search that takes too long is stopped, and nothing went wrong
    failing = 'slow'
    await user.click(screen.getByRole('button', { name: 'Propose placements' }))
    await user.click(screen.getByRole('button', { name: 'Stop' }))
    failing = null
    expect(await screen.findByRole('button', { name: 'Propose placements' })).toBeTruthy()
    expect(screen.queryByText('the worker ended')).toBeNull()
  })
})

test('what does not work yet is said in the job’s units; what has a fix is fixed with one press', async () => {
  const bad = withRack(oyster, { barXMm: [1200, 1880] })
  onBench(bad)
  const { user } = mount(<Issues job={bad} />)
  expect(screen.getByText(/Bar 1 at 1200 mm has no mount below it: the nearest is at 1180 mm/)).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Fix' }))
  expect(rackParams(benchJob()).barXMm).toEqual([1180, 1880])
})

test('the family’s own fields: a figure out of its range is refused at the field, a switch brings the fields that go with it', async () => {
  answering({ '/shelves/parts': { revision: 0, document: [] } })
  onBench(survey)
  const { user } = mount(<WithJob>{(job) => <InHand job={job}>{(inHand) => <PieceForm inHand={inHand} />}</InHand>}</WithJob>)
  await user.clear(box('Foot height'))
  await user.type(box('Foot height'), '900{Enter}')
  expect(screen.getByText('use 500 mm or less')).toBeTruthy()
  expect(rackParams(benchJob()).footHeightMm).toBe(90)
  expect(screen.queryByRole('textbox', { name: 'Fairing height' })).toBeNull()
  await user.click(screen.getByRole('switch', { name: 'Fixed front fairing' }))
  expect(box('Fairing height').value).toBe('150')
  await user.click(screen.getByRole('combobox', { name: 'Joints' }))
  await user.click(screen.getByRole('option', { name: 'Welded' }))
  expect(rackParams(benchJob()).build).toBe('welded')
})

test('where loads lie is typed exactly, and where their mass is', async () => {
  onBench(survey)
  const { user } = mount(<WithJob>{(job) => <CargoPlaces job={job} />}</WithJob>)
  const poles = within(screen.getByRole('group', { name: /Sampling poles/ }))
  await user.clear(poles.getByRole('textbox', { name: 'Middle, forward' }))
  await user.type(poles.getByRole('textbox', { name: 'Middle, forward' }), '1 m{Enter}')
  await user.clear(poles.getByRole('textbox', { name: 'Mass ahead of it' }))
  await user.type(poles.getByRole('textbox', { name: 'Mass ahead of it' }), '-80{Enter}')
  expect(benchJob().brief.cargo[0]).toMatchObject({ xMm: 1000, centreForwardMm: -80 })
})

test('the same rack in every profile: sorted with its own shape first, and another is taken with one press', async () => {
  answering({ '/shelves/rules': { revision: 0, document: defaultRules } })
  onBench(survey)
  const { user } = mount(
    <WithJob>{(job) => <InHand job={job}>{(inHand) => <CompareProfiles job={job} inHand={inHand} />}</InHand>}</WithJob>,
  )
  await user.click(screen.getByRole('button', { name: 'Compare profiles and metals' }))
  const steel = await screen.findByRole('button', { name: 'Use Square tube 40 × 3, Steel S235' }, { timeout: 30_000 })
  await user.click(steel)
  expect(rackParams(benchJob()).profileId).toBe('square-40x3-steel')
})

describe('a foot from the parts shelf', () => {
  const parts = (list: unknown) => answering({ '/shelves/parts': { revision: 1, document: list } })
  const foot = (over: object) => ({ ...demoParts[0], id: 'f', kind: 'foot', number: 'SQ-F1', name: 'Cast foot', heightMm: 112.5, ...over })
  const shown = () => mount(<WithJob>{(job) => <InHand job={job}>{(inHand) => <BoughtFoot inHand={inHand} />}</InHand>}</WithJob>)
  test('taken, it sets the height of the rack to its own, to the half millimetre', async () => {
    parts([foot({})])
    onBench(survey)
    const { user } = shown()
    await user.click(await screen.findByRole('combobox', { name: 'Foot from the parts shelf' }))
    await user.click(screen.getByRole('option', { name: 'SQ-F1 Cast foot, 112.5 mm' }))
    expect(rackParams(benchJob()).footHeightMm).toBe(112.5)
    expect(screen.getByRole('combobox').textContent).toContain('SQ-F1')
  })
  test('a foot whose height nobody measured is not offered, and without any there is no list', async () => {
    const { calls } = parts([foot({ heightMm: null })])
    onBench(survey)
    shown()
    await waitFor(() => expect(calls.some((c) => c.path.includes('/shelves/parts'))).toBe(true))
    expect(screen.queryByRole('combobox')).toBeNull()
  })
})
