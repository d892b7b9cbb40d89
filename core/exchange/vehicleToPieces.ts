type Raw = Record<string, unknown>
type Hung = { name?: unknown; massKg?: unknown; behindMm?: unknown; zMm?: unknown }
type Carrier = {
  pinXMm?: number | null
  massKg?: number | null
  centreBehindMm?: number | null
  zMm?: number | null
  endBehindMm?: number | null
  bottomZMm?: number | null
  loads?: Hung[]
}
const object = (v: unknown): Raw => (typeof v === 'object' && v !== null && !Array.isArray(v) ? (v as Raw) : {})
const number = (v: unknown): number | null => (typeof v === 'number' ? v : null)

/**
 * A vehicle as it was kept before jobs had pieces, as it is now: what hung in its receiver comes out as a found piece with the same figures, and where every
 * mount line stands on one canopy or cover, the rating that was written for the roof is that body's, for it is what was asked about.
 */
export function vehicleToPieces(raw: unknown): { vehicle: unknown; carrier: Raw | null } {
  const { carrier, ...rest } = object(raw)
  const bodied = withBodyRating(rest)
  if (!carrier || typeof carrier !== 'object') return { vehicle: bodied, carrier: null }
  return withReceiver(bodied, carrier as Carrier)
}

/** The shelf's vehicles carry no pieces: what hung in the receiver stays with them as masses on board, each at its place. */
export function vehicleWithoutCarrier(raw: unknown): unknown {
  const { carrier, ...rest } = object(raw)
  const bodied = withBodyRating(rest)
  const c = carrier as Carrier | null | undefined
  if (!c) return bodied
  const at = (behind: unknown) => (number(behind) === null || number(c.pinXMm) === null ? null : (c.pinXMm ?? 0) - (behind as number))
  const onBoard = Array.isArray(bodied.onBoard) ? bodied.onBoard : []
  return {
    ...bodied,
    onBoard: [
      ...onBoard,
      { name: 'hitch carrier', massKg: number(c.massKg), xMm: at(c.centreBehindMm), zMm: number(c.zMm) },
      ...(c.loads ?? []).map((l) => ({
        name: String(l.name ?? 'load on the carrier'),
        massKg: number(l.massKg),
        xMm: at(l.behindMm),
        zMm: number(l.zMm),
      })),
    ],
  }
}

function withBodyRating(vehicle: Raw): Raw {
  const bodies = (Array.isArray(vehicle.bodies) ? vehicle.bodies : []).map(object)
  const lines = (Array.isArray(vehicle.mounts) ? vehicle.mounts : []).map(object)
  const stoodOn = [...new Set(lines.map((l) => l.bodyId))]
  const [only] = stoodOn
  const body = stoodOn.length === 1 ? bodies.find((b) => b.id === only && (b.kind === 'canopy' || b.kind === 'cover')) : undefined
  if (!body || body.movingKg !== undefined) return vehicle
  const { roofMovingKg, roofParkedKg, ...rest } = vehicle
  return {
    ...rest,
    bodies: bodies.map((b) =>
      b === body ? { ...b, ...(roofMovingKg ? { movingKg: roofMovingKg } : {}), ...(roofParkedKg ? { parkedKg: roofParkedKg } : {}) } : b,
    ),
  }
}

function withReceiver(vehicle: Raw, c: Carrier): { vehicle: Raw; carrier: Raw } {
  return {
    vehicle,
    carrier: {
      family: 'already-there',
      name: 'Hitch carrier',
      params: {
        name: 'Hitch carrier',
        where: 'receiver',
        pinXMm: number(c.pinXMm),
        massKg: number(c.massKg),
        behindMm: number(c.centreBehindMm),
        zMm: number(c.zMm),
        endBehindMm: number(c.endBehindMm),
        bottomZMm: number(c.bottomZMm),
        loads: (c.loads ?? []).map((l) => ({
          name: String(l.name ?? 'load'),
          massKg: number(l.massKg),
          behindMm: number(l.behindMm),
          zMm: number(l.zMm),
        })),
      },
    },
  }
}
