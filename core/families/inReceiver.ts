import type { Mount } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import { type Place, placesOf } from '../places/places'
import { demoVehicles } from '../vehicle/demoVehicles'
import type { Vehicle } from '../vehicle/vehicle'
import type { Site } from './family'
import { notYet } from './parts'

/** The vehicle's receiver; null where nobody measured its pin. */
export const receiverOf = (site: Site): Place | null => placesOf(site.vehicle).places.find((p) => p.kind === 'receiver') ?? null
export const NO_RECEIVER = 'it needs a receiver: measure its pin and bumper at Measure, sheet “Rear end”'
/** A design that has no receiver to stand in, `what` as it is called in a sentence. */
export const noReceiver = (what: string) => notYet(`The ${what} has no receiver to stand in: measure its pin at Measure, sheet “Rear end”`)

/** The one mount of what hangs in a receiver: by its tongue. */
export const hitchMount = (place: Place): Mount => ({
  id: 'hitch',
  mark: 'H1',
  kind: 'receiver',
  placeId: place.id,
  bodyId: place.bodyId,
  on: 'tongue',
  side: 'middle',
  place: place.from,
  normal: place.normal,
  massKg: footTypes.receiver.massKg,
  backingMm: null,
  via: null,
})

/** A pickup of the demo shelf with its receiver measured all the way: what examples stand in. */
const [, pickup] = demoVehicles
export const pickupWithReceiver: Vehicle = {
  ...pickup!,
  measures: { ...pickup!.measures, 'rear.receiverToBumper': { ...pickup!.measures['rear.receiverHeight']!, value: 90 } },
}
