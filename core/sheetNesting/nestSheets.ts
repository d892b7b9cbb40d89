import { MaxRectsBin, PACKING_LOGIC, Rectangle } from 'maxrects-packer'
import { seeded } from '../nesting/seeded'
import { boxOfPart, type SheetNesting, type SheetNestingInput, sheetPrice } from './sheetNesting'

type Piece = { partId: string; width: number; height: number; area: number; mayRotate: boolean }
type Sheet = SheetNestingInput['sheets'][number]
type Placed = { sheet: Sheet; placements: SheetNesting['sheets'][number]['placements']; area: number; usedHeight: number }
type Plan = { sheets: Placed[]; left: Piece[]; cost: number }

/** Once nothing better is found in so many tries in a row, it stops before its time. */
const PATIENCE = 3000
/** How long and how often it may try: with `tries` the same parts give the same nest, whatever else the machine does. */
export type Effort = { now: () => number; tries?: number }
const LOGIC = [PACKING_LOGIC.MAX_EDGE, PACKING_LOGIC.MAX_AREA]
const SLACK = 1e-6

/**
 * Parts on sheets, each by its box: the largest free rectangles are kept and a part goes where it fits best (Jylänki, 2010, A Thousand Ways to Pack the Bin;
 * `maxrects-packer`), tried in several orders and then in orders shuffled about the best one until the time is up. Least unplaced first, then least price,
 * then the largest clear strip on the last sheet. Not proven best. mm
 */
export function nestSheets(input: SheetNestingInput, { now, tries = Number.POSITIVE_INFINITY }: Effort): SheetNesting {
  const deadline = now() + input.timeLimitMs
  const boxes = new Map(input.parts.map((p) => [p.id, boxOfPart(p)]))
  const sheets = input.sheets.filter((s) => s.quantity !== 0)
  const fits = (p: { width: number; height: number; mayRotate: boolean }, s: Sheet): boolean => {
    const [w, h] = [s.width - 2 * input.edge + SLACK, s.height - 2 * input.edge + SLACK]
    return (p.width <= w && p.height <= h) || (p.mayRotate && p.height <= w && p.width <= h)
  }
  const unplaced: SheetNesting['unplaced'] = []
  const pieces: Piece[] = input.parts.flatMap((p) => {
    const { width, height, areaMm2 } = boxes.get(p.id)!
    const one = { partId: p.id, width, height, area: areaMm2, mayRotate: p.mayRotate }
    if (!p.quantity) return []
    if (sheets.some((s) => fits(one, s))) return Array.from({ length: p.quantity }, () => one)
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
  let best: { plan: Plan; order: Piece[]; logic: PACKING_LOGIC; way: Way } | null = null
  const tried = (order: Piece[], logic: PACKING_LOGIC, way: Way): boolean => {
    const plan = planned(order, sheets, logic, way, input, fits)
    const gain = best ? worth(best.plan, plan) : 1
    // one as good is taken as well: the search drifts where it cannot climb
    if (gain >= 0) best = { plan, order, logic, way }
    return gain > 0
  }
  // sheets of which there are only so many are begun ones: used up first they may leave less to buy
  const ways: Way[] = sheets.some((s) => s.quantity !== null) ? ['few sheets', 'least price'] : ['few sheets']
  for (const by of orders)
    for (const logic of LOGIC) for (const way of ways) if (!best || now() < deadline) tried([...pieces].sort(by), logic, way)
  const random = seeded(1)
  let idle = 0
  for (let n = 0; best !== null && pieces.length > 2 && n < tries && idle < PATIENCE && now() < deadline; n++) {
    const { order, logic, way } = best as { order: Piece[]; logic: PACKING_LOGIC; way: Way }
    const next = [...order]
    // a few pieces change places with others near by; now and then anywhere
    for (let k = 0; k < 1 + Math.floor(random() * 4); k++) {
      const i = Math.floor(random() * next.length)
      const reach = random() < 0.3 ? next.length : 8
      const j = Math.max(0, Math.min(next.length - 1, i + Math.floor((random() - 0.5) * reach)))
      ;[next[i], next[j]] = [next[j]!, next[i]!]
    }
    idle = tried(next, random() < 0.8 ? logic : LOGIC[Math.floor(random() * LOGIC.length)]!, way) ? 0 : idle + 1
  }
  const plan = (best as { plan: Plan } | null)?.plan ?? { sheets: [], left: [], cost: 0 }
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
function planned(
  order: Piece[],
  sheets: Sheet[],
  logic: PACKING_LOGIC,
  way: Way,
  input: SheetNestingInput,
  fits: (p: Piece, s: Sheet) => boolean,
): Plan {
  const stock = new Map(sheets.map((s) => [s.id, s.quantity]))
  let left = order
  const used: Placed[] = []
  while (left.length) {
    const open = sheets.filter((s) => stock.get(s.id) !== 0)
    const packs = open.flatMap((sheet) => {
      const pack = packed(left, sheet, logic, input, fits)
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

function packed(
  pieces: Piece[],
  sheet: Sheet,
  logic: PACKING_LOGIC,
  { gap, edge }: SheetNestingInput,
  fits: (p: Piece, s: Sheet) => boolean,
): { placed: Placed; left: Piece[] } {
  const bin = new MaxRectsBin(sheet.width + SLACK, sheet.height + SLACK, gap, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
    border: edge,
    logic,
  })
  const left: Piece[] = []
  const placements: Placed['placements'] = []
  let [area, usedHeight] = [0, 0]
  for (const p of pieces) {
    const put = fits(p, sheet) ? bin.add(new Rectangle(p.width, p.height, 0, 0, false, p.mayRotate)) : undefined
    if (!put) {
      left.push(p)
      continue
    }
    placements.push({ partId: p.partId, x: put.x, y: put.y, rotated: put.rot })
    area += p.area
    usedHeight = Math.max(usedHeight, put.y + put.height)
  }
  return { placed: { sheet, placements, area, usedHeight }, left }
}
