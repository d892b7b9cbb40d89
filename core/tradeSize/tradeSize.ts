import { Impossible } from '../issue/impossible'
import { MM_PER_INCH } from '../quantity/units'

export const trades = ['pipe', 'conduit', 'steel sheet gauge', 'aluminium gauge', 'stainless gauge', 'timber'] as const
export type Trade = (typeof trades)[number]

/** What is sold by name, as it really measures: outside or width, wall or thickness; inches. Null = the name says nothing of it. */
type Real = { name: string; outsideIn: number | null; wallIn: number | null; heightIn?: number }

const pipe = (name: string, outsideIn: number, wallIn: number): Real => ({ name, outsideIn, wallIn })
const sheet = (list: [number, number][]): Real[] => list.map(([n, wallIn]) => ({ name: String(n), outsideIn: null, wallIn }))

/**
 * Pipe: ASME B36.10M, schedule 40. Conduit: electrical metallic tubing, ANSI C80.3. Steel sheet: Manufacturers' Standard Gage. Aluminium: Brown & Sharpe.
 * Stainless: United States Standard Gage. Softwood, dressed dry: American Softwood Lumber Standard PS 20.
 */
const sizes: Record<Trade, Real[]> = {
  pipe: [
    pipe('1/2', 0.84, 0.109),
    pipe('3/4', 1.05, 0.113),
    pipe('1', 1.315, 0.133),
    pipe('1 1/4', 1.66, 0.14),
    pipe('1 1/2', 1.9, 0.145),
    pipe('2', 2.375, 0.154),
  ],
  conduit: [
    pipe('1/2', 0.706, 0.042),
    pipe('3/4', 0.922, 0.049),
    pipe('1', 1.163, 0.057),
    pipe('1 1/4', 1.51, 0.065),
    pipe('1 1/2', 1.74, 0.065),
    pipe('2', 2.197, 0.065),
  ],
  'steel sheet gauge': sheet([
    [7, 0.1793],
    [10, 0.1345],
    [11, 0.1196],
    [12, 0.1046],
    [13, 0.0897],
    [14, 0.0747],
    [16, 0.0598],
    [18, 0.0478],
    [20, 0.0359],
    [22, 0.0299],
  ]),
  'aluminium gauge': sheet([
    [7, 0.1443],
    [10, 0.1019],
    [11, 0.0907],
    [12, 0.0808],
    [13, 0.072],
    [14, 0.0641],
    [16, 0.0508],
    [18, 0.0403],
    [20, 0.032],
    [22, 0.0253],
  ]),
  'stainless gauge': sheet([
    [7, 0.1875],
    [10, 0.1406],
    [11, 0.125],
    [12, 0.1094],
    [13, 0.0938],
    [14, 0.0781],
    [16, 0.0625],
    [18, 0.05],
    [20, 0.0375],
    [22, 0.0313],
  ]),
  timber: [
    { name: '1x4', outsideIn: 3.5, wallIn: null, heightIn: 0.75 },
    { name: '1x6', outsideIn: 5.5, wallIn: null, heightIn: 0.75 },
    { name: '2x2', outsideIn: 1.5, wallIn: null, heightIn: 1.5 },
    { name: '2x4', outsideIn: 3.5, wallIn: null, heightIn: 1.5 },
    { name: '2x6', outsideIn: 5.5, wallIn: null, heightIn: 1.5 },
    { name: '4x4', outsideIn: 3.5, wallIn: null, heightIn: 3.5 },
  ],
}

export type TradeSize = { outsideMm: number | null; wallMm: number | null; heightMm: number | null; clearMm: number | null }

/** What a name of the trade measures. mm. Throws `Impossible` for a name that trade does not have, with those it has. */
export function tradeSize(trade: Trade, name: string): TradeSize {
  const plain = name
    .trim()
    .replace(/["″]|\s*(in|inch|ga|gauge)\.?$/gi, '')
    .trim()
    .toLowerCase()
    .replace(/\s*×\s*/g, 'x')
  const found = sizes[trade].find((s) => s.name === plain)
  if (!found) throw new Impossible(`${trade} is not sold as “${name}” here: use ${sizes[trade].map((s) => s.name).join(', ')}`)
  const mm = (v: number | null | undefined) => (v == null ? null : v * MM_PER_INCH)
  const clear = found.outsideIn !== null && found.wallIn !== null ? found.outsideIn - 2 * found.wallIn : null
  return { outsideMm: mm(found.outsideIn), wallMm: mm(found.wallIn), heightMm: mm(found.heightIn), clearMm: mm(clear) }
}
