import { seeded } from '../nesting/seeded'
import { boxLogics, boxPacker } from './boxPack'
import { outlinePacker, worthOutlines } from './outlinePack'
import { fits, type Packer, type Piece, type Placed, type SheetGiven } from './packing'
import { pairPacker } from './pairs'
import { shapesOf } from './shapes'
import { boxOfPart, type SheetNesting, type SheetNestingInput, sheetPrice } from './sheetNesting'

type Plan = { sheets: Placed[]; left: Piece[]; cost: number }

/** Once nothing better is found in so many tries in a row, it stops before its time. */
const PATIENCE = 3000
/** How long and how often it may try: with `tries` the same parts give the same nest, whatever else the machine does. */
export type Effort = { now: () => number; tries?: number }
/** By outline a try costs far more: so many pieces are laid in all. */
const OUTLINE_PIECES = 240
/** What of its time it tries boxes, where outlines are tried after them. */
const BOX_SHARE = 0.4

/**
 * Parts on sheets: by their boxes in several orders, then in orders shuffled about the best one until the time is up; and where parts are far from filling their
 * boxes by their outlines too. Least unplaced first, then least price, then the largest clear strip on the last sheet. Not proven best. mm
 */
export function nestSheets(input: SheetNestingInput, { now, tries = Number.POSITIVE_INFINITY }: Effort): SheetNesting {
  const start = now()
  const deadline = start + input.timeLimitMs
  const boxes = new Map(input.parts.map((p) => [p.id, boxOfPart(p)]))
  const sheets = input.sheets.filter((s) => s.quantity !== 0)
  const unplaced: SheetNesting['unplaced'] = []
  const pieces: Piece[] = input.parts.flatMap((p) => {
    const { width, height, areaMm2 } = boxes.get(p.id)!
    const one = { partId: p.id, width, height, area: areaMm2, mayRotate: p.mayRotate }
    if (!p.quantity) return []
    if (sheets.some((s) => fits(one, s, input.edge))) return Array.from({ length: p.quantity }, () => one)
    unplaced.push({ partId: p.id, quantity: p.quantity, reason: tooLarge(width, height, input) })
    return []
  })
  const orders = [
    (a: Piece, b: Piece) => b.width * b.height - a.width * a.height,
    (a: Piece, b: Piece) => Math.max(b.width, b.height) - Math.max(a.width, a.height),
    (a: Piece, b: Piece) => b.height - a.height || b.width - a.width,
    (a: Piece, b: Piece) => b.width - a.width || b.height - a.height,
    (a: Piece, b: Piece) => b.width + b.height - a.width - a.height,
  ]
  // sheets of which there are only so many are begun ones: used up first they may leave less to buy
  const ways: Way[] = sheets.some((s) => s.quantity !== null) ? ['few sheets', 'least price'] : ['few sheets']
  let best: Found | null = null
  const search = (packers: Packer[], most: number, until: number) => {
    const tried = (order: Piece[], pack: Packer, way: Way): boolean => {
      const plan = planned(order, sheets, pack, way)
      const gain = best ? worth(best.plan, plan) : 1
      // one as good is taken as well: the search drifts where it cannot climb
      if (gain >= 0) best = { plan, order, pack, way }
      return gain > 0
    }
    const first = best ? [best.order] : []
    for (const order of [...first, ...orders.map((by) => [...pieces].sort(by))])
      for (const pack of packers) for (const way of ways) if (!best || now() < until) tried(order, pack, way)
    const random = seeded(1)
    let idle = 0
    for (let n = 0; best !== null && pieces.length > 2 && n < most && idle < PATIENCE && now() < until; n++) {
      const { order, pack, way }: Found = best
      const usual = packers.includes(pack) ? pack : packers[0]!
      const other = packers[Math.floor(random() * packers.length)]!
      idle = tried(shuffled(order, random), random() < 0.8 ? usual : other, way) ? 0 : idle + 1
    }
  }
  const byBoxes = boxLogics.map((logic) => boxPacker(input, logic))
  if (worthOutlines(input, pieces)) {
    const shapes = shapesOf(input)
    const paired = byBoxes.flatMap((pack) => pairPacker(input, shapes, pack) ?? [])
    search([...byBoxes, ...paired], tries, start + input.timeLimitMs * BOX_SHARE)
    const most = Number.isFinite(tries) ? Math.floor(OUTLINE_PIECES / pieces.length) : tries
    search([outlinePacker(input, shapes)], most, deadline)
  } else search(byBoxes, tries, deadline)
  const plan = (best as Found | null)?.plan ?? { sheets: [], left: [], cost: 0 }
  const short = new Map<string, number>()
  for (const p of plan.left) short.set(p.partId, (short.get(p.partId) ?? 0) + 1)
  const area = plan.sheets.reduce((s, p) => s + p.sheet.width * p.sheet.height, 0)
  return {
    sheets: plan.sheets.map((s) => ({ sheetId: s.sheet.id, placements: s.placements })),
    unplaced: [
      ...unplaced,
      ...[...short].map(([partId, quantity]) => ({ partId, quantity, reason: 'the sheets that are there are used up: list more of them' })),
    ],
    cost: plan.cost,
    utilisation: area > 0 ? plan.sheets.reduce((s, p) => s + p.area, 0) / area : 0,
  }
}

