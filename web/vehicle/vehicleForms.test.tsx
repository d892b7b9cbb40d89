// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { useState } from 'react'
import { describe, expect, test } from 'vitest'
import { crewCab } from '../../core/vehicle/demoCrewCab'
import { demoVehicles } from '../../core/vehicle/demoVehicles'
import { type Vehicle, VehicleSchema } from '../../core/vehicle/vehicle'
import { mount } from '../testing/bench'
import { BodiesForm } from './BodiesForm'
import { OnBoardForm } from './OnBoardForm'
import { PlacesForm } from './PlacesForm'
import { SwingsForm } from './SwingsForm'
import { MountsForm, RatingsForm, VehicleForm } from './VehicleForm'

type Form = (props: { vehicle: Vehicle; onChange: (change: (v: Vehicle) => Vehicle) => void }) => React.ReactNode
/** A form of the vehicle with the vehicle behind it; whatever is typed must leave one that the schema takes. */
function Held({ Shown, start, held }: { Shown: Form; start: Vehicle; held: { vehicle: Vehicle } }) {
  const [vehicle, set] = useState(start)
  held.vehicle = vehicle
  return <Shown vehicle={vehicle} onChange={(change) => set((v) => VehicleSchema.parse(change(v)))} />
}
function form(Shown: Form, start: Vehicle) {
  const held = { vehicle: start }
  return { held, ...mount(<Held Shown={Shown} start={start} held={held} />) }
}
const pickup = crewCab()
const box = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name })
const retype = async (user: ReturnType<typeof mount>['user'], field: HTMLElement, text: string) => {
  await user.clear(field)
  if (text) await user.paste(text)
  await user.keyboard('{Enter}')
}

