import type { Support } from '../assembly/assembly'
import { swingsOf } from '../vehicle/swings'
import type { Vehicle } from '../vehicle/vehicle'
import { bodyOfKind } from './measured'
import { placesOf } from './places'

/** What the vehicle itself carries things on: its bed, tray or van floor, and the top of its tailgate when shut. */
export function vehicleSupports(vehicle: Vehicle): Support[] {
  const plain = { bearings: [], surface: null, holds: false, walkOn: [], climbOn: [] }
  const floors = placesOf(vehicle)
    .places.filter((p) => p.side === 'left' && (p.kind === 'bed floor' || p.kind === 'van floor'))
    .map(
      (p): Support => ({
        ...plain,
        id: `vehicle/${p.id}`,
        name: p.name,
        kind: 'floor',
        ...(p.kind === 'van floor' ? { asked: true as const } : {}),
        bodyId: p.bodyId,
        surface: {
          fromXMm: p.from.x,
          toXMm: p.to.x,
          leftMm: Math.max(p.from.y, p.to.y),
          rightMm: -Math.max(p.from.y, p.to.y),
          zMm: p.from.z,
        },
      }),
    )
  const tray = bodyOfKind(vehicle, 'tray')
  const deck: Support[] = tray
    ? [
        {
          ...plain,
          id: 'vehicle/tray',
          name: 'Deck of the tray',
          kind: 'floor',
          bodyId: tray.id,
          surface: { fromXMm: tray.fromXMm, toXMm: tray.toXMm, leftMm: tray.widthMm / 2, rightMm: -tray.widthMm / 2, zMm: tray.topZMm },
        },
      ]
    : []
  const gate = swingsOf(vehicle).find((s) => s.kind === 'tailgate')
  const tailgate: Support[] = gate
    ? [
        {
          ...plain,
          id: 'vehicle/tailgate',
          name: 'Tailgate, shut',
          kind: 'bars',
          bodyId: bodyOfKind(vehicle, 'bed')?.id ?? null,
          bearings: [
            {
              on: null,
              xMm: gate.xMm,
              leftMm: gate.hingeLengthMm / 2,
              rightMm: -gate.hingeLengthMm / 2,
              zMm: gate.zMm + gate.reachMm,
            },
          ],
        },
      ]
    : []
  return [...floors, ...deck, ...tailgate]
}
