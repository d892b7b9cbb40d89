import type { Assembly } from '../assembly/assembly'
import { swingId, swingsOf } from '../vehicle/swings'
import type { Job } from './job'

/** A stop to be fitted, on what and where on its way. Degrees or mm */
export type StopToFit = { name: string; at: number; unit: '°' | 'mm' }

/** The job's stops by what they are on; one whose piece or door is gone is none. */
export function stopsOf(job: Pick<Job, 'stops' | 'vehicle'>, assembly: Assembly): StopToFit[] {
  return Object.entries(job.stops).flatMap(([id, at]): StopToFit[] => {
    const motion = assembly.motions.find((m) => m.id === id)
    if (motion) return [{ name: motion.name, at, unit: motion.kind === 'turn' ? '°' : 'mm' }]
    const swing = swingsOf(job.vehicle).find((s) => swingId(s.id) === id)
    return swing ? [{ name: swing.name, at, unit: '°' }] : []
  })
}
