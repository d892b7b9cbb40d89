import { Impossible } from '../issue/impossible'

/** A band round a rounded rectangle: 2·(L + W) − (8 − 2·π)·r at the line it is measured on; its own middle lies half its thickness further out. mm */
export function bandLengthMm(
  lengthMm: number,
  widthMm: number,
  cornerMm: number,
  thicknessMm: number,
): { aroundMm: number; bandMm: number; cornersTakeMm: number } {
  if (2 * cornerMm > Math.min(lengthMm, widthMm))
    throw new Impossible(`corners of ${cornerMm} mm do not fit: ${Math.min(lengthMm, widthMm) / 2} mm or less`)
  const around = (out: number) => 2 * (lengthMm + widthMm + 4 * out) - (8 - 2 * Math.PI) * (cornerMm + out)
  return { aroundMm: around(0), bandMm: around(thicknessMm / 2), cornersTakeMm: (8 - 2 * Math.PI) * cornerMm }
}
