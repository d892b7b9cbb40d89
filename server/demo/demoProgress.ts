import dayjs from 'dayjs'
import { buildPlan } from '../../core/build/buildPlan'
import { begun, done } from '../../core/build/doing'
import type { Job } from '../../core/job/job'
import { builtFrom } from '../../core/job/piecesOf'
import { kitNeeds } from '../../core/purchase/needs'
import { defaultRules } from '../../core/rules/rules'
import { demoShop } from '../../core/shop/shop'

/** How far each job of the demonstration has come: steps done so many days ago, and its kit here or to come so many days from now. */
type Done = { step: string; daysAgo: number; tookMin?: number }
/** `allBut` = everything else was done, a step a day. */
type Progress = { done: Done[]; kit: 'here' | { inDays: number }; allBut?: string[] }
const PROGRESS: Record<string, Progress> = {
  'Spar carrier': {
    kit: 'here',
    done: [
      { step: 'buy', daysAgo: 11 },
      { step: 'receive', daysAgo: 2, tookMin: 22 },
      { step: 'kit', daysAgo: 2 },
      { step: 'cut', daysAgo: 1, tookMin: 48 },
    ],
  },
  'Panel and box bars': { kit: 'here', done: [], allBut: ['load-test', 'road', 'recheck'] },
  // it comes once the carrier is away: on no day of the week do the two want the same hands at once
  'Basket crate bars': { kit: { inDays: 18 }, done: [{ step: 'buy', daysAgo: 6 }] },
  'Pole and case rack, survey van': { kit: { inDays: 2 }, done: [{ step: 'buy', daysAgo: 4 }] },
}

export function withProgress(job: Job, today: string): Job {
  const progress = PROGRESS[job.title]
  if (!progress) return job
  const made = builtFrom(job, defaultRules)
  const { workshop, suppliers } = demoShop
  const { steps } = buildPlan({ ...made, workshop, suppliers, rules: defaultRules })
  const due = progress.kit === 'here' ? null : dayjs(today).add(progress.kit.inDays, 'day').format('YYYY-MM-DD')
  const kit = kitNeeds(made, workshop.coats, defaultRules).map((n) => [n.key, { here: due ? 0 : n.quantity, due, said: '' }])
  const others = steps.filter((s) => progress.allBut && !progress.allBut.includes(s.id))
  const all: Done[] = [...progress.done, ...others.map((s, i) => ({ step: s.id, daysAgo: others.length - i }))]
  return all.reduce(
    (so: Job, { step: id, daysAgo, tookMin }) => {
      const step = steps.find((s) => s.id === id)
      if (!step) return so
      const day = dayjs(today).subtract(daysAgo, 'day')
      const at = (minutes: number) => ({ day: day.format('YYYY-MM-DD'), iso: day.hour(9).add(minutes, 'minute').toISOString() })
      return done(tookMin ? begun(so, step, at(0)) : so, step, at(tookMin ?? 0), defaultRules, { by: 'Maren' })
    },
    { ...job, kit: Object.fromEntries(kit) },
  )
}
