import type { Job } from '../job/job'
import { type Tick, tickOf } from '../workLog/tick'

/** A piece that is cut has a tick of its own, with the length it was cut at; one that came out wrong has another, and is cut once more. */
const cutKey = (mark: string): string => `piece ${mark}`
const scrapKey = (mark: string): string => `scrap ${mark}`
export type CutState = 'to cut' | 'cut' | 'scrap'

type Built = Job['built']
export const cutState = (built: Built, mark: string): CutState =>
  built[cutKey(mark)] ? (built[scrapKey(mark)] ? 'scrap' : 'cut') : 'to cut'
/** The length a piece was ticked at; null = it is not cut. mm */
export function cutAtMm(built: Built, mark: string): number | null {
  const was = Number(built[cutKey(mark)]?.was)
  return built[cutKey(mark)] && Number.isFinite(was) ? was : null
}

/** The job with a piece cut, not cut, or cut and of no use. */
export function withPiece(job: Job, { mark, lengthMm }: { mark: string; lengthMm: number }, to: CutState, on: string, by: string): Job {
  const { [cutKey(mark)]: cut, [scrapKey(mark)]: _, ...others } = job.built
  if (to === 'to cut') return { ...job, built: others }
  const tick = (was: string, what: string): Tick => tickOf(on, was, { by, what })
  return {
    ...job,
    built: {
      ...others,
      [cutKey(mark)]: cut ?? tick(String(lengthMm), `${mark} cut`),
      ...(to === 'scrap' ? { [scrapKey(mark)]: tick('', `${mark} to be made again`) } : {}),
    },
  }
}
