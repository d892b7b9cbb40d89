import { calculator } from '../calculator/calculator'
import { BarNestingInput, BarNestingOutput, barNestingExample } from './barNesting'
import { nestBars } from './nestBars'

export const barNestingCalculator = calculator({
  name: 'bar-nesting',
  title: 'Bar nesting',
  about: 'Least-cost cutting of parts from stock lengths and remnants, with saw kerf and end trim; says when the plan is proven best.',
  formula: 'min Σ price, each bar: Σ length + kerf·(n − 1) ≤ stock − 2·trim',
  source: 'Gilmore & Gomory (1961, 1963), column generation; integer programme closed over every pattern within the gap',
  input: BarNestingInput,
  output: BarNestingOutput,
  example: barNestingExample,
  searches: true,
  run: (given, tools) => nestBars(given, tools),
})
