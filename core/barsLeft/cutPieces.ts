import type { Job } from '../job/job'
import type { CutPlan } from '../nesting/planCuts'
import { tickOf } from '../workLog/tick'

/** A piece that is cut has a tick of its own, with the length it was cut at; one that came out wrong has another, and is cut once more. */
const cutKey = (mark: string): string => `piece ${mark}`
const scrapKey = (mark: string): string => `scrap ${mark}`
/** Whether a tick is one of a piece, and of no step. */
export const isPieceKey = (key: string): boolean => /^(piece|scrap) /.test(key)
export type CutState = 'to cut' | 'cut' | 'scrap'

type Built = Job['built']
/** `gone` = how many cuts of this piece the plan already has down as scrap: they are behind it. */
export function cutState(built: Built, mark: string, gone = 0): CutState {
  if (!built[cutKey(mark)] || (gone && lengthsOf(built, mark).length <= gone)) return 'to cut'
  return built[scrapKey(mark)] ? 'scrap' : 'cut'
}
/** Every length that a piece was cut at, one after another where it was made again. mm */
const lengthsOf = (built: Built, mark: string): number[] =>
  (built[cutKey(mark)]?.was ?? '').split('+').filter(Boolean).map(Number).filter(Number.isFinite)
/** The length a piece has as it is; null = it is not cut. mm */
export const cutAtMm = (built: Built, mark: string): number | null => lengthsOf(built, mark).at(-1) ?? null
/** How many cuts of each piece a plan has down as scrap. */
export function goneOf(plan: CutPlan): (mark: string) => number {
  const scrap = plan.profiles.flatMap((p) => p.bars.flatMap((b) => b.cuts.flatMap((c) => (c.scrap ? [c.mark] : []))))
  return (mark) => scrap.filter((m) => m === mark).length
}

/** So many lengths of one piece are remembered, to a tenth of a millimetre: what a tick has room for. */
const MOST_CUTS = 4

/**
 * It was cut more often than the plan knows of (`gone` + once), or so often that no more is remembered: nobody noted from which bar, so that what is left of
 * the bars must be measured.
 */
export function unnoted(built: Built, mark: string, gone = 0): boolean {
  const times = lengthsOf(built, mark).length
  return times > 1 + gone || times >= MOST_CUTS
}

/**
 * The job with a piece cut, not cut, or cut and of no use. Like a hole a piece has only its day: the step it belongs to says who. Scrap that is cut once more
 * has another length; unticked it is scrap again, for its metal is gone all the same. Length mm, null where it is as it was.
 */
export function withPiece(job: Job, mark: string, to: CutState, { lengthMm, on }: { lengthMm: number | null; on: string }): Job {
  const { [cutKey(mark)]: _, [scrapKey(mark)]: __, ...others } = job.built
  const [was, state] = [lengthsOf(job.built, mark), cutState(job.built, mark)]
  const made = lengthMm === null ? [] : [Math.round(lengthMm * 10) / 10]
  const left = (lengths: number[], scrap: boolean): Job => ({
    ...job,
    built: {
      ...others,
      ...(lengths.length ? { [cutKey(mark)]: tickOf(on, lengths.slice(-MOST_CUTS).join('+')) } : {}),
      ...(scrap ? { [scrapKey(mark)]: tickOf(on, '') } : {}),
    },
  })
  if (to === 'to cut') return left(was.slice(0, -1), was.length > 1)
  if (to === 'scrap') return left(was.length ? was : made, true)
  return left(state === 'cut' ? was : [...was, ...made], false)
}
