import { formatGauge, formatLength } from '../quantity/formatQuantity'
import type { DisplayUnits } from '../quantity/units'
import type { Dimension } from './sheet'

/** What stands on a dimension line: its label and length, as fine as the tape reads, or as the brake is set. */
export const dimensionText = (d: Dimension, units: DisplayUnits): string =>
  `${d.label ? `${d.label} ` : ''}${d.fine ? formatGauge(d.lengthMm, units) : formatLength(d.lengthMm, units)}`
