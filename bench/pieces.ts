import { demoJobs } from '../core/job/demoJobs'
import { evaluate } from '../core/job/evaluate'
import type { Job } from '../core/job/job'
import { patchedParams } from '../core/job/piecesOf'
import { loseOne } from '../core/loseOne/loseOne'
import { nextPlace, type Piece } from '../core/pieces/piece'
import { wholeOf } from '../core/pieces/whole'
import { defaultRules } from '../core/rules/rules'
import { templatesOf } from '../core/tube/template'
import { tubeWork } from '../core/tube/tubeParts'
import { weldMap } from '../core/weldMap/weldMap'
import { bendSheet } from '../core/workshop/bendSheet'
import { demoWorkshop } from '../core/workshop/workshop'

/** Live figures of jobs of several pieces. Reach: three pieces of 60 members under 100 ms, twelve pieces under 300 ms. */
const [survey, oyster] = demoJobs as [Job, Job, ...Job[]]
const [rack, guard] = [survey.pieces[0]!, oyster.pieces[1]!]
const again = (pieces: Piece[], of: Piece, params: object): Piece[] => [
  ...pieces,
  { ...of, ...nextPlace(pieces), params: { ...of.params, ...params } },
]

const bars = (n: number, from: number) => Array.from({ length: n }, (_, i) => from + i * 90)
export const three: Job = {
  ...oyster,
  vehicle: { ...oyster.vehicle, mounts: survey.vehicle.mounts.map((m) => ({ ...m, bodyId: null })) },
  brief: survey.brief,
  pieces: [0, 1].reduce((list, k) => again(list, rack, { sideRails: true, barXMm: bars(23, k ? 1100 : -1040) }), [guard]),
}
const basket = demoJobs.find((j) => j.title.startsWith('Hoop')) ?? survey
type Params = Piece['params']
type Patch = (i: number) => [string, Params]
/** As three pieces are built: a dense basket with its spare wheel, and a guard of the demo behind the cab: 60 members. */
const usual: Job = {
  ...basket,
  vehicle: { ...basket.vehicle, bodies: oyster.vehicle.bodies, measures: { ...basket.vehicle.measures, ...oyster.vehicle.measures } },
  pieces: again(
    basket.pieces.map((p, i) => (i ? p : { ...p, params: { ...p.params, crossTubes: 36 } })),
    guard,
    {},
  ),
}
const twelve: Job = {
  ...survey,
  pieces: Array.from({ length: 12 }).reduce<Piece[]>(
    (list, _, i) => again(list, rack, { barXMm: [0, 160].map((x) => -1000 + 320 * i + x) }),
    [],
  ),
}

/** What the tube page shows, worked out anew for another height of the sides. Reach: under 150 ms. */
function timedWork(): string {
  const times = Array.from({ length: 7 }, (_, i) => {
    const { assembly } = wholeOf(patchedParams(basket, 'p1', { sideMm: 260 + i }), defaultRules)
    const start = performance.now()
    for (const { part } of tubeWork(assembly)) bendSheet(part, demoWorkshop)
    templatesOf(assembly)
    weldMap(assembly, demoWorkshop.welders, defaultRules)
    return performance.now() - start
  }).sort((a, b) => a - b)
  return `${Math.round(times[3]!)} ms`
}

export function piecesBench(): string[][] {
  // dragged: a measure of one piece is another at every turn
  const timed = (job: Job, patch: Patch) => {
    const times = Array.from({ length: 45 }, (_, i) => {
      const next = patchedParams(job, ...patch(i))
      const start = performance.now()
      evaluate(next, defaultRules)
      return performance.now() - start
    })
    const median = (list: number[]) => Math.round([...list].sort((a, b) => a - b)[list.length >> 1]!)
    // the first moves find code that is not compiled yet
    return [
      `${median(times.slice(20))} ms`,
      `all figures as one piece is dragged, median of 25; the first ten ${median(times.slice(0, 10))} ms`,
    ]
  }
  const row = (name: string, job: Job, patch: Patch) => {
    const { members, mounts } = evaluate(job, defaultRules).assembly
    return [`${name}, ${members.length} members, ${mounts.length} feet`, ...timed(job, patch)]
  }
  const bar =
    (job: Job, pieceId: string) =>
    (i: number): [string, Params] => {
      const { barXMm } = job.pieces.find((p) => p.id === pieceId)!.params as { barXMm: number[] }
      return [pieceId, { barXMm: barXMm.map((x, k) => (k === 1 ? x + 0.5 * (i + 1) : x)) }]
    }
  const side = (i: number): [string, Params] => ['p1', { sideMm: 240 + i }]
  const start = performance.now()
  const lost = loseOne(oyster, defaultRules).length
  const losing = `${((performance.now() - start) / 1000).toFixed(1)} s`
  return [
    row('three pieces', usual, side),
    row('three pieces, a foot every 90 mm', three, bar(three, three.pieces[1]!.id)),
    row('twelve pieces', twelve, bar(twelve, twelve.pieces[5]!.id)),
    row('guard and rack of the demo', oyster, bar(oyster, 'p1')),
    row('hoop basket of the demo', basket, side),
    ['its marks, templates and weld map', timedWork(), 'after each change, median of 7'],
    [`lose one, ${lost} taken away`, losing, 'in a worker, on asking'],
  ]
}
