import type { Job } from '../job/job'
import { type Tick, tickOf } from '../workLog/tick'

/** A piece that is cut has a tick of its own, with the length it was cut at; one that came out wrong has another, and is cut once more. */
const cutKey = (mark: string): string => `piece ${mark}`
const scrapKey = (mark: string): string => `scrap ${mark}`
export type CutState = 'to cut' | 'cut' | 'scrap'

type Built = Job['built']
export const cutState = (built: Built, mark: string): CutState =>
  built[cutKey(mark)] ? (built[scrapKey(mark)] ? 'scrap' : 'cut') : 'to cut'
/** Every length that a piece was cut at, one after another where it was made again. mm */
const lengthsOf = (built: Built, mark: string): number[] =>
  (built[cutKey(mark)]?.was ?? '').split('+').filter(Boolean).map(Number).filter(Number.isFinite)
/** The length a piece has as it is; null = it is not cut. mm */
export const cutAtMm = (built: Built, mark: string): number | null => lengthsOf(built, mark).at(-1) ?? null
/** It was cut more than once: nobody noted from which bar, so that what is left of the bars must be measured. */
export const madeAgain = (built: Built, mark: string): boolean => lengthsOf(built, mark).length > 1

/** The job with a piece cut, not cut, or cut and of no use. */
export function withPiece(job: Job, { mark, lengthMm }: { mark: string; lengthMm: number }, to: CutState, on: string, by: string): Job {
  const { [cutKey(mark)]: cut, [scrapKey(mark)]: _, ...others } = job.built
  if (to === 'to cut') return { ...job, built: others }
  const tick = (was: string, what: string): Tick => tickOf(on, was, { by, what })
  // cut once more it has another length, and the metal of the first is gone all the same
  const again = cut && to === 'cut' && lengthMm > 0 && job.built[scrapKey(mark)] ? { ...cut, was: `${cut.was}+${lengthMm}`, on, by } : cut
  return {
    ...job,
    built: {
      ...others,
      [cutKey(mark)]: again ?? tick(String(lengthMm), `${mark} cut`),
      ...(to === 'scrap' ? { [scrapKey(mark)]: tick('', `${mark} to be made again`) } : {}),
    },
  }
}
