// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import type { WayRow } from '../../../core/advice/otherWays'
import type { ClientAnswer } from '../../../core/clientAnswer/clientAnswer'
import { given } from '../../../core/figure/figure'
import { demoJobs } from '../../../core/job/demoJobs'
import { designMark } from '../../../core/job/designMark'
import type { Job } from '../../../core/job/job'
import { editJob, undo } from '../../job/jobStore'
import { answering, benchJob, mount, onBench, Refused, WithJob } from '../../testing/bench'
import { ClientPanel } from './ClientPanel'
import { OtherWays } from './OtherWays'

const job = demoJobs[4]!
const answer = (over: Partial<ClientAnswer> = {}): ClientAnswer => ({
  format: 'tide-line/client-answer',
  version: 1,
  title: job.title,
  revision: 3,
  design: designMark(job),
  who: 'Loft foreman',
  at: '2026-11-20T09:15:00.000Z',
  agrees: false,
  note: 'And a ladder?',
  marks: [{ view: 'side', xMm: 420, yMm: 1960, says: 'Lower here' }],
  ...over,
})
const fileOf = (text: string) => new File([text], 'answer.json', { type: 'application/json' })

describe('the client’s answer', () => {
  const shown = (over: Job = job) => {
    answering({})
    onBench(over)
    const { user } = mount(<WithJob>{(j) => <ClientPanel job={j} id="j" />}</WithJob>)
    const read = (text: string) => user.upload(screen.getByLabelText('The client’s answer file'), fileOf(text))
    return { user, read }
  }
  test('is read in once, stands with its words, and each is settled by itself; undo brings it back as it was', async () => {
    const { user, read } = shown()
    expect(screen.getByText('No answer yet.')).toBeTruthy()
    await read(JSON.stringify(answer()))
    const region = within(await screen.findByRole('region', { name: 'Answer of Loft foreman' }))
    expect(screen.getByText('Loft foreman has not agreed yet.')).toBeTruthy()
    await user.click(region.getByLabelText('Lower here'))
    expect(benchJob().clientAnswers[0]!.marks[0]!.settled).toBe(true)
    expect(benchJob().clientAnswers[0]!.noteSettled).toBe(false)
    undo()
    await waitFor(() => expect(benchJob().clientAnswers[0]!.marks[0]!.settled).toBe(false))
    await read(JSON.stringify(answer()))
    expect(await screen.findByText(/Nothing was taken over. This answer was read before./)).toBeTruthy()
    expect(benchJob().clientAnswers).toHaveLength(1)
    await user.click(region.getByRole('button', { name: 'Take away' }))
    expect(benchJob().clientAnswers).toEqual([])
  })
  test('agreed is said of this very design only: something carried heavier, and it is asked for again', async () => {
    const { read } = shown()
    await read(JSON.stringify(answer({ agrees: true, note: '', marks: [] })))
    expect(await screen.findByText('Loft foreman agreed to the job as it is now.')).toBeTruthy()
    const heavier = (j: Job): Job => ({
      ...j,
      brief: { ...j.brief, cargo: j.brief.cargo.map((c) => ({ ...c, massKg: { least: 50, most: 60 } })) },
    })
    editJob(heavier)
    expect(await screen.findByText(/agreed to revision 3. The job has changed since: send the page again/)).toBeTruthy()
  })
  test('what is no answer is refused by its field, and nothing of it is taken', async () => {
    const { read } = shown()
    await read('{"format":"tide-line/job"}')
    expect((await screen.findByRole('alert')).textContent).toMatch(/Nothing was taken over.*format/)
    await read('not a file of ours')
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/Nothing was taken over/))
    expect(benchJob().clientAnswers).toEqual([])
  })
})

describe('other ways to make it', () => {
  const figure = (id: string, value: number | null, unit: string) =>
    given({ id, name: id, unit, source: 'test', symbol: 'v', input: [value, unit, id] })
  const row = (over: Partial<WayRow>): WayRow => ({
    name: 'As drawn',
    mass: figure('mass', 40, 'kg'),
    price: figure('price', 268_800, 'money'),
    over: 0,
    unknown: 0,
    broken: 0,
    governs: 'Front axle',
    ...over,
  })
  const asked = async (rows: unknown) => {
    answering({ '/other-ways': rows })
    onBench(job)
    const { user } = mount(<OtherWays job={job} id="j" />)
    await user.click(screen.getByRole('button', { name: 'Steel against aluminium' }))
    return user
  }
  test('each stands with mass and price that open their working, and with what is over or does not work', async () => {
    const user = await asked({ rows: [row({}), row({ name: 'All in aluminium', mass: figure('mass', null, 'kg'), over: 2, broken: 1 })] })
    const light = within((await screen.findByText('All in aluminium')).closest('tr')!)
    expect(light.getByText('2 over, 1 do not work')).toBeTruthy()
    await user.click(within(screen.getByText('As drawn').closest('tr')!).getByRole('button', { name: /40 kg|mass/ }))
    expect((await screen.findByRole('dialog')).textContent).toContain('as given')
  })
  test('nothing to compare with is said, and so is a server that cannot', async () => {
    await asked({ rows: [row({})] })
    expect(await screen.findByText(/there is no other way to compare/)).toBeTruthy()
  })
  test('a refusal stands where the table would', async () => {
    await asked(new Refused(503, { faults: [{ where: 'work', expected: 'a moment: the workshop is busy' }] }))
    expect((await screen.findByRole('alert')).textContent).toMatch(/busy/)
  })
})
