// @vitest-environment jsdom
import RAPIER from '@dimforge/rapier3d-compat'
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest'
import { demoParts } from '../../../core/catalogue/boughtParts'
import { fitGiven, fitOf, withApart } from '../../../core/fit/fit'
import { leavesOf } from '../../../core/fit/lidStruts'
import { demoJobs } from '../../../core/job/demoJobs'
import { evaluate } from '../../../core/job/evaluate'
import type { Job } from '../../../core/job/job'
import { defaultRules } from '../../../core/rules/rules'
import { newStruts } from '../../../core/strut/struts'
import { rapierKit } from '../../../core/touch/kit'
import { Measurer } from '../../../core/touch/meetings'
import { demoVehicles } from '../../../core/vehicle/demoVehicles'
import { useView } from '../../drawing/view'
import { editJob } from '../../job/jobStore'
import { useResult } from '../../job/useEvaluation'
import { useFitResult } from '../../job/useFit'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { ComesApart } from './ComesApart'
import { GapList } from './GapList'
import { MotionList } from './MotionList'
import { ReachList } from './ReachList'

vi.mock('../../limits/Reliefs', () => ({ Reliefs: ({ limitId }: { limitId: string }) => <p>relief of {limitId}</p> }))
beforeAll(() => RAPIER.init())
beforeEach(() => answering({}))
afterEach(() => {
  useView.setState({ moving: null, gapId: null })
})

const [, oyster] = demoJobs as [Job, Job, ...Job[]]
const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!
const touching: Job = { ...oyster, vehicle: { ...oyster.vehicle, obstacles: oyster.vehicle.obstacles.map((o) => ({ ...o, xMm: 950 })) } }

/** What the worker would answer for the job that is open. */
function answered(job: Job) {
  const e = evaluate(job, defaultRules)
  const kit = rapierKit(RAPIER)
  const fit = fitOf(fitGiven(job, e, defaultRules), kit, new Measurer(kit))
  kit.close()
  act(() => {
    useResult.setState({ evaluation: e, of: job, fault: null })
    useFitResult.setState({ fit, of: job, fault: null })
  })
  return fit
}
const leafId = () => {
  const { assembly } = evaluate(hive, defaultRules)
  return leavesOf({ assembly, vehicle: hive.vehicle, brief: hive.brief, rules: defaultRules }, []).find((l) => l.mover.name === 'Lid')!
    .mover.id
}
const all = () =>
  mount(
    <WithJob>
      {(job) => (
        <>
          <MotionList job={job} />
          <GapList job={job} />
          <ReachList job={job} />
          <ComesApart job={job} />
        </>
      )}
    </WithJob>,
  )

test('the worst gap first, with what takes from it and what would clear it; pressed it is gone to in the drawing', () => {
  onBench(touching)
  answered(touching)
  all()
  const [worst] = screen.getAllByRole('button', { name: /antenna/i })
  expect(worst!.textContent).toMatch(/may touch.*0 mm, -12 mm at worst/)
  fireEvent.click(worst!)
  expect(useView.getState().gapId).toMatch(/cargo:.*obstacle:0/)
  const row = worst!.closest('li')!
  expect(row.textContent).toMatch(/height of the antenna± 5 mm/)
  expect(row.textContent).toMatch(/Left at worst-12 mm/)
  expect(within(row).getByText(/^relief of gap\./)).toBeTruthy()
  fireEvent.click(worst!)
  expect(useView.getState().gapId).toBeNull()
})

test('while the job has moved on, no gap of the job before stands beside it', () => {
  onBench(touching)
  answered(touching)
  all()
  expect(screen.getAllByRole('button', { name: /antenna/i }).length).toBeGreaterThan(0)
  act(() => {
    editJob((j) => ({ ...j, notes: 'moved' }))
    useResult.setState({ of: benchJob() })
  })
  expect(screen.getByRole('status').textContent).toBe('Measuring the gaps…')
  expect(screen.queryByRole('button', { name: /antenna/i })).toBeNull()
})

test('a lid is moved by its slider, by keyboard too; a stop that clears a gate is set by pressing it', () => {
  const gate = { ...oyster.vehicle.swings.find((s) => s.kind === 'tailgate')!, id: 'gate', name: 'Tall gate', reachMm: 2600, opensDeg: 90 }
  const job: Job = { ...hive, vehicle: { ...hive.vehicle, swings: [gate] } }
  onBench(job)
  const fit = answered(job)
  all()
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Lid: how far' }), { key: 'ArrowRight' })
  expect(useView.getState().moving).toMatchObject({ value: 1 })
  const met = fit.motions.find((m) => m.mover.id === 'swing:gate')!
  if (!met.touch) return expect(screen.getByText('Tall gate').parentElement!.textContent).toMatch(/free/)
  const stop = screen.getByRole('button', { name: /a stop on the tall gate at/ })
  fireEvent.click(stop)
  // what was measured stays; the stop is the job's, and can be taken out again
  expect(benchJob().vehicle.swings[0]!.opensDeg).toBe(90)
  expect(benchJob().stops['swing:gate']!).toBeLessThan(met.touch.at)
  act(() => void answered(benchJob()))
  fireEvent.click(screen.getByRole('button', { name: 'Without it' }))
  expect(benchJob().stops).toEqual({})
})

test('what comes off again is told in its order, alike parts on one line', () => {
  const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
  onBench(basket)
  answered(basket)
  all()
  const order = within(screen.getByRole('region', { name: 'Comes off again' }))
    .getAllByRole('listitem')
    .map((i) => i.textContent)
  expect(order[0]).toMatch(/^lamp, 4 of them/)
  // the client's own wheel comes off its plate before the arm does
  expect(order[1]).toMatch(/^spare wheel/)
  expect(order.some((o) => /welded to it/.test(o ?? ''))).toBe(true)
})

