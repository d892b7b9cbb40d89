import { z } from 'zod'

/** A number a person relies on, with the working that produced it. A value with an unknown input is null, never zero. */
export const FigureSchema = z.object({
  id: z.string(),
  name: z.string(),
  value: z.number().nullable(),
  /** least and greatest, when an input is an estimate */
  range: z.tuple([z.number(), z.number()]).optional(),
  unit: z.string(),
  formula: z.string(),
  with: z.array(z.object({ symbol: z.string(), name: z.string(), value: z.number().nullable(), unit: z.string() })),
  source: z.string(),
  assumes: z.array(z.string()),
  /** what follows from it, said beside it; lengths in braces, mm */
  notes: z.array(z.string()).optional(),
  missing: z.array(z.string()),
})
export type Figure = z.infer<typeof FigureSchema>
export type Input = Figure['with'][number]

export const input = (symbol: string, name: string, value: number | null, unit: string): Input => ({ symbol, name, value, unit })

/**
 * Builds a figure; any null among its inputs makes the value unknown and names what is missing.
 * `compute` is only called when every input is known.
 */
export function figure(
  given: Pick<Figure, 'id' | 'name' | 'unit' | 'formula' | 'source'> & {
    with: Input[]
    assumes?: string[]
    notes?: string[]
    range?: [number, number]
  },
  compute: () => number,
): Figure {
  const missing = given.with.filter((i) => i.value === null).map((i) => i.name)
  const value = missing.length ? null : compute()
  const { range, ...rest } = given
  return { ...rest, assumes: given.assumes ?? [], missing, value, ...(value !== null && range ? { range } : {}) }
}

/** The shop's own number: no book behind it, editable on the Rules shelf. */
export const SHOP_RULE = "Shop's own rule, editable under Rules"
