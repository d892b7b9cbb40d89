import { archesOf, type Block, blocksOf, gapBetween, nameOf } from './blocks'
import { heightOf, type Inside, lacksOf, roomLacks } from './inside'
import { type Bearers, bearersOf, onFloor, type Stack, type Standing, type Stowed, stacksOf, standsFirm } from './stacks'

export type InsideFault = { ids: string[]; says: string; gapMm: number }
export type InsideCheck = {
  /** what nobody measured; then nothing is assessed */
  missing: string[]
  /** things that nobody stowed yet */
  notStowed: string[]
  faults: InsideFault[]
  /** widest way along the whole room that nothing stands in, and where it begins from the left wall. mm; null = not assessed */
  aisle: { widthMm: number; fromMm: number } | null
  /** what stands on boxes, against what their tops bear */
  stacks: Stack[]
  /** in which order things come out to the rear, each straight; what is held by others that hold it comes out by no straight way */
  out: { id: string; name: string; after: string[] }[]
  held: string[]
  /** what fits through the side door, and after what; null = there is none, or nobody measured it */
  aside: { id: string; name: string; after: string[] }[] | null
}

/** Whether everything fits as it stands: among themselves, on what it stands, against walls and arches, under the roof, beside the aisle; and in which order it comes out. */
export function checkInside(r: Inside): InsideCheck {
  const stowed = r.things.filter((t): t is Stowed => t.place !== null)
  const missing = [...roomLacks(r), ...stowed.flatMap(lacksOf)]
  const notStowed = r.things.filter((t) => t.place === null).map((t) => t.name)
  if (missing.length) return { missing, notStowed, faults: [], aisle: null, stacks: [], out: [], held: [], aside: null }
  const [L, W, H] = [r.lengthMm ?? 0, r.widthMm ?? 0, r.heightMm ?? 0]
  const all = stowed.map((t) => ({ t, blocks: blocksOf(t, t.place, r.bicycle) }))
  const bearers = bearersOf(all)
  const faults: InsideFault[] = []
  const tell = (ids: string[], a: string, b: string, gapMm: number) =>
    faults.push({
      ids,
      gapMm,
      says: gapMm < 0 ? `${a} stands {${Math.round(-gapMm)}} into ${b}` : `${a} is only {${Math.round(gapMm)}} from ${b}`,
    })
  const least = (as: Block[], bs: Block[]) =>
    as
      .flatMap((a) => bs.map((b) => ({ a, b, gap: gapBetween(a, b) })))
      .reduce((m, x) => (m === null || x.gap < m.gap ? x : m), null as { a: Block; b: Block; gap: number } | null)
  all.forEach((own, i) => {
    const { t, blocks } = own
    const under = bearers.get(own) ?? []
    if (!onFloor(t) && !under.length)
      faults.push({
        ids: [t.id],
        gapMm: -heightOf(t.place),
        says: `${t.name} has no box under it, {${Math.round(heightOf(t.place))}} above the floor`,
      })
    else if (under.length && !standsFirm(own, under))
      faults.push({
        ids: [t.id, ...under.map((b) => b.t.id)],
        gapMm: 0,
        says: `the middle of ${t.name} hangs out over what it stands on, ${under.map((b) => b.t.name).join(' and ')}`,
      })
    for (const other of all.slice(i + 1)) {
      const m = least(blocks, other.blocks)
      if (m && m.gap < r.gapMm - 0.5) tell([t.id, other.t.id], nameOf(m.a), nameOf(m.b), m.gap)
    }
    const arch = least(blocks, archesOf(r))
    if (arch && arch.gap < r.gapMm - 0.5) tell([t.id], nameOf(arch.a), nameOf(arch.b), arch.gap)
    const walls: [string, (b: Block) => number, number][] = [
      ['the front wall', (b) => b.x0, 0],
      ['the rear doors', (b) => L - b.x1, 0],
      ['the left wall', (b) => b.y0, r.gapMm],
      ['the right wall', (b) => W - b.y1, r.gapMm],
      ['the roof', (b) => H - b.z1, 0],
    ]
    for (const [wall, room, wanted] of walls) {
      const worst = blocks.reduce((m, b) => (room(b) < room(m) ? b : m))
      if (room(worst) < wanted - 0.5) tell([t.id], nameOf(worst), wall, room(worst))
    }
  })
  return {
    missing,
    notStowed,
    faults: faults.sort((a, b) => a.gapMm - b.gapMm),
    aisle: aisleOf(
      all.flatMap((a) => a.blocks),
      W,
    ),
    stacks: stacksOf(bearers),
    ...outOrder(bearers),
    aside: asideOf(bearers, doorOf(r)),
  }
}

