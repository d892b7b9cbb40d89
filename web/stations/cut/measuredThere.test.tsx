// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { measureOf, quantityOf } from '../../../core/measure/sheets'
import { localDay } from '../../../core/time/localDay'
import { tickOf } from '../../../core/workLog/tick'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { MeasuredThere } from './MeasuredThere'
import { StepPhotos } from './StepPhotos'

const oyster = demoJobs[1]!
const there = () => mount(<WithJob>{(job) => <MeasuredThere job={job} step="Try it on the vehicle" />}</WithJob>)

test('a width read otherwise at the fit: what was cut and what is still to be cut is told first; kept, it stands with its reason', async () => {
  answering({})
  onBench({ ...oyster, built: { cut: tickOf('2026-11-20', 'x') } })
  const { user } = there()
  await user.click(screen.getByLabelText('Measured otherwise than read before'))
  const list = await screen.findByRole('listbox')
  await user.click(within(list).getByText(/width inside at the front/))
  const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep it as measured' })
  expect(keep.disabled).toBe(true)
  const field = screen.getByLabelText('As it is')
  await user.clear(field)
  await user.type(field, '1453')
  fireEvent.blur(field)
  expect((await screen.findByRole('alert')).textContent).toMatch(/Cut already: .*B-TB .* mm longer.*stay as they were cut/)
  await user.click(keep)
  const q =
    quantityOf('bed.widthFront') ??
    quantityOf(Object.keys(benchJob().vehicle.measures).find((k) => benchJob().vehicle.measures[k]!.value === 1453)!)!
  expect(measureOf(benchJob().vehicle, q)).toMatchObject({ value: 1453, reason: 'as built, at “Try it on the vehicle”' })
  expect(screen.queryByLabelText('As it is')).toBeNull()
})

test('a figure that moves no part says so, and nothing is kept before it is pressed', async () => {
  answering({})
  onBench(oyster)
  const { user } = there()
  // until something is chosen it says so, and not that something is missing from its list
  expect(screen.getByLabelText('Measured otherwise than read before').textContent).toBe('nothing')
  await user.click(screen.getByLabelText('Measured otherwise than read before'))
  await user.click(within(await screen.findByRole('listbox')).getByText(/Whole vehicle.*wheelbase/))
  const field = screen.getByLabelText('As it is')
  await user.clear(field)
  await user.type(field, '3230')
  fireEvent.blur(field)
  expect(await screen.findByText(/No part is another one for it/)).toBeTruthy()
  expect(benchJob().vehicle).toEqual(oyster.vehicle)
})

test('a photograph taken at a step is sent under its name and day, and stands there beside no other step’s', async () => {
  const day = localDay()
  const { calls } = answering({
    'GET /photos': [
      { id: 'a', name: `Weld out, ${day}.jpg`, type: 'image/jpeg', at: '' },
      { id: 'b', name: `Drill, ${day}.jpg`, type: 'image/jpeg', at: '' },
    ],
    'POST /photos': { id: 'c' },
  })
  onBench(oyster)
  const { user } = mount(<StepPhotos step="Weld out" />)
  const list = await screen.findByRole('list', { name: 'Photographs of this step' })
  expect(
    within(list)
      .getAllByRole('img', { hidden: true })
      .map((i) => i.getAttribute('alt')),
  ).toEqual([`Weld out, ${day}.jpg`])
  await user.upload(screen.getByLabelText('Photograph at Weld out'), new File([new Uint8Array([1])], 'IMG_0001.PNG', { type: 'image/png' }))
  await waitFor(() => expect(calls.some((c) => c.method === 'POST')).toBe(true))
  expect(decodeURIComponent(calls.find((c) => c.method === 'POST')!.path.replaceAll('+', ' '))).toContain(`name=Weld out, ${day}.png`)
})
