import type { Member, Mount, OwnDimension } from '../../assembly/assembly'
import { datumXMm } from '../../vehicle/datum'
import type { Vehicle } from '../../vehicle/vehicle'

/** Bars set out from the datum, the length of the foremost, the height of the deck, and seen from behind the longest bar and its feet. */
export function dimensionsOf(vehicle: Vehicle, bars: Member[], mounts: Mount[], deckZMm: number): OwnDimension[] {
  if (!bars.length) return []
  const datum = datumXMm(vehicle)
  const order = [...bars].sort((a, b) => a.path[0]!.x - b.path[0]!.x)
  const front = order[order.length - 1]!
  const longest = bars.reduce((a, b) => (a.path[0]!.y >= b.path[0]!.y ? a : b))
  const z = deckZMm
  const lengthOf = (b: Member) => b.path[0]!.y - b.path[1]!.y
  const foot = Math.abs(mounts.find((m) => m.on === longest.id)?.place.y ?? longest.path[0]!.y)
  return [
    ...order.map(
      (b): OwnDimension => ({
        id: `at:${b.id}`,
        view: 'plan',
        axis: 'x',
        side: 'low',
        running: true,
        ref: b.id,
        from: { x: datum, y: 0, z },
        to: b.path[1]!,
        edits: { figure: b.id, offsetMm: datum },
      }),
    ),
    {
      id: 'length',
      view: 'plan',
      axis: 'y',
      side: 'high',
      running: false,
      ref: front.id,
      from: front.path[1]!,
      to: front.path[0]!,
      edits: { figure: 'length', offsetMm: 0 },
    },
    {
      id: 'deck',
      view: 'side',
      axis: 'y',
      side: 'high',
      running: false,
      label: 'deck',
      from: { x: front.path[0]!.x, y: 0, z: 0 },
      to: { x: front.path[0]!.x, y: 0, z },
      edits: { figure: 'deck', offsetMm: 0 },
    },
    {
      id: 'longest',
      view: 'rear',
      axis: 'x',
      side: 'high',
      running: false,
      ref: longest.id,
      from: longest.path[0]!,
      to: longest.path[1]!,
      edits: { figure: 'length', offsetMm: lengthOf(front) - lengthOf(longest) },
    },
    {
      id: 'feet',
      view: 'rear',
      axis: 'x',
      side: 'high',
      running: false,
      label: 'feet',
      from: { x: longest.path[0]!.x, y: foot, z },
      to: { x: longest.path[0]!.x, y: -foot, z },
    },
  ]
}
