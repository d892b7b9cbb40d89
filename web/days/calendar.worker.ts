import { expose } from 'comlink'
import { ifLate, ifMoved, waysAhead } from '../../core/schedule/catchUp'
import { schedule } from '../../core/schedule/schedule'

/** The days of all jobs are worked out beside the page: with forty of them that takes longer than a hand that drags will wait. */
const api = { schedule, ifLate, ifMoved, waysAhead }
export type CalendarApi = typeof api
expose(api)
