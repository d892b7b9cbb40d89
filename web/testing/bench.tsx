import { ThemeProvider } from '@mui/material/styles'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, configure, render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, vi } from 'vitest'
import type { Fit } from '../../core/fit/fit'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { type DisplayUnits, METRIC } from '../../core/quantity/units'
import { defaultRules } from '../../core/rules/rules'
import { useStanding } from '../api/standing'
import { closeJob, openJob, useJob } from '../job/jobStore'
import { useResult } from '../job/useEvaluation'
import { useFitResult } from '../job/useFit'
import { UnitsContext } from '../quantity/units'
import { themeOf } from '../theme/theme'

// whether a thing can be seen is asked of the real browser; asking here takes most of the time
configure({ defaultHidden: true, asyncUtilTimeout: 20_000 })

/** A frame of fixed size for drawings: there is no layout here. */
class Frame {
  constructor(private readonly tell: (entries: { contentRect: { width: number; height: number } }[]) => void) {}
  observe() {
    this.tell([{ contentRect: { width: 800, height: 500 } }])
  }
  unobserve() {}
  disconnect() {}
}
vi.stubGlobal('ResizeObserver', Frame)
// what browsers have and this stand-in for one does not
vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }))
vi.stubGlobal('CSS', { escape: (text: string) => text.replace(/[^\w-]/g, '\\$&') })
Blob.prototype.text ??= function text(this: Blob) {
  return new Promise((done) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.readAsText(this)
  })
}

afterEach(() => {
  cleanup()
  closeJob()
  useStanding.setState({ unpaired: false, newer: false })
  useResult.setState({ evaluation: null, of: null, fault: null })
  useFitResult.setState({ fit: null, of: null, fault: null })
  localStorage.clear()
})

/** An answer that is a refusal. */
export class Refused {
  constructor(
    readonly status: number,
    readonly body: { faults: { where: string; expected: string }[]; [more: string]: unknown },
  ) {}
}
/** What the server would answer, by the end of the path, with a method before it where that matters; anything else is 404. */
export function answering(answers: Record<string, unknown>): { calls: { path: string; method: string; body: unknown }[] } {
  const calls: { path: string; method: string; body: unknown }[] = []
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    calls.push({ path, method: init.method ?? 'GET', body: init.body })
    const asked = `${init.method ?? 'GET'} ${path.split('?')[0]}`
    const found = Object.entries(answers).find(([key]) => {
      const [end, method] = key.split(' ').reverse()
      return asked.endsWith(end) && asked.startsWith(method ?? '')
    })
    const refused = found?.[1]
    if (refused instanceof Refused) return new Response(JSON.stringify(refused.body), { status: refused.status })
    return new Response(JSON.stringify(found ? found[1] : { faults: [{ where: path, expected: 'something else' }] }), {
      status: found ? 200 : 404,
    })
  })
  return { calls }
}

/** A piece of the interface on the bench: with the paper look, units, and no network but what `answering` set up. */
export function mount(ui: ReactNode, units: DisplayUnits = METRIC, path = '/') {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false }, mutations: { retry: false } } })
  const shown = render(
    <QueryClientProvider client={client}>
      <ThemeProvider theme={themeOf('paper', 'always')}>
        <UnitsContext.Provider value={units}>
          <MemoryRouter initialEntries={[path]}>{ui}</MemoryRouter>
        </UnitsContext.Provider>
      </ThemeProvider>
    </QueryClientProvider>,
  )
  return { ...shown, user: userEvent.setup({ delay: null, pointerEventsCheck: 0 }) }
}

const nothingNear: Fit = {
  gaps: [],
  motions: [],
  apart: { order: [], trapped: [], bolts: [], welds: [], captives: [] },
  leaves: [],
  struts: [],
  limits: [],
}

/** A job on the bench with its figures worked out, as the worker would; what stands near what is looked at where that is asked. */
export function onBench(job: Job): Job {
  openJob({ id: 'job', revision: 1, archived: false, updatedAt: '', job })
  useResult.setState({ evaluation: evaluate(job, defaultRules), of: job, fault: null })
  useFitResult.setState({ fit: nothingNear, of: job, fault: null })
  return job
}
export const benchJob = (): Job => {
  const { job } = useJob.getState()
  if (!job) throw new Error('no job is open')
  return job
}

/** Shows what depends on the open job, again after every change of it. */
export function WithJob({ children }: { children: (job: Job) => ReactNode }) {
  const job = useJob((s) => s.job)
  return job ? children(job) : null
}
