// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { beforeEach, expect, test, vi } from 'vitest'
import { bound, type HeightWindow } from '../../../core/fit/heightBounds'
import { demoJobs } from '../../../core/job/demoJobs'
import { answering, mount, onBench } from '../../testing/bench'
import { Heights } from './Heights'

let told: HeightWindow[] | { fault: string } | null = null
vi.mock('../../job/useFit', async (real) => ({ ...(await real<object>()), useHeights: () => told }))
beforeEach(() => {
  answering({})
  onBench(demoJobs[0]!)
})

const rack = (fanMm: number): HeightWindow => ({
  ...{ id: 'p1', name: 'Rack', topMm: 2785 },
  lower: [bound('fan', 'bar over roof fan', fanMm, [{ name: 'as made', mm: 5, error: true }])],
  higher: [
    bound('gate', 'the gate', 60, []),
    { ...bound('shed', 'the shed', 0, []), nominalMm: null, mm: null, lacks: 'height of the shed' },
  ],
})

test('lowest and highest with what says so, and each opens how it comes about', async () => {
  told = [rack(35)]
  const { user } = mount(<Heights />)
  const own = within(screen.getByRole('region', { name: 'How low, how high: Rack' }))
  expect(own.getByText('Highest').nextSibling!.textContent).toBe('2845 mm')
  expect(own.getByText('Lowest').nextSibling!.textContent).toBe('2755 mm')
  expect(own.getByText(/Room between: 90 mm/).textContent).toMatch(/Not known, so it may be less: height of the shed/)
  expect(own.getByText(/not known: height of the shed/)).toBeTruthy()
  await user.click(own.getByRole('button', { name: /bar over roof fan/ }))
  expect((await screen.findByText('as made')).nextSibling!.textContent).toBe('± 5 mm')
})

test('beyond a bound it says which way it must go, and that no height suits all', () => {
  told = [{ ...rack(-100), higher: [bound('gate', 'the gate', 60, [])] }]
  mount(<Heights />)
  expect(screen.getByText(/It must go up: bar over roof fan/)).toBeTruthy()
  expect(screen.getByText(/No height suits all of it: 45 mm too little/)).toBeTruthy()
})

test('while it is worked out it says so; a fault is told; a job with nothing to bound shows nothing', () => {
  told = null
  const waiting = mount(<Heights />)
  expect(screen.getByRole('status').textContent).toBe('Moving it down and up…')
  waiting.unmount()
  told = { fault: 'out of memory' }
  const failed = mount(<Heights />)
  expect(screen.getByRole('alert').textContent).toMatch(/out of memory/)
  failed.unmount()
  told = [{ ...rack(1), lower: [], higher: [] }]
  mount(<Heights />)
  expect(screen.queryByText('How low, how high')).toBeNull()
})
