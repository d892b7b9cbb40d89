import type { Assembly } from '../assembly/assembly'
import { movedParts } from '../assembly/moved'
import type { Brief } from '../brief/brief'
import type { Cargo } from '../brief/cargo'
import { placingAt } from '../geometry/placing'
import { type Mover, moversOf, takenOut } from '../touch/movers'
import { type Opening, openBox, openingId, openingsOf, risingId } from '../touch/openings'
import { swingId } from '../vehicle/swings'
import type { Swing, Vehicle } from '../vehicle/vehicle'
import { WHILE_OPEN } from './motions'

export type Shown = { assembly: Assembly; vehicle: Vehicle; brief: Brief }

/** The job as it stands with one thing moved so far and every door shut: what every view then draws; `firstId` = what has gone all its way before. What lies on something that turns is taken out first. */
export function movedTo(shown: Shown, moverId: string | null, value: number, firstId: string | null = null): Shown {
  const { assembly, vehicle } = shown
  const opened = openingsOf(assembly, shown.brief)
  // a door while something stands open over it
  const [id = null, over] = moverId?.split(WHILE_OPEN) ?? []
  if (over !== undefined) return movedTo({ ...shown, brief: standingOpen(shown.brief, opened, over) }, id, value, firstId)
  const opening = opened.find((o) => openingId(o.item) === moverId || risingId(o.item) === moverId)
  if (opening) {
    const rises = risingId(opening.item) === moverId
    const [out, high] = rises ? [0, opening.item.heightMm + value] : [value, opening.highMm ?? opening.item.heightMm]
    return { ...shown, vehicle: swungTo(vehicle, null, 0), brief: withItem(shown.brief, openedAs(opening, out, high)) }
  }
  const { brief } = shown
  const movers = moversOf(assembly, vehicle, brief)
  const mover = movers.find((m) => m.id === moverId)
  const doors = swungTo(vehicle, moverId, value)
  if (!mover) return { ...shown, vehicle: doors }
  const first = movers.find((m) => m.id === (firstId ?? mover.after))
  const before = first ? carried(shown, first, first.to ?? first.from) : shown
  const out = new Set(takenOut(mover, assembly, brief))
  const after = carried({ ...before, brief: { ...brief, cargo: brief.cargo.filter((c) => !out.has(`cargo:${c.id}`)) } }, mover, value)
  return { ...after, vehicle: doors }
}

/** An item as it is drawn so far out and so high. mm */
function openedAs(o: Opening, outMm: number, highMm: number): Cargo {
  const { middle, size } = openBox(o, outMm, Math.max(highMm, o.item.heightMm))
  return { ...o.item, xMm: middle.x, yMm: middle.y, lengthMm: size.x, widthMm: size.y, heightMm: size.z }
}
const withItem = (brief: Brief, item: Cargo): Brief => ({ ...brief, cargo: brief.cargo.map((c) => (c.id === item.id ? item : c)) })
function standingOpen(brief: Brief, opened: Opening[], itemId: string): Brief {
  const o = opened.find((x) => x.item.id === itemId)
  return o ? withItem(brief, openedAs(o, o.reachMm ?? 0, o.highMm ?? 0)) : brief
}

/** Every door shut but the one that is looked at. */
function swungTo(vehicle: Vehicle, moverId: string | null, value: number): Vehicle {
  const deg = (id: string) => (moverId === swingId(id) ? value : 0)
  return {
    ...vehicle,
    swings: vehicle.swings.map((s): Swing => ({ ...s, opensDeg: deg(s.id) })),
    bodies: vehicle.bodies.map((b) => (b.hinge ? { ...b, hinge: { ...b.hinge, opensDeg: deg(b.id) } } : b)),
  }
}

function carried({ assembly, vehicle, brief }: Shown, m: Mover, value: number): Shown {
  const going = new Set(m.moves)
  const at = placingAt(m, value)
  const moved = movedParts(assembly, going, at)
  return {
    vehicle,
    brief: {
      ...brief,
      cargo: brief.cargo.map((c) =>
        going.has(`cargo:${c.id}`) && m.kind === 'slide' ? { ...c, xMm: c.xMm + at.shift.x, yMm: c.yMm + at.shift.y } : c,
      ),
    },
    assembly: {
      ...moved,
      // figures of the design are drawn where they were set out
      dimensions: m.pieceId === null ? assembly.dimensions : assembly.dimensions.filter((d) => !d.id.startsWith(`${m.pieceId}/`)),
    },
  }
}
