// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { beforeEach, describe, expect, test } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { measuringSheets } from '../../../core/measure/sheets'
import { INCH } from '../../../core/quantity/units'
import { rackParams } from '../../../core/testing/racks'
import { demoVehicles } from '../../../core/vehicle/demoVehicles'
import { editJob } from '../../job/jobStore'
import { EarlierRevisions } from '../../shelves/EarlierRevisions'
import { answering, benchJob, mount, onBench, Refused, WithJob } from '../../testing/bench'
import { ClientForm } from './ClientForm'
import { NeededBeforeCutting } from './NeededBeforeCutting'
import { SheetForm } from './SheetForm'
import { SheetList } from './SheetList'
import { ShelfVehicle } from './ShelfVehicle'

const pickup = demoJobs[1]
const bed = measuringSheets.find((s) => s.id === 'bed')!
const row = (id: string) => document.getElementById(`measure-${id}`)!
const sheet = () => mount(<WithJob>{(job) => <SheetForm job={job} sheet={bed} />}</WithJob>)
beforeEach(() => {
  onBench(pickup)
})

describe('a sheet of measures', () => {
  test('says what the readings mean together: narrower at the rear, and square', () => {
    sheet()
    expect(
      screen
        .getAllByRole('status')
        .map((s) => s.textContent)
        .join(),
    ).toMatch(/narrower at the rear, 41 mm in all/)
  })
  test('a part that does not fit the whole is contradicted at once, with the letter to take again', async () => {
    const { user } = sheet()
    const field = screen.getByRole('textbox', { name: 'Wheel arch to tailgate' })
    await user.clear(field)
    await user.type(field, '476{Enter}')
    const alert = screen.getAllByRole('alert').find((a) => a.textContent?.includes('The parts add up to 1612'))!
    expect(alert.textContent).toContain('60 mm too much')
    await user.click(within(alert).getByRole('button', { name: /again/ }))
    expect(document.activeElement?.tagName).toBe('INPUT')
  })
  test('a length below nothing is refused where it is typed, the first time and again, and no reading is kept', async () => {
    const { user } = sheet()
    const width = within(row('bed.widthFront'))
    const before = benchJob().vehicle.measures['bed.widthFront']
    await user.clear(width.getByRole('textbox', { name: 'Width inside at the front' }))
    await user.type(width.getByRole('textbox', { name: 'Width inside at the front' }), '-5{Enter}')
    expect(width.getByText('use 0 mm or more')).toBeTruthy()
    await user.keyboard('{Escape}')
    await user.click(width.getByRole('button', { name: /readings and how it is known/ }))
    await user.click(width.getByRole('button', { name: 'Take it again' }))
    await user.type(width.getByRole('textbox', { name: 'Width inside at the front, again' }), '-1447{Enter}')
    expect(width.getByText('use 0 mm or more')).toBeTruthy()
    expect(benchJob().vehicle.measures['bed.widthFront']).toEqual(before)
  })
  test('a second reading that disagrees leaves the value, flags it, and stands only once chosen with a reason', async () => {
    const { user } = sheet()
    const width = within(row('bed.widthFront'))
    await user.click(width.getByRole('button', { name: /readings and how it is known/ }))
    await user.click(width.getByRole('button', { name: 'Take it again' }))
    await user.type(width.getByRole('textbox', { name: 'Width inside at the front, again' }), '1470{Enter}')
    expect(benchJob().vehicle.measures['bed.widthFront'].value).toBe(1447)
    expect(width.getByRole('alert').textContent).toContain('The readings disagree')
    const choose = width.getAllByRole('button', { name: 'Choose' })
    expect(choose.every((b) => (b as HTMLButtonElement).disabled)).toBe(true)
    await user.type(width.getByRole('textbox', { name: 'Why 1470 mm is right' }), 'the first was under the lip')
    await user.tab()
    await user.click(width.getAllByRole('button', { name: 'Choose' })[1])
    expect(benchJob().vehicle.measures['bed.widthFront']).toMatchObject({ value: 1470, reason: 'the first was under the lip' })
  })
  test('typed in inches it keeps the text with its unit beside the millimetres', async () => {
    mount(<WithJob>{(job) => <SheetForm job={job} sheet={bed} />}</WithJob>, INCH)
    const { user } = mount(<div />)
    const field = screen.getByRole('textbox', { name: 'Width of the rail' })
    await user.clear(field)
    await user.type(field, '2 1/2{Enter}')
    const held = benchJob().vehicle.measures['bed.railWidth']
    expect(held.value).toBeCloseTo(63.5, 6)
    expect(held.readings[0].typed).toContain('2 1/2')
  })
  test('what cannot be measured now is put off to a step, and is then needed before cutting', async () => {
    onBench({ ...pickup, vehicle: { ...pickup.vehicle, measures: {} } })
    const { user } = sheet()
    const lip = within(row('bed.widthRear'))
    await user.click(lip.getByRole('button', { name: /readings and how it is known/ }))
    await user.type(lip.getByRole('textbox', { name: 'Or measure it later, at which step?' }), 'test fit')
    await user.tab()
    await waitFor(() => expect(benchJob().vehicle.measures['bed.widthRear'].step).toBe('test fit'))
  })
})

test('the list of sheets counts what is taken and raises what contradicts', () => {
  mount(<SheetList job={pickup} at="bed" go={() => undefined} />)
  expect(
    screen
      .getAllByRole('button')
      .find((b) => b.textContent?.startsWith('Bed') && b.textContent.includes(' of '))!
      .getAttribute('aria-pressed'),
  ).toBe('true')
})

