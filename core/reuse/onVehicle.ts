import type { Assembly } from '../assembly/assembly'
import type { Job } from '../job/job'
import { designedIn } from '../job/piecesOf'
import { wholeOf } from '../pieces/whole'
import { restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import { swingId, swingsOf } from '../vehicle/swings'
import type { Vehicle } from '../vehicle/vehicle'

/** The job on another vehicle, or on the same one as it was measured since: its pieces find their places there, and what lies on them goes with them. */
export function onVehicle(job: Job, vehicle: Vehicle, rules: Rules): Job {
  const there = { ...job, vehicle }
  const pieces = designedIn(there, rules).reduce(
    (list, b) => list.map((p) => (p.id === b.piece.id ? { ...p, params: b.design.rehomed(job.vehicle) } : p)),
    there.pieces,
  )
  const next = { ...there, pieces }
  const [before, after] = [wholeOf(job, rules).assembly, wholeOf(next, rules).assembly]
  const cargo = job.brief.cargo.map((c) => {
    const [was, is] = [middleUnder(restOf(c, before).supports), middleUnder(restOf(c, after).supports)]
    return was === null || is === null || Math.abs(is - was) < 0.5 ? c : { ...c, xMm: Math.round((c.xMm + is - was) * 10) / 10 }
  })
  return { ...next, brief: { ...job.brief, cargo } }
}

/** The middle of what something rests on, along the vehicle. mm; null = nothing is under it */
function middleUnder(supports: Assembly['supports']): number | null {
  const xs = supports.flatMap((s) => (s.surface ? [s.surface.fromXMm, s.surface.toXMm] : s.bearings.map((b) => b.xMm)))
  return xs.length ? (Math.min(...xs) + Math.max(...xs)) / 2 : null
}

/**
 * What was found on the first vehicle and says nothing of another one is unknown again: what its anchors hold, the room inside and where things stand in it,
 * cables along its body, its own doors and the struts under them. `lost` = what that is, in words.
 */
export function withoutItsVehicle(job: Job): { job: Job; lost: string[] } {
  const doors = new Set(swingsOf(job.vehicle).map((s) => swingId(s.id)))
  const ofDoors = (id: string) => doors.has(id)
  const room = ['lengthMm', 'widthMm', 'heightMm', 'archFromMm', 'archLengthMm', 'archWidthMm', 'archHeightMm'] as const
  const measuredRoom = room.some((k) => job.inside[k] !== null)
  const rated = job.anchors.filter((a) => a.count !== null || a.links.some((l) => l.holdsN !== null))
  const cables = job.wiring.filter((r) => r.restMm !== null)
  const struts = job.struts.filter((s) => ofDoors(s.moverId))
  const stops = Object.keys(job.stops).filter(ofDoors)
  return {
    job: {
      ...job,
      anchors: job.anchors.map((a) => ({ ...a, count: null, links: a.links.map((l) => ({ ...l, holdsN: null })) })),
      inside: {
        ...job.inside,
        ...Object.fromEntries(room.map((k) => [k, null])),
        things: job.inside.things.map((t) => ({ ...t, place: null })),
      },
      wiring: job.wiring.map((r) => ({ ...r, restMm: null })),
      struts: job.struts.filter((s) => !ofDoors(s.moverId)),
      stops: Object.fromEntries(Object.entries(job.stops).filter(([id]) => !ofDoors(id))),
    },
    lost: [
      ...rated.map((a) => `what ${a.name} holds`),
      ...(measuredRoom ? ['the room inside, and what stands where in it'] : []),
      ...cables.map((r) => `the way of the cable “${r.name}” along the vehicle`),
      ...struts.map(() => 'the struts under a door of the vehicle'),
      ...(stops.length ? ['how far its doors may open'] : []),
    ],
  }
}
