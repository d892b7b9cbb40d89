import type { z } from 'zod'
import type { Tools } from './tools'

/**
 * One calculation, registered once: form, HTTP, command line, worker and help page all read this entry.
 * `run` is pure but for the solver handed in. It throws `Impossible` (core/issue) when the input is well formed and no answer exists.
 */
export type Calculator<I extends z.ZodType = z.ZodType, O extends z.ZodType = z.ZodType> = {
  name: string
  title: string
  about: string
  formula: string
  source: string
  input: I
  output: O
  example: z.input<I>
  /** it asks the solver, which the others need not wait for */
  searches?: true
  run: (given: z.output<I>, tools: Tools) => z.output<O>
}

export const calculator = <I extends z.ZodType, O extends z.ZodType>(c: Calculator<I, O>): Calculator<I, O> => c
