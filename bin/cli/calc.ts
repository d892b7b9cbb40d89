import type { Calculator } from '../../core/calculator/calculator'
import type { Tools } from '../../core/calculator/tools'
import { calculate, calculatorOf, calculators, inputJsonSchema } from '../../core/calculators/registry'
import { MAX_FILE_BYTES, readJson } from '../../core/issue/faults'
import { highsTools } from '../../core/nesting/highsTools'
import { faultLines, type Io, Stop, utf8, wrong } from './stop'

type Asked = { list: boolean; schema?: string | undefined; example?: string | undefined }

/** One calculation of the registry, its input on standard input; or what there is, its schema, its example. */
export async function calc(io: Io, name: string | undefined, values: Asked): Promise<void> {
  const known = (n: string) =>
    calculatorOf(n) ?? wrong(`NAME: “${n}” is not a calculator; there are ${calculators.map((c) => c.name).join(', ')}`)
  const print = (value: unknown) => io.out(`${JSON.stringify(value, null, 2)}\n`)
  if (values.list) {
    for (const c of calculators) io.out(`${c.name.padEnd(16)}${c.title}\n`)
    return
  }
  if (values.schema !== undefined) return void print(inputJsonSchema(known(values.schema)))
  if (values.example !== undefined) return void print(known(values.example).example)
  const calculator = known(name ?? wrong('NAME: name a calculator, or use --list'))
  const bytes = io.stdin()
  if (bytes.length > MAX_FILE_BYTES) return wrong(`the whole: an input of ${MAX_FILE_BYTES / 1e6} MB or less`)
  const json = readJson(utf8(bytes))
  if (!json.ok) return wrong(...faultLines(json.faults))
  const answer = calculate(calculator, json.value, await toolsFor(calculator))
  if (!answer.ok) throw new Stop(answer.kind === 'impossible' ? 3 : 2, faultLines(answer.faults))
  print(answer.value)
}

/** The solver where the calculation asks it; it takes longer to load than most calculations do. */
async function toolsFor(calculator: Calculator): Promise<Tools> {
  const now = () => performance.now()
  if (!calculator.searches)
    return {
      now,
      solve: () => {
        throw new Error(`${calculator.name} asks the solver: mark it so`)
      },
    }
  const { default: load } = await import('highs')
  return highsTools(await load(), now)
}
