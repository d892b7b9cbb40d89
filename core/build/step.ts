import type { Assembly } from '../assembly/assembly'
import type { LoadClass } from '../brief/brief'
import type { StandingAnswers } from '../outside/standing'
import type { Supplier } from '../purchase/suppliers'
import type { Apart } from '../reach/takeApart'
import type { Rules } from '../rules/rules'
import type { WorkPlace } from '../schedule/shopCalendar'
import type { Workshop } from '../workshop/workshop'

/** The sheets that the order of work goes out on, and the part of the shop that each hangs in. */
export const stages = {
  buy: 'Buy and receive',
  make: 'Make the parts',
  join: 'Put together',
  coat: 'Coat',
  fit: 'Fit to the vehicle',
} as const
export type Stage = keyof typeof stages

/** One step of the build. `needs` = steps that come before it; a gate is signed before anything that needs it begins. Minutes of work, hours of waiting after. */
export type BuildStep = {
  id: string
  stage: Stage
  title: string
  why: string
  marks: string[]
  minutes: number
  people: number
  tools: string[]
  caution: string | null
  needs: string[]
  gate: boolean
  waitHours: number
  /** what of the shop it takes up while it is done */
  place: WorkPlace | null
  /** done once the vehicle is back with its owner: no hand-over waits for it */
  afterHandOver: boolean
}
export type BuildPlan = { steps: BuildStep[]; workMinutes: number; waitHours: number }
export type BuildGiven = {
  pieces: { assembly: Assembly; finish: 'raw' | 'painted' | 'powder' | null }[]
  assembly: Assembly
  /** stops to be fitted to what moves: on what, where. Degrees or mm */
  stops: { name: string; at: number; unit: '°' | 'mm' }[]
  workshop: Workshop
  /** how hard it will be used; none = as hard as any */
  loadClass?: LoadClass | null
  /** what tools and torch get to, and when; none = nobody looked */
  reach?: Pick<Apart, 'bolts' | 'welds' | 'captives'> | null
  /** what was asked outside and is used */
  outside?: StandingAnswers
  /** who sells what; none = all that is bought takes as long as the shop's rules say */
  suppliers?: readonly Supplier[]
  rules: Rules
}

/** A step with nothing special about it but what is said. */
export const step = (id: string, title: string, why: string, over: Partial<BuildStep>): BuildStep => ({
  id,
  stage: 'make',
  title,
  why,
  marks: [],
  minutes: 0,
  people: 1,
  tools: [],
  caution: null,
  needs: [],
  gate: false,
  waitHours: 0,
  place: null,
  afterHandOver: false,
  ...over,
})
