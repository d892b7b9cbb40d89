import { bodyOfKind, measured } from '../places/measured'
import type { Struts } from '../strut/struts'
import type { Mover } from '../touch/movers'
import { swingId } from '../vehicle/swings'
import type { Vehicle } from '../vehicle/vehicle'

/**
 * What the sheet for a bed cover already holds of its struts stands where nothing else was typed: it is measured once. What is typed here wins, as struts
 * that are to be changed are not the ones that were measured.
 */
export function withMeasured(typed: Struts, mover: Mover, vehicle: Vehicle): Struts {
  const cover = bodyOfKind(vehicle, 'cover')
  if (!cover || mover.id !== swingId(cover.id)) return typed
  const sheet = (id: string) => measured(vehicle, `cover.${id}`).value
  return {
    ...typed,
    leafKg: typed.leafKg ?? sheet('mass'),
    leafOutMm: typed.leafOutMm ?? sheet('centre'),
    forceN: typed.forceN ?? sheet('strutForce'),
    onLeaf: { ...typed.onLeaf, outMm: typed.onLeaf.outMm ?? sheet('strutOnCover') },
    onBody: { outMm: typed.onBody.outMm ?? sheet('strutOnBody'), belowMm: typed.onBody.belowMm ?? sheet('strutBelow') },
  }
}
