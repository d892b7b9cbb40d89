import { figureText } from '../quantity/figureText'
import type { DisplayUnits } from '../quantity/units'
import type { Need } from './needs'

/** US liquid quarts in a litre. */
const QUARTS = 1.056688

/** How much of something is needed, as one asks for it: sections in metres or feet, sheet in square metres or feet, coats in litres or quarts, the rest counted. */
export function amountText(quantity: number, unit: Need['unit'], units: DisplayUnits): string {
  if (unit === 'piece') return `${Math.round(quantity)}`
  if (unit === 'l') return units.system === 'metric' ? `${quantity.toFixed(1)} l` : `${(quantity * QUARTS).toFixed(1)} qt`
  if (unit === 'mm²') return figureText(quantity / 1e6, 'm²', units)
  return units.system === 'metric' ? `${(quantity / 1000).toFixed(2)} m` : `${(quantity / 304.8).toFixed(1)} ft`
}
