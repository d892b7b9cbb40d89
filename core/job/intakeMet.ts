import type { Assembly } from '../assembly/assembly'
import type { IntakeId } from '../brief/intake'
import type { Job } from './job'

/** Which questions of the intake the job answers by itself: what a yes leads to is there. The rest is settled by hand. */
export function intakeMet({ brief, vehicle, anchors }: Job, a: Assembly): ReadonlySet<IntakeId> {
  const met: [IntakeId, boolean][] = [
    ['climbs', brief.someoneClimbs && a.supports.some((s) => s.climbOn.length > 0)],
    ['ties', anchors.length > 0 || a.anchors.length > 0],
    ['locks', a.hardware.some((h) => h.part.kind === 'lock')],
    ['under', brief.passages.some((p) => p.heightMm !== null)],
    ['tyres', vehicle.tyres.next.trim() !== ''],
  ]
  return new Set(met.flatMap(([id, is]) => (is ? [id] : [])))
}
