// @vitest-environment jsdom
import { fireEvent, screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { InsideSchema } from '../../../core/inside/inside'
import { demoJobs } from '../../../core/job/demoJobs'
import { INCH } from '../../../core/quantity/units'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import FitStation from './FitStation'

const mapping = demoJobs.find((j) => j.title.startsWith('Panel'))!
/** Pushed in one after another, all facing forward. */
const pair = {
  ...mapping,
  inside: {
    ...mapping.inside,
    things: mapping.inside.things.map((t, i) => ({
      ...t,
      place: t.kind === 'bicycle' ? { xMm: 0, yMm: 380 + 330 * i, deg: 0 as const } : null,
    })),
  },
}
const station = (units = pair.units) => mount(<WithJob>{() => <FitStation />}</WithJob>, units, '/?part=inside')
const places = () => benchJob().inside.things.map((t) => t.place)

test('four bicycles all facing forward stand in one another; stowed for the least width they fit, and the box with them', async () => {
  answering({})
  onBench(pair)
  const { user } = station()
  const said = screen.getAllByRole('status').find((s) => s.textContent?.includes('Not stowed yet'))!
  expect(within(said).getAllByText(/handlebars of Bicycle \d stands \d+ mm into handlebars of Bicycle \d/).length).toBeGreaterThan(1)
  expect(within(said).getByText('Not stowed yet: Batteries, Drone case.')).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Stow them so' }))
  expect(within(said).queryAllByRole('alert')).toEqual([])
  expect(within(said).getByText(/^Everything has its room as it stands/)).toBeTruthy()
  expect(places().every((p) => p !== null)).toBe(true)
  expect(screen.getByText(/^Would free: .*handlebars turned along the frames/)).toBeTruthy()
})
test('by keyboard: five along, fifty with Shift, turned with T, taken out; each is one step of the job', async () => {
  answering({})
  onBench(pair)
  const { user } = station()
  const bike = within(screen.getByRole('group', { name: 'The floor from above' })).getByRole('button', { name: /^Bicycle 1/ })
  bike.focus()
  fireEvent.keyDown(bike, { key: 'ArrowRight' })
  fireEvent.keyDown(bike, { key: 'ArrowDown', shiftKey: true })
  expect(places()[0]).toEqual({ xMm: 5, yMm: 430, deg: 0 })
  fireEvent.keyDown(bike, { key: 't' })
  expect(places()[0]?.deg).toBe(90)
  await user.click(screen.getByRole('button', { name: 'Take it out' }))
  expect(places()[0]).toBeNull()
})
test('an unmeasured room is not drawn and nothing is assessed; measured, it is; a bicycle more is measured like the last', async () => {
  answering({})
  onBench({ ...pair, inside: InsideSchema.parse({}) })
  const { user } = station(INCH)
  expect(screen.getByText(/Measure the room beside this/)).toBeTruthy()
  const type = async (label: string, text: string) => {
    const field = screen.getAllByRole('textbox', { name: label }).at(-1)!
    await user.clear(field)
    await user.type(field, `${text}{Enter}`)
  }
  await type('Floor, length', '100')
  await type('Floor, width', '68')
  await type('Clear height', '70')
  await type('Wheel arches, width', '0')
  expect(benchJob().inside).toMatchObject({ lengthMm: 2540, archWidthMm: 0 })
  expect(screen.getByRole('group', { name: 'The floor from above' })).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Add a bicycle' }))
  await type('Over the handlebars', '27')
  expect(screen.getByText(/The least width waits for: length of Bicycle 1, /)).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Add a bicycle' }))
  expect(benchJob().inside.things.map((t) => [t.name, t.widthMm])).toEqual([['Bicycle 1', 27 * 25.4], ['Bicycle 2', 27 * 25.4]]) // biome-ignore format: a pair
})

const section = () => within(screen.getByRole('group', { name: 'The room from its left side' }))
test('seen from the side, a case is lifted and set down by keys; on the box it says what that bears, in the air that nothing is under it', async () => {
  answering({})
  onBench(mapping)
  const { user } = station()
  const said = screen.getAllByRole('status').find((s) => s.textContent?.includes('Out to the rear'))!
  expect(within(said).getByText(/^On top of Batteries/).textContent).toMatch(/9 kg.*it bears 40 kg/)
  const drone = section().getByRole('button', { name: /^Drone case/ })
  drone.focus()
  fireEvent.keyDown(drone, { key: 'ArrowUp', shiftKey: true })
  expect(within(said).getByText('Drone case has no box under it, 370 mm above the floor')).toBeTruthy()
  fireEvent.keyDown(drone, { key: 'd' })
  expect(places().at(-1)?.zMm).toBe(320)
  expect(within(said).queryByText(/no box under it/)).toBeNull()
  // beside the box it comes down to the floor
  fireEvent.keyDown(drone, { key: 'ArrowUp', shiftKey: true })
  for (let i = 0; i < 8; i++) fireEvent.keyDown(drone, { key: 'ArrowRight', shiftKey: true })
  await user.click(screen.getByRole('button', { name: 'Set it down (D)' }))
  expect(places().at(-1)?.zMm).toBe(0)
  expect(within(said).queryByText(/^On top of/)).toBeNull()
})
test('what the top bears and what the case weighs are asked: cleared, nothing passes; too heavy, it says so', async () => {
  answering({})
  onBench(mapping)
  const { user } = station()
  const of = (name: string) => within(screen.getByRole('region', { name }))
  const type = async (field: HTMLElement, text: string) => {
    await user.clear(field)
    await user.type(field, `${text}{Enter}`)
  }
  await type(of('Drone case').getByRole('textbox', { name: 'Mass' }), '41')
  expect(screen.getByText(/^On top of Batteries/).closest('[class*=Error]')).toBeTruthy()
  await type(of('Batteries').getByRole('textbox', { name: 'Its top bears' }), '')
  expect(screen.getByText(/^On top of Batteries/).textContent).toMatch(/Not assessed. Missing: what the top of Batteries bears\./)
  expect(screen.queryByText(/^Everything has its room/)).toBeNull()
})
test('through the side door, what stands at it; a door without its height is not assessed', async () => {
  answering({})
  onBench(mapping)
  const { user } = station()
  const line = () => screen.getByText(/side door/, { selector: 'p' }).textContent
  expect(line()).toMatch(/Through the side door|Nothing comes out through/)
  await user.clear(screen.getByRole('textbox', { name: 'Door height' }))
  await user.tab()
  expect(line()).toBe('The side door is not measured: what comes out there is not assessed.')
})
