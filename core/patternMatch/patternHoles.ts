import { z } from 'zod'
import { any, positive } from '../calculator/fields'

/** Holes of a part as a calculator is given them. mm */
export const patternHoles = (title: string) =>
  z
    .array(z.object({ xMm: any('Along'), yMm: any('Across'), diameterMm: positive('Hole', 'mm', 200) }))
    .min(1, 'one hole at least')
    .max(60, 'sixty holes at most')
    .meta({ title })
