// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { useWho } from '../../shell/who'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { DevicePanel } from './DevicePanel'
import { useMeasuring } from './measuring'
import { PhotoPanel } from './PhotoPanel'
import TraceDialog from './TraceDialog'

const [, pickup, spar] = demoJobs
beforeEach(() => {
  onBench(pickup)
  useMeasuring.setState({ field: null })
  useWho.setState({ who: 'Ansa' })
})

describe('the tape, the angle finder and the weigh pads (stand-ins)', () => {
  const shown = () => mount(<WithJob>{(job) => <DevicePanel job={job} />}</WithJob>)
  const bedLength = () => benchJob().vehicle.measures['bed.length']
  test('with no field chosen a reading goes nowhere and says so', async () => {
    const before = benchJob().vehicle
    const { user } = shown()
    expect(screen.getByText(/Choose a field first/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Press the tape' }))
    expect(screen.getByRole('alert').textContent).toMatch(/field/)
    expect(benchJob().vehicle).toEqual(before)
  })
  test('a press of the tape is one reading more of the field in hand, with who and how', async () => {
    useMeasuring.setState({ field: 'bed.length' })
    const { user } = shown()
    const before = bedLength()?.readings.length ?? 0
    await user.click(screen.getByRole('button', { name: 'Press the tape' }))
    const readings = bedLength()!.readings
    expect(readings.length).toBeGreaterThan(before)
    expect(readings.at(-1)).toMatchObject({ who: 'Ansa' })
    expect(Math.abs(readings.at(-1)!.value - 1552)).toBeLessThan(3)
  })
  test('set to inches it says inches, and what is kept is still in millimetres', async () => {
    useMeasuring.setState({ field: 'bed.length' })
    const { user } = shown()
    await user.click(screen.getByRole('switch', { name: 'The tape is set to inches' }))
    await user.click(screen.getByRole('button', { name: 'Press the tape' }))
    const last = bedLength()!.readings.at(-1)!
    expect(last.typed).toMatch(/in$/)
    expect(Math.abs(last.value - 1552)).toBeLessThan(3)
  })
  test('an angle for a length is refused; so is rubbish, and nothing is filled', async () => {
    useMeasuring.setState({ field: 'bed.length' })
    const { user } = shown()
    const before = bedLength()
    await user.click(screen.getByRole('button', { name: 'Press the angle finder' }))
    expect(screen.getByRole('alert')).toBeTruthy()
    await user.click(screen.getByRole('switch', { name: /Wrong button/ }))
    for (let i = 0; i < 6; i++) await user.click(screen.getByRole('button', { name: 'Press the tape' }))
    expect(bedLength()).toEqual(before)
  })
  test('the four pads give both axles, as weighed', async () => {
    const { user } = shown()
    await user.click(screen.getByRole('button', { name: 'Read the weigh pads' }))
    const { kerbFrontKg, kerbRearKg } = benchJob().vehicle
    expect([kerbFrontKg.method, kerbRearKg.method]).toEqual(['weighed', 'weighed'])
    expect(screen.getByRole('alert').textContent).toContain(`front axle ${kerbFrontKg.value} kg`)
  })
})

describe('photographs', () => {
  const photo = { id: 'p1', name: 'bed from above', type: 'image/png', at: '' }
  const shown = () => mount(<WithJob>{(job) => <PhotoPanel job={job} id="job" />}</WithJob>)
  test('those there are, one sent, one taken away; a refusal is said', async () => {
    const { calls } = answering({ 'GET /photos': [photo], 'POST /photos': photo, 'POST /remove': {} })
    const { user } = shown()
    expect((await screen.findByRole('img', { name: 'bed from above' })).getAttribute('src')).toBe('/api/jobs/job/photos/p1')
    await user.upload(screen.getByLabelText('Photograph'), new File(['x'], 'tail gate.png', { type: 'image/png' }))
    await waitFor(() => expect(calls.some((c) => c.method === 'POST' && c.path.endsWith('photos?name=tail+gate.png'))).toBe(true))
    await user.click(screen.getByRole('button', { name: 'Remove bed from above' }))
    await waitFor(() => expect(calls.some((c) => c.path.endsWith('/photos/p1/remove'))).toBe(true))
    answering({ 'GET /photos': [photo] })
    await user.upload(screen.getByLabelText('Photograph'), new File(['x'], 'x.png', { type: 'image/png' }))
    expect((await screen.findByRole('alert')).textContent).toContain('something else')
  })

  /** The picture is 1000 × 500 and shown at half its size. */
  const tracing = async (onClose = vi.fn()) => {
    onBench(spar)
    const shown = mount(<TraceDialog id="job" photo={photo} traces={[]} onClose={onClose} />)
    const picture = screen.getByRole<HTMLImageElement>('img', { name: 'bed from above' })
    Object.defineProperties(picture, { naturalWidth: { value: 1000 }, naturalHeight: { value: 500 } })
    fireEvent.load(picture)
    const sheet = screen.getByRole('img', { name: 'Traced points' })
    sheet.getBoundingClientRect = () => ({ left: 0, top: 0, width: 500, height: 250 }) as DOMRect
    const press = (x: number, y: number) => fireEvent.click(sheet, { clientX: x / 2, clientY: y / 2 })
    const scale = async (real: string) => {
      press(100, 450)
      press(600, 450)
      const field = screen.getByRole('textbox', { name: 'Real length between the two points' })
      await shown.user.type(field, `${real}{Enter}`)
    }
    return { ...shown, onClose, press, scale }
  }
  test('two points and their real length make the scale; before it no outline is taken', async () => {
    const { press, scale } = await tracing()
    expect(screen.getByText(/Press the first end of something/)).toBeTruthy()
    press(100, 450)
    expect(screen.getByText(/Press the second end of something/)).toBeTruthy()
    press(600, 450)
    press(300, 300)
    expect(screen.getByText('Type its real length.')).toBeTruthy()
    await scale('1 m')
    expect(screen.getByText(/Now press the corners/)).toBeTruthy()
  })
  test('a shaky square of 400 pictured at 2 mm a point comes out 800 mm a side, and is kept with its deviation', async () => {
    const { press, scale, user, onClose } = await tracing()
    await scale('1000')
    for (const [x, y] of [
      [200, 50],
      [601, 51],
      [600, 449],
      [199, 450],
    ])
      press(x, y)
    const sides = within(screen.getByRole('dialog'))
      .getAllByText(/\d mm/)
      .map((e) => e.textContent)
    expect(sides.join()).toMatch(/80\d mm/)
    await user.click(screen.getByRole('button', { name: /Keep/ }))
    const [trace] = benchJob().vehicle.traces.slice(-1)
    expect(trace).toMatchObject({ photoId: 'p1', mmPerUnit: 2, closed: true })
    expect(trace.points).toHaveLength(4)
    expect(trace.deviationMm).toBeLessThan(4)
    expect(onClose).toHaveBeenCalled()
  })
  test('the last point is taken away, and all of them', async () => {
    const { press, scale, user } = await tracing()
    await scale('1000')
    press(200, 50)
    press(600, 50)
    const rings = () => document.querySelectorAll('[aria-label="Traced points"] circle').length
    expect(rings()).toBe(4)
    await user.click(screen.getByRole('button', { name: 'Last point away' }))
    expect(rings()).toBe(3)
    await user.click(screen.getByRole('button', { name: 'Begin again' }))
    expect(rings()).toBe(0)
    expect(screen.getByText(/Press the first end/)).toBeTruthy()
  })
})