type Found = { plan: Plan; order: Piece[]; pack: Packer; way: Way }
/** A few pieces change places with others near by; now and then anywhere. */
function shuffled(order: Piece[], random: () => number): Piece[] {
  const next = [...order]
  for (let k = 0; k < 1 + Math.floor(random() * 4); k++) {
    const i = Math.floor(random() * next.length)
    const reach = random() < 0.3 ? next.length : 8
    const j = Math.max(0, Math.min(next.length - 1, i + Math.floor((random() - 0.5) * reach)))
    ;[next[i], next[j]] = [next[j]!, next[i]!]
  }
  return next
}

const tooLarge = (width: number, height: number, { sheets, edge }: SheetNestingInput): string => {
  const largest = sheets.reduce((a, b) => (b.width * b.height > a.width * a.height ? b : a))
  const mm = (v: number) => Math.round(v * 10) / 10
  return `${mm(width)} × ${mm(height)} mm is larger than any sheet leaves clear: the largest leaves ${mm(largest.width - 2 * edge)} × ${mm(largest.height - 2 * edge)} mm`
}

/** How much better the second is: less left over, then less price, then a larger clear strip on the last sheet. */
function worth(old: Plan, plan: Plan): number {
  const left = (p: Plan) => p.left.reduce((s, x) => s + x.area, 0)
  const strip = (p: Plan) => {
    const last = p.sheets[p.sheets.length - 1]
    return last ? (last.sheet.height - last.usedHeight) * last.sheet.width : 0
  }
  const gains = [left(old) - left(plan), old.cost - plan.cost, strip(plan) - strip(old)]
  return gains.find((g) => Math.abs(g) > 1e-6) ?? 0
}

/** Sheet after sheet, by what is left: one that takes all of it as cheaply as any, else the one that costs least for what it takes; or always the latter. */
type Way = 'few sheets' | 'least price'
function planned(order: Piece[], sheets: SheetGiven[], packer: Packer, way: Way): Plan {
  const stock = new Map(sheets.map((s) => [s.id, s.quantity]))
  let left = order
  const used: Placed[] = []
  while (left.length) {
    const open = sheets.filter((s) => stock.get(s.id) !== 0)
    const packs = open.flatMap((sheet) => {
      const pack = packer(left, sheet)
      return pack.placed.placements.length ? [pack] : []
    })
    if (!packs.length) break
    const price = (p: (typeof packs)[number]) => sheetPrice(p.placed.sheet)
    const free = way === 'least price' && packs.some((p) => p.left.length && price(p) === 0)
    const all = free ? [] : packs.filter((p) => !p.left.length)
    const next = all.length
      ? all.reduce((a, b) => (price(b) < price(a) ? b : a))
      : packs.reduce((a, b) => (price(b) / b.placed.area < price(a) / a.placed.area ? b : a))
    used.push(next.placed)
    left = next.left
    const count = stock.get(next.placed.sheet.id)
    if (typeof count === 'number') stock.set(next.placed.sheet.id, count - 1)
  }
  return { sheets: used, left, cost: used.reduce((s, p) => s + sheetPrice(p.sheet), 0) }
}