test('a shop whose shelf has no struts, or is not fetched yet, is offered none: nobody else’s sizes stand in', () => {
  onBench({ ...hive, struts: [newStruts(leafId())] })
  answered(benchJob())
  all()
  expect((screen.getByRole('button', { name: /Best of the shelf/ }) as HTMLButtonElement).disabled).toBe(true)
})

describe('gas struts', () => {
  beforeEach(() => {
    answering({ '/shelves/parts': { revision: 1, document: demoParts } })
  })
  const lidRow = () => within(screen.getByText('Lid').closest('li')!)
  const open = (job: Job = hive) => {
    onBench(job)
    answered(job)
    return all()
  }
  test('begin empty and not assessed, saying what is missing; taken off again the job is as it was', () => {
    open()
    fireEvent.click(lidRow().getByRole('button', { name: 'Gas struts' }))
    expect(benchJob().struts).toHaveLength(1)
    act(() => void answered(benchJob()))
    expect(lidRow().getByText(/^Not assessed\. Missing: force of a strut, its full length/)).toBeTruthy()
    fireEvent.click(lidRow().getByRole('button', { name: 'Remove' }))
    expect(benchJob().struts).toEqual([])
  })
  test('the best of the shelf fills in size and ends, and what a hand feels is told in the job’s units', async () => {
    open()
    fireEvent.click(lidRow().getByRole('button', { name: 'Gas struts' }))
    act(() => void answered(benchJob()))
    const best = await lidRow().findByRole('button', { name: /Best of the shelf/ })
    await waitFor(() => expect((best as HTMLButtonElement).disabled).toBe(false))
    fireEvent.click(best)
    const [own] = benchJob().struts
    expect([own!.partId, own!.forceN, own!.onLeaf.outMm, own!.onBody.belowMm].every((v) => v !== null)).toBe(true)
    act(() => void answered(benchJob()))
    expect(lidRow().getByText(/^Holds it open, old and in the cold/)).toBeTruthy()
    const hinge = lidRow().getByRole('button', { name: /^All hinges together, at \d+°: show the working/ })
    expect(hinge.textContent).toMatch(/^\d+ N$/)
    fireEvent.click(hinge)
    expect(screen.getByRole('dialog').textContent).toMatch(/push of the struts, square to it.*statics: forces in balance/s)
  })
  test('on a cover that was measured its figures stand there as measured; what is typed takes their place', () => {
    const vehicle = demoVehicles.find((v) => v.id === 'pickup-cover')!
    open({ ...hive, vehicle, pieces: [], brief: { ...hive.brief, cargo: [] }, struts: [newStruts('swing:cover')] })
    const row = within(screen.getByText('Hinged cover').closest('li')!)
    const force = row.getByRole('textbox', { name: 'Force' }) as HTMLInputElement
    expect([force.value, force.placeholder]).toEqual(['', '650'])
    expect(row.getAllByText('as measured')).toHaveLength(6)
    expect(row.getByText(/^Not assessed\. Missing: its full length, its stroke/)).toBeTruthy()
    fireEvent.change(force, { target: { value: '500' } })
    fireEvent.blur(force)
    expect([force.value, row.getAllByText('as measured').length, benchJob().struts[0]!.forceN]).toEqual(['500', 5, 500])
  })
  test('a figure typed over is no size of the shelf any more', () => {
    open({ ...hive, struts: [{ ...newStruts(leafId()), partId: 'strut-150', forceN: 150, extendedMm: 355, strokeMm: 130 }] })
    const force = lidRow().getByRole('textbox', { name: 'Force' })
    fireEvent.change(force, { target: { value: '180' } })
    fireEvent.blur(force)
    expect([benchJob().struts[0]!.forceN, benchJob().struts[0]!.partId]).toEqual([180, null])
  })
})

describe('what tools get to', () => {
  test('the chest: all but the screws of its latches, which want the lid open; pressed, the tool is shown on the drawing', async () => {
    await onBench(hive)
    all()
    const fit = answered(hive)
    const section = screen.getByRole('region', { name: 'Tools get there' })
    expect(section.textContent).toMatch(/\d+ bolts and \d+ welds tried/)
    const row = within(section).getByRole('button', { name: /latch .* with lid open/ })
    fireEvent.click(row)
    const latch = fit.apart.bolts.find((b) => b.when === 'opened' && /latch/.test(b.name))!
    expect(useView.getState().gapId).toBe(`reach:${latch.id}`)
    expect(latch.tool!.room.length).toBeGreaterThan(0)
  })
  test('a bolt that nothing gets to stands first, in the gauge too, with what would relieve it', async () => {
    await onBench(hive)
    all()
    const fit = answered(hive)
    const [first, ...others] = fit.apart.bolts
    const blocked = { ...first!, when: 'never' as const, by: [{ id: 'x', name: 'post PL' }], tool: null }
    act(() =>
      useFitResult.setState({
        fit: withApart(fit, { ...fit.apart, bolts: [...others, blocked] }, defaultRules),
        of: useResult.getState().of,
      }),
    )
    const section = screen.getByRole('region', { name: 'Tools get there' })
    const [row] = within(section).getAllByRole('button')
    expect(row!.textContent).toMatch(/no tool gets there: post PL is in the way/)
    fireEvent.click(row!)
    expect(section.textContent).toContain(`relief of ${blocked.pieceId}/reach.${blocked.id}`)
  })
})
