import { expose } from 'comlink'
import { evaluate } from '../../core/job/evaluate'
import { relieve } from '../../core/limits/relief'
import { compareProfiles } from '../../core/swap/compareProfiles'

const api = { evaluate, relieve, compareProfiles }
export type EvaluationApi = typeof api
expose(api)
