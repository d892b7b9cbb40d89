import { profileOf } from '../../core/catalogue/profiles'
import { amountText } from '../../core/purchase/amount'
import type { PooledBars, PooledLine } from '../../core/purchase/pooled'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { moneyText } from '../../core/quantity/money'
import { INCH, METRIC } from '../../core/quantity/units'
import type { Shop } from '../../core/shop/shop'
import { closePaper, INK, MARGIN, nextPage, openPaper, type Title, table } from '../prints/paper'

/** One order for each supplier: bars by the common plan, then all else, with what is for which job. PDF bytes. */
export function orderSheetPdf(
  lines: PooledLine[],
  bars: PooledBars | null,
  { today, shop }: { today: string; shop: Pick<Shop, 'name' | 'address' | 'paper' | 'units'> },
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
    table(
      paper,
      [
        { head: '', width: 24 },
        { head: 'How much', width: 80, align: 'right' },
        { head: 'What', width: 300 },
        { head: 'For', width: 280 },
        { head: 'Price', width: 80, align: 'right' },
      ],
      [
        ...fromPlan.map((p) => [
          '[ ]',
          `${p.count} ×`,
          `${profileOf(p.profileId).name}, bar of ${figureText(p.lengthMm, 'mm', units)}`,
          'the common cut plan',
          moneyText(p.priceMinor * p.count),
        ]),
        ...rest.map((l) => [
          '[ ]',
          `${amountText(l.quantity, l.unit, units)}${l.unit === 'piece' ? ' ×' : ''}`,
          withLengths(l.name, units),
          l.for.map((f) => `${f.title} ${amountText(f.quantity, l.unit, units)}`).join('; '),
          moneyText(l.minor),
        ]),
      ],
      MARGIN,
      80,
      9.5,
    )
  })
  return closePaper(paper, title)
}
const NOBODY = 'Nobody is entered who sells these'