test('what is needed before cutting leads to its sheet; a fully measured vehicle needs nothing', async () => {
  const half = { ...pickup, vehicle: demoVehicles.find((v) => v.id === 'half-measured-box')! }
  const gone: string[] = []
  const { user, unmount } = mount(<NeededBeforeCutting job={half} go={(id) => gone.push(id)} />)
  await user.click(screen.getAllByRole('button')[0])
  expect(measuringSheets.map((s) => s.id)).toContain(gone[0])
  unmount()
  mount(<NeededBeforeCutting job={demoJobs[0]} go={() => undefined} />)
  expect(screen.queryAllByRole('button')).toEqual([])
})

describe('a client far away', () => {
  const file = (over: object = {}) =>
    new File(
      [
        JSON.stringify({
          format: 'tide-line/answers',
          version: 1,
          who: 'Low Ebb',
          at: '2026-11-20T10:00',
          system: 'inch',
          note: 'gate is bent',
          readings: [{ id: 'bed.lip', typed: '7/8' }],
          photos: [{ name: 'gate', type: 'image/png', base64: 'aGVsbG8=' }],
          ...over,
        }),
      ],
      'answers.json',
      { type: 'application/json' },
    )
  test('his answers are shown, entered with his photographs, and his note is kept', async () => {
    const { calls } = answering({ '/photos/several': [] })
    const { user } = mount(<ClientForm id="job" />)
    await user.upload(screen.getByLabelText("Client's answer file"), file())
    expect(await screen.findByText(/1 figure and 1 photograph from Low Ebb/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Enter them' }))
    expect(await screen.findByText(/1 figure and 1 photograph entered/)).toBeTruthy()
    expect(benchJob().vehicle.measures['bed.lip'].readings.map((r) => r.who)).toContain('Low Ebb')
    expect(benchJob().notes).toContain('Low Ebb: gate is bent')
    expect(calls.filter((c) => c.method === 'POST')).toHaveLength(1)
  })
  test('what cannot be entered whole is not entered at all: a photograph refused, or notes that would grow too long', async () => {
    answering({ '/photos/several': new Refused(422, { faults: [{ where: 'photos[0]', expected: 'a picture' }] }) })
    const { user } = mount(<ClientForm id="job" />)
    await user.upload(screen.getByLabelText("Client's answer file"), file())
    await user.click(await screen.findByRole('button', { name: 'Enter them' }))
    expect(await screen.findByText('photos[0]: a picture')).toBeTruthy()
    expect(benchJob().vehicle).toBe(pickup.vehicle)
    const { calls } = answering({ '/photos/several': [] })
    editJob((j) => ({ ...j, notes: 'x'.repeat(4990) }))
    await user.click(screen.getByRole('button', { name: 'Enter them' }))
    expect(await screen.findByText(/would be 12 signs too long/)).toBeTruthy()
    expect([calls, benchJob().vehicle]).toEqual([[], pickup.vehicle])
  })
  test('a file that cannot be read enters nothing and names the figure', async () => {
    const { user } = mount(<ClientForm id="job" />)
    await user.upload(screen.getByLabelText("Client's answer file"), file({ readings: [{ id: 'bed.lip', typed: 'thumb' }] }))
    expect((await screen.findByRole('alert')).textContent).toMatch(/Nothing was entered. Bed, .*lip/)
    expect(benchJob().vehicle).toBe(pickup.vehicle)
  })
  test('a photograph that the server refuses enters no figure either', async () => {
    answering({})
    const { user } = mount(<ClientForm id="job" />)
    await user.upload(screen.getByLabelText("Client's answer file"), file())
    await user.click(await screen.findByRole('button', { name: 'Enter them' }))
    expect(await screen.findByText(/something else/)).toBeTruthy()
    expect(benchJob().vehicle).toBe(pickup.vehicle)
  })
})

describe('the vehicle shelf beside the job', () => {
  test('says when it has a newer revision, and takes it with one press, bars and all', async () => {
    const newer = { ...pickup.vehicle, revision: 2, wheelbaseMm: { ...pickup.vehicle.wheelbaseMm, value: 3225 } }
    answering({ '/shelves/vehicles': { revision: 1, document: [newer] } })
    const { user } = mount(<WithJob>{(job) => <ShelfVehicle job={job} />}</WithJob>)
    expect(await screen.findByText(/The shelf has revision 2/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Take revision 2' }))
    expect(benchJob().vehicle.wheelbaseMm.value).toBe(3225)
    expect(rackParams(benchJob()).barXMm).toEqual(rackParams(pickup).barXMm)
  })
  test('earlier revisions say what has changed since and can be brought back', async () => {
    const [van] = demoVehicles
    const now = { ...van, revision: 2, wheelbaseMm: { ...van.wheelbaseMm, value: 3700 } }
    answering({ '/revisions': [{ revision: 1, replacedAt: '2026-11-20T10:00:00Z', vehicle: van }] })
    const back: unknown[] = []
    const { user } = mount(<EarlierRevisions vehicle={now} bringBack={(v) => back.push(v)} />)
    expect(await screen.findByText('since then: wheelbase')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Bring back' }))
    expect(back).toEqual([van])
  })
  test('a shelf that cannot be read says so', async () => {
    answering({})
    mount(<EarlierRevisions vehicle={demoVehicles[0]} bringBack={() => undefined} />)
    expect((await screen.findByRole('alert')).textContent).toContain('something else')
  })
})