/** The widest strip along the room with nothing in it. */
function aisleOf(blocks: Block[], W: number): { widthMm: number; fromMm: number } {
  let [best, at, y] = [0, 0, 0]
  for (const [y0, y1] of [...blocks.map((b) => [b.y0, b.y1] as const), [W, W] as const].sort((a, b) => a[0] - b[0])) {
    if (y0 - y > best) [best, at] = [y0 - y, y]
    y = Math.max(y, y1)
  }
  return { widthMm: best, fromMm: at }
}

type Door = { side: 'left' | 'right'; from: number; to: number; high: number }
/** The side door as it is measured; null = there is none, or nobody measured it. */
function doorOf({ doorSide, doorFromMm, doorLengthMm, doorHeightMm }: Inside): Door | null {
  if (doorSide === 'none' || doorFromMm === null || doorLengthMm === null || doorHeightMm === null) return null
  return { side: doorSide, from: doorFromMm, to: doorFromMm + doorLengthMm, high: doorHeightMm }
}

const lap = (a0: number, a1: number, b0: number, b1: number): boolean => a0 < b1 && b0 < a1
/** Whether something stands before a on its way: on top of it, or where one of its blocks would pass. */
const stands = (a: Standing, b: Standing, bearers: Bearers, passes: (p: Block, q: Block) => boolean): boolean =>
  bearers.get(b)?.includes(a) || a.blocks.some((p) => b.blocks.some((q) => passes(p, q)))

/** Taken out straight to the rear, one by one: those first that nothing stands behind of, nor on. */
function outOrder(bearers: Bearers): Pick<InsideCheck, 'out' | 'held'> {
  const all = [...bearers.keys()]
  const behind = (a: Standing, b: Standing) =>
    stands(a, b, bearers, (p, q) => q.x1 > p.x1 && lap(q.y0, q.y1, p.y0, p.y1) && lap(q.z0, q.z1, p.z0, p.z1))
  const left = new Set(all)
  const out: InsideCheck['out'] = []
  for (let again = true; again; ) {
    again = false
    for (const a of all) {
      if (!left.has(a) || [...left].some((b) => b !== a && behind(a, b))) continue
      out.push({ id: a.t.id, name: a.t.name, after: all.filter((b) => b !== a && behind(a, b)).map((b) => b.t.name) })
      left.delete(a)
      again = true
    }
  }
  return { out, held: [...left].map((a) => a.t.name) }
}

/** Straight out through the side door: what passes it as it stands, and what stands on it or between it and the door. Those first that need least taken out before. */
function asideOf(bearers: Bearers, door: Door | null): InsideCheck['aside'] {
  if (!door) return null
  const all = [...bearers.keys()]
  const between = (a: Standing, b: Standing) =>
    stands(
      a,
      b,
      bearers,
      (p, q) => (door.side === 'left' ? q.y0 < p.y0 : q.y1 > p.y1) && lap(q.x0, q.x1, p.x0, p.x1) && lap(q.z0, q.z1, p.z0, p.z1),
    )
  return all
    .filter(({ blocks }) => blocks.every((b) => b.x0 >= door.from && b.x1 <= door.to && b.z1 <= door.high))
    .map((a) => ({ id: a.t.id, name: a.t.name, after: all.filter((b) => b !== a && between(a, b)).map((b) => b.t.name) }))
    .sort((a, b) => a.after.length - b.after.length)
}
