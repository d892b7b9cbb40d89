import type { Assembly } from '../assembly/assembly'
import type { LoadClass } from '../brief/brief'
import type { Priced } from '../cost/quote'
import type { Params } from '../families/design'
import { askedOf } from '../outside/asked'
import { type StandingAnswers, standingAnswers } from '../outside/standing'
import { type Built, together, wholeOf } from '../pieces/whole'
import type { Rules } from '../rules/rules'
import type { Job } from './job'
import { type StopToFit, stopsOf } from './stopsOf'

/** The job with other parameters in one of its pieces. */
export const withParams = (job: Job, pieceId: string, params: Params): Job => ({
  ...job,
  pieces: job.pieces.map((p) => (p.id === pieceId ? { ...p, params } : p)),
})

/** The job with some figures of a piece's parameters changed, as tests and demo jobs write it. */
export const patchedParams = (job: Job, pieceId: string, patch: Params): Job => {
  const piece = job.pieces.find((p) => p.id === pieceId)
  return piece ? withParams(job, pieceId, { ...piece.params, ...patch }) : job
}

/** The pieces with a design of ours: a family that this version knows. */
export const designedIn = (job: Job, rules: Rules): (Built & { design: NonNullable<Built['design']> })[] =>
  wholeOf(job, rules).built.flatMap((b) => (b.design ? [{ ...b, design: b.design }] : []))

/** What the shop makes: every piece but those that were there or bought whole. */
export const madePieces = (job: Job, rules: Rules): Built[] => wholeOf(job, rules).built.filter((b) => b.family && !b.family.there)

/** All that is cut, folded and bought for the job, as one assembly. */
export const madeAssembly = (job: Job, rules: Rules): Assembly => together(madePieces(job, rules).map((b) => b.assembly))

/** The pieces as they are priced, each with its coat. */
export const pricedPieces = (job: Job, rules: Rules): Priced[] =>
  madePieces(job, rules).map((b) => ({ assembly: b.assembly, finish: b.design?.finish ?? null }))

/** What the build of a job is derived from, but the shop's own machines. */
export function builtFrom(
  job: Job,
  rules: Rules,
): {
  pieces: Priced[]
  assembly: Assembly
  stops: StopToFit[]
  loadClass: LoadClass | null
  outside: StandingAnswers
  asked: ReturnType<typeof askedOf>
} {
  const assembly = madeAssembly(job, rules)
  const pieces = pricedPieces(job, rules)
  const asked = askedOf(pieces, assembly, rules)
  return {
    pieces,
    assembly,
    stops: stopsOf(job, assembly),
    loadClass: job.brief.loadClass,
    outside: standingAnswers(job.outside, asked),
    asked,
  }
}