describe('doors, tailgate, hatch', () => {
  test('the first kind that is not there yet is added, opening nobody knows how far until it is typed', async () => {
    const { held, user } = form(SwingsForm, { ...pickup, swings: [] })
    expect(screen.getByText(/Add what swings/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(held.vehicle.swings[0]).toMatchObject({ kind: 'tailgate', opensDeg: null, taken: { method: 'unknown' } })
    await retype(user, box('Opens by'), '90')
    expect(held.vehicle.swings[0].opensDeg).toBe(90)
  })
  test('another kind hangs where such a leaf usually hangs and keeps a name of its own', async () => {
    const { held, user } = form(SwingsForm, pickup)
    const gate = held.vehicle.swings.findIndex((s) => s.kind === 'tailgate')
    await retype(user, screen.getAllByRole('textbox', { name: 'Name' })[gate], 'Drop gate')
    await user.click(screen.getAllByRole('combobox', { name: 'Kind' })[gate])
    await user.click(screen.getByRole('option', { name: 'hatch' }))
    expect(held.vehicle.swings[gate]).toMatchObject({ kind: 'hatch', name: 'Drop gate', xMm: -(pickup.rearOverhangMm.value ?? 0) })
    await user.click(screen.getByRole('button', { name: 'Remove Drop gate' }))
    expect(held.vehicle.swings.map((s) => s.kind)).not.toContain('hatch')
  })
  test('how its place was found is said, and the tolerance of that way stands as a hint', async () => {
    const { held, user } = form(SwingsForm, { ...pickup, swings: [pickup.swings[0]] })
    await user.click(screen.getByRole('combobox', { name: 'Place known by' }))
    await user.click(screen.getByRole('option', { name: 'template' }))
    expect(held.vehicle.swings[0].taken).toMatchObject({ method: 'template', toleranceMm: null })
    expect(box('give or take').placeholder).toBe('1')
  })
})

describe('the whole vehicle on its shelf', () => {
  test('named, called a camper, given a note; a figure says how it is known, and one emptied is unknown', async () => {
    const { held, user } = form(VehicleForm, pickup)
    await retype(user, box('Vehicle'), 'Crew cab, second')
    await user.click(screen.getByRole('combobox', { name: 'Body' }))
    await user.click(screen.getByRole('option', { name: 'camper' }))
    await retype(user, box('Wheelbase'), '3230')
    await user.click(screen.getByRole('combobox', { name: 'Wheelbase: how it is known' }))
    await user.click(screen.getByRole('option', { name: 'maker' }))
    expect(held.vehicle).toMatchObject({ name: 'Crew cab, second', body: 'camper', wheelbaseMm: { value: 3230, method: 'maker' } })
    await retype(user, box('Wheelbase'), '')
    expect(held.vehicle.wheelbaseMm).toMatchObject({ value: null, method: 'unknown' })
  })
  test('a width of −5 and a height of nothing are refused at their fields, with what they can be, and nothing changes', async () => {
    const { held, user } = form(VehicleForm, pickup)
    await retype(user, box('Overall width'), '-5')
    expect(screen.getByText('use 300 mm or more')).toBeTruthy()
    await retype(user, box('Overall height'), '0')
    expect(screen.getAllByText('use 300 mm or more')).toHaveLength(2)
    await retype(user, box('Roof limit, moving'), '-20')
    expect(screen.getByText('use 0 kg or more')).toBeTruthy()
    expect(held.vehicle).toEqual(pickup)
    // a place may lie behind the rear axle
    await retype(user, box('Roof rear edge, forward of rear axle'), '-300')
    expect(held.vehicle.roofFromXMm.value).toBe(-300)
  })
  test('a rating per foot is said to be for one kind of foot, and for what may stand on it', async () => {
    const { held, user } = form(RatingsForm, { ...pickup, footRatingKind: null, footRatingMeans: null })
    expect(held.vehicle).toMatchObject({ footRatingKind: null, footRatingMeans: null })
    await user.click(screen.getByRole('combobox', { name: 'The rating per foot is for' }))
    await user.click(screen.getByRole('option', { name: 'Gutter clamp' }))
    await user.click(screen.getByRole('combobox', { name: 'The rating per foot means' }))
    await user.click(screen.getByRole('option', { name: /shocks allowed for/ }))
    expect(held.vehicle).toMatchObject({ footRatingKind: 'gutter', footRatingMeans: 'standing' })
    // said by mistake it can be unsaid: then it is unknown again, not the first of the list
    await user.click(screen.getByRole('combobox', { name: 'The rating per foot means' }))
    await user.click(screen.getByRole('option', { name: /not asked/ }))
    expect(held.vehicle).toMatchObject({ footRatingKind: 'gutter', footRatingMeans: null })
  })
  test('a mount line is added between the ends of the roof, made a track, given to a body, and its ends and heights typed', async () => {
    const { held, user } = form(MountsForm, { ...pickup, mounts: [] })
    expect(screen.getByText(/without one no bar can stand/)).toBeTruthy()
    await user.click(screen.getAllByRole('button', { name: 'Add' })[0])
    const line = () => held.vehicle.mounts[0]
    expect(line()).toMatchObject({ kind: 'gutter', bodyId: pickup.bodies[0].id, footDownKg: { value: null }, misfit: [], keepOuts: [] })
    await user.click(screen.getByRole('combobox', { name: 'Kind' }))
    await user.click(screen.getByRole('option', { name: 'Track foot with T-nut' }))
    await user.click(screen.getByRole('combobox', { name: 'Stands on the body' }))
    await user.click(screen.getByRole('option', { name: pickup.bodies[1].name }))
    for (const [name, text] of [
      ['From, rear end', '-900'],
      ['To, front end', '600'],
      ['From middle, rear', '640'],
      ['From middle, front', '655'],
      ['Height above ground', '1040'],
      ['A foot can be set up and down by', '6'],
    ])
      await retype(user, box(name), text)
    expect(line()).toMatchObject({
      kind: 'track',
      bodyId: pickup.bodies[1].id,
      fromXMm: -900,
      toXMm: 600,
      halfWidthRearMm: 640,
      halfWidthFrontMm: 655,
      zMm: 1040,
      adjustMm: 6,
    })
    await user.click(screen.getByRole('button', { name: `Remove ${line().name}` }))
    expect(held.vehicle.mounts).toEqual([])
  })
  test('fixed points are kept in order whatever order they are typed in; the last one emptied leaves a line to stand anywhere on', async () => {
    const { held, user } = form(MountsForm, { ...pickup, mounts: [{ ...pickup.mounts[0], pointsXMm: null, misfit: [] }] })
    const points = () => held.vehicle.mounts[0].pointsXMm
    await user.click(screen.getByRole('button', { name: 'Add a fixed point' }))
    await user.click(screen.getByRole('button', { name: 'Add a fixed point' }))
    await retype(user, box('Point 2'), '1100')
    await retype(user, box('Point 1'), '1500')
    expect(points()).toEqual([1200, 1500])
    await retype(user, box('Point 2'), '')
    await retype(user, box('Point 1'), '')
    expect(points()).toBeNull()
    expect(screen.getByText('anywhere along it')).toBeTruthy()
  })
  test('an end before the other is refused at the field, with the range', async () => {
    const { held, user } = form(MountsForm, { ...pickup, mounts: [{ ...pickup.mounts[0], fromXMm: 1000, toXMm: 1400 }] })
    await retype(user, box('From, rear end'), '1500')
    expect(screen.getByText(/use 1399 mm or less/)).toBeTruthy()
    expect(held.vehicle.mounts[0].fromXMm).toBe(1000)
  })
  test('what is on the roof already: added, named, placed, and how much air it needs to be opened', async () => {
    const { held, user } = form(MountsForm, { ...pickup, mounts: [], obstacles: [] })
    await user.click(screen.getAllByRole('button', { name: 'Add' })[1])
    await retype(user, box('What'), 'roof fan')
    for (const [name, text] of [
      ['Forward', '820'],
      ['Height', '95'],
    ])
      await retype(user, box(name), text)
    expect(held.vehicle.obstacles[0]).toMatchObject({
      name: 'roof fan',
      xMm: 820,
      heightMm: 95,
      accessMm: null,
      taken: { method: 'unknown' },
    })
    await user.click(screen.getByRole('button', { name: 'Remove roof fan' }))
    expect(held.vehicle.obstacles).toEqual([])
  })
})

describe('bodies', () => {
  test('the first that is added is the cab, which everything else moves against; the next is a bed that moves nobody knows how much', async () => {
    const { held, user } = form(BodiesForm, { ...pickup, bodies: [] })
    expect(screen.getByText(/a rack must stand on one of them only/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Add' }))
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(held.vehicle.bodies.map((b) => [b.kind, b.movesMm])).toEqual([
      ['cab', 0],
      ['bed', null],
    ])
    await user.click(screen.getAllByRole('combobox', { name: 'Kind' })[1])
    await user.click(screen.getByRole('option', { name: 'canopy' }))
    for (const [name, text] of [
      ['Rear end, forward', '-1150'],
      ['Front end, forward', '700'],
      ['Top above ground', '1650'],
      ['Width', '1700'],
    ])
      await retype(user, screen.getAllByRole('textbox', { name })[1], text)
    expect(held.vehicle.bodies[1]).toMatchObject({ kind: 'canopy', fromXMm: -1150, toXMm: 700, topZMm: 1650, widthMm: 1700 })
    await user.click(screen.getByRole('button', { name: 'Remove Bed' }))
    expect(held.vehicle.bodies).toHaveLength(1)
  })
  test('how far one moves may be unknown, and is then never none; its hinge appears with the switch', async () => {
    const { held, user } = form(BodiesForm, pickup)
    await retype(user, screen.getAllByRole('textbox', { name: 'Moves against the cab' })[1], '')
    expect(held.vehicle.bodies[1].movesMm).toBeNull()
    await user.click(screen.getAllByRole('switch', { name: 'Swings' })[1])
    expect(held.vehicle.bodies[1].hinge?.opensDeg).toBe(45)
    await retype(user, box('Opens by'), '')
    expect(held.vehicle.bodies[1].hinge?.opensDeg).toBeNull()
  })
  test('a bottom above its top is refused at the field, with the range', async () => {
    const { held, user } = form(BodiesForm, pickup)
    await retype(user, screen.getAllByRole('textbox', { name: 'Bottom above ground' })[1], '2000')
    expect(screen.getByText(/use 1039 mm or less/)).toBeTruthy()
    expect(held.vehicle.bodies[1].bottomZMm).toBe(420)
  })
})

describe('places that the measuring sheets make', () => {
  test('a bed measured is rails to stand on; a rating typed is kept for that place, and one emptied is unknown', async () => {
    const { held, user } = form(PlacesForm, { ...pickup, placeRatings: {} })
    const rail = within(screen.getByRole('group', { name: 'Top of the bed rails' }))
    await retype(user, rail.getByRole('textbox', { name: 'One mount, pressed down' }), '120')
    const [id] = Object.keys(held.vehicle.placeRatings)
    expect(held.vehicle.placeRatings[id!]).toMatchObject({ downKg: { value: 120 }, upKg: { value: null }, skin: null })
    await retype(user, rail.getByRole('textbox', { name: 'One mount, pressed down' }), '')
    expect(held.vehicle.placeRatings[id!]!.downKg.value).toBeNull()
    await retype(user, rail.getByRole('textbox', { name: 'One mount, pulled up' }), '-4')
    expect(rail.getByText('use 0 kg or more')).toBeTruthy()
  })
  test('what a sheet still lacks is named', () => {
    form(PlacesForm, { ...pickup, measures: {} })
    expect(screen.getAllByText(/still to measure/).map((e) => e.textContent)).toEqual([
      'Top of the bed rails: still to measure: length inside, along the middle, width of the rail.',
      'Bed floor: still to measure: length inside, along the middle, between the wheel arches, floor to top of rail.',
    ])
  })
})

describe('mounts', () => {
  test('a keep-out, a point and a rating of its own are typed; an unmeasured hole is asked for, then answered with hole, slot and shim', async () => {
    const { held, user } = form(MountsForm, pickup)
    await user.click(screen.getByRole('button', { name: 'Keep feet off a stretch' }))
    expect(held.vehicle.mounts[0].keepOuts).toEqual([{ fromXMm: 1475, toXMm: 1575 }])
    await retype(user, box('Its own rating per foot, down'), '90')
    expect(held.vehicle.mounts[0].footDownKg.value).toBe(90)
    await user.click(screen.getByRole('button', { name: 'Measure how far the holes are off' }))
    await retype(user, within(screen.getByRole('group', { name: 'point 2, left' })).getByRole('textbox', { name: 'along' }), '3')
    const holes = held.vehicle.mounts[0].misfit
    expect(holes[2]).toEqual({ alongMm: 3, acrossMm: null, upMm: null })
    expect(screen.getByText(new RegExp(`${holes.length} of ${holes.length} holes not measured`))).toBeTruthy()
    for (const field of screen.getAllByRole<HTMLInputElement>('textbox', { name: /^along$|^across$/ }))
      if (field.value === '') await retype(user, field, '0')
    expect(screen.getByText(/For M8: holes of/)).toBeTruthy()
    expect(screen.getByText(/Measure how high each seat stands/)).toBeTruthy()
    for (const [i, field] of screen.getAllByRole('textbox', { name: 'up' }).entries()) await retype(user, field, i ? '0' : '-1')
    expect(screen.getByText(/Or slots along the vehicle/).textContent).toContain('Shims to bring the seats level: 1 mm at point 1, left')
  })
  test('only a drilled foot is asked for the sheet it hangs on', async () => {
    const drilled = { ...pickup, mounts: [{ ...pickup.mounts[0], kind: 'through-bolt' as const }] }
    const { held, user, unmount } = form(MountsForm, drilled)
    await user.click(screen.getByRole('button', { name: 'Measure the sheet under the feet' }))
    expect(held.vehicle.mounts[0].skin).toEqual({ thicknessMm: null, yieldMPa: null, panelRadiusMm: null })
    await retype(user, box('Sheet, thickness'), '1.2')
    expect(held.vehicle.mounts[0].skin).toEqual({ thicknessMm: 1.2, yieldMPa: null, panelRadiusMm: null })
    unmount()
    form(MountsForm, pickup)
    expect(screen.queryByRole('button', { name: 'Measure the sheet under the feet' })).toBeNull()
  })
})

describe('ratings and what is on board', () => {
  test('a rating typed gets a source; emptied it is unknown again', async () => {
    const { held, user } = form(RatingsForm, pickup)
    await retype(user, box('Receiver, load on the tongue'), '75')
    expect(held.vehicle.tongueKg.value).toBe(75)
    await retype(user, box('Receiver, load on the tongue'), '')
    expect(held.vehicle.tongueKg.value).toBeNull()
  })
  test('what is on board comes off what may be put on; more than the rating is an alert', async () => {
    const [van] = demoVehicles
    const { held, user } = form(OnBoardForm, van)
    const left = () => screen.getByRole('button', { name: /Payload left by gross mass/ }).textContent
    expect(left()).toBe('773 kg')
    const mass = screen.getAllByRole('textbox', { name: 'Mass' })
    await retype(user, mass[1], '1000')
    expect(held.vehicle.onBoard[1].massKg).toBe(1000)
    expect(left()).toContain('137')
    expect(screen.getByRole('alert').textContent).toContain('more than its rating allows')
  })
  test('other tyres say how much higher it stands; a code nobody can read says how to write it', async () => {
    const { user } = form(OnBoardForm, demoVehicles[0])
    await retype(user, box('Next tyres'), '235/75 R16')
    await user.tab()
    expect(await screen.findByText(/It would stand 24 mm higher/)).toBeTruthy()
    await retype(user, box('Next tyres'), 'big')
    await user.tab()
    expect(within(document.body).getByText('write it as 235/65 R16')).toBeTruthy()
  })
})
