import { profileOf } from '../../core/catalogue/profiles'
import { amountText } from '../../core/purchase/amount'
import { sectionKey } from '../../core/purchase/needs'
import { type PlacedOrder, placedMinor } from '../../core/purchase/order'
import type { PooledBars, PooledLine } from '../../core/purchase/pooled'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { moneyText } from '../../core/quantity/money'
import { type DisplayUnits, INCH, METRIC } from '../../core/quantity/units'
import type { Shop } from '../../core/shop/shop'
import { closePaper, INK, MARGIN, nextPage, openPaper, type Paper, type Title, table } from '../prints/paper'

/** One order for each supplier: bars by the common plan, then all else, with what is for which job. PDF bytes. */
export function orderSheetPdf(
  lines: PooledLine[],
  bars: PooledBars | null,
  { today, shop }: { today: string; shop: Pick<Shop, 'name' | 'address' | 'paper' | 'units' | 'currency'> },
): Promise<Buffer> {
  const units = shop.units === 'inch' ? INCH : METRIC
  const title: Title = {
    ...{ job: 'Orders', client: '', sheet: 'over all open jobs', revision: 0, date: today, due: null, stamp: null, shop },
  }
  const paper = openPaper(title)
  const sellers = [...new Set(lines.map((l) => l.supplier?.name ?? NOBODY))]
  if (!lines.length) paper.font('bold').fontSize(12).fillColor(INK).text('Nothing is to be ordered.', MARGIN, 60)
  sellers.forEach((seller, i) => {
    if (i) nextPage(paper)
    paper.font('bold').fontSize(13).fillColor(INK).text(seller, MARGIN, 58)
    const mine = lines.filter((l) => (l.supplier?.name ?? NOBODY) === seller)
    const fromPlan = bars && mine.some((l) => l.kind === 'sections') ? bars.buy : []
    const rest = mine.filter((l) => !(l.kind === 'sections' && bars))
    orderTable(paper, { bars: fromPlan, lines: rest }, units, 80)
  })
  return closePaper(paper, title)
}
const NOBODY = 'Nobody is entered who sells these'

/** Bars by the common plan, then every other line, each with a box to tick as it comes. Returns the y below. */
function orderTable(
  paper: Paper,
  { bars, lines }: { bars: PooledBars['buy']; lines: PooledLine[] },
  units: DisplayUnits,
  from: number,
): number {
  return table(
    paper,
    [
      { head: '', width: 24 },
      { head: 'How much', width: 80, align: 'right' },
      { head: 'What', width: 300 },
      { head: 'For', width: 280 },
      { head: 'Price', width: 80, align: 'right' },
    ],
    [
      ...bars.map((p) => [
        '[ ]',
        `${p.count} ×`,
        `${profileOf(p.profileId).name}, bar of ${figureText(p.lengthMm, 'mm', units)}`,
        'the common cut plan',
        moneyText(p.priceMinor * p.count),
      ]),
      ...lines.map((l) => [
        '[ ]',
        `${amountText(l.quantity, l.unit, units)}${l.unit === 'piece' ? ' ×' : ''}`,
        withLengths(l.name, units),
        l.for.map((f) => `${f.title} ${amountText(f.quantity, l.unit, units)}`).join('; '),
        moneyText(l.minor),
      ]),
    ],
    MARGIN,
    from,
    9.5,
  )
}

/** One order as it was placed, to send with its number and to tick off as it comes. PDF bytes. */
export function placedOrderPdf(order: PlacedOrder, shop: Pick<Shop, 'name' | 'address' | 'paper' | 'units' | 'currency'>): Promise<Buffer> {
  const units = shop.units === 'inch' ? INCH : METRIC
  const title: Title = {
    ...{
      job: `Order ${order.number}`,
      client: order.supplier,
      sheet: 'Order',
      revision: 0,
      date: order.on,
      due: order.due,
      stamp: null,
      shop,
    },
  }
  const paper = openPaper(title)
  const sum = placedMinor(order)
  paper
    .font('bold')
    .fontSize(12)
    .fillColor(INK)
    .text(
      `To be here on ${order.due}. ${sum === null ? 'Not all of it had a price.' : `In all ${moneyText(sum)}${shop.currency ? ` ${shop.currency}` : ''}.`}`,
      MARGIN,
      58,
    )
  const planned = new Set(order.bars.map((b) => sectionKey(b.profileId)))
  orderTable(paper, { bars: order.bars, lines: order.lines.filter((l) => !planned.has(l.key)) }, units, 82)
  return closePaper(paper, title)
}
