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

/** What goes into a formula: its value (null = nobody knows), its unit, and what people call it. */
export type Input = readonly [value: number | null, unit: string, name: string]
/** Inputs by the formula's own letters; a list is a sum's or a maximum's, shown as m1, m2 … */
export type Inputs = Record<string, Input | readonly Input[]>
/** The same letters as the formula gets them: known numbers, and lists of them. */
export type Known<W extends Inputs> = { [K in keyof W]: W[K] extends Input ? number : number[] }

type Given<W extends Inputs> = Pick<Figure, 'id' | 'name' | 'unit' | 'formula' | 'source'> & {
  with: W
  assumes?: string[]
  notes?: string[]
  /** what else must be known before the figure means anything, by name */
  lacks?: readonly string[]
  range?: [number, number]
}

const isList = (i: Input | readonly Input[]): i is readonly Input[] => i.length === 0 || Array.isArray(i[0])

/**
 * Builds a figure. The formula gets the very inputs that are shown, by their letters, so that the working cannot differ from the value; it is
 * only called when every one of them is known, and any unknown makes the value unknown and is named.
 */
export function figure<const W extends Inputs>(given: Given<W>, formula: (known: Known<W>) => number): Figure {
  const { with: inputs, lacks = [], range, assumes = [], ...rest } = given
  const shown = Object.entries(inputs).flatMap(([symbol, i]) =>
    isList(i) ? i.map((one, k) => row(`${symbol}${k + 1}`, one)) : [row(symbol, i)],
  )
  const asked = lacks.map((name) => row('?', [null, '', name]))
  const missing = [...shown, ...asked].filter((i) => i.value === null).map((i) => i.name)
  const known = Object.fromEntries(Object.entries(inputs).map(([symbol, i]) => [symbol, isList(i) ? i.map(([v]) => v) : i[0]]))
  const value = missing.length ? null : formula(known as Known<W>)
  return { ...rest, assumes, with: [...shown, ...asked], missing, value, ...(value !== null && range ? { range } : {}) }
}

const row = (symbol: string, [value, unit, name]: Input): Figure['with'][number] => ({ symbol, name, value, unit })

export const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0)

/** A figure that is as given: a rating, a rule, a count. */
export const given = (
  of: Pick<Figure, 'id' | 'name' | 'unit' | 'source'> & { symbol: string; input: Input; formula?: string; assumes?: string[] },
): Figure =>
  figure(
    {
      id: of.id,
      name: of.name,
      unit: of.unit,
      formula: of.formula ?? 'as given',
      source: of.source,
      assumes: of.assumes ?? [],
      with: { [of.symbol]: of.input },
    },
    (known) => known[of.symbol] as number,
  )

/** The shop's own number: no book behind it, editable on the Rules shelf. */
export const SHOP_RULE = "Shop's own rule, editable under Rules"
