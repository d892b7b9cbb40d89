import { parseSync } from 'vite'

/** One fault: where it is planted, what stood there and what stands there instead. */
export type Fault = { file: string; line: number; start: number; end: number; was: string; is: string }

const SWAPS: Record<string, string> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '>=',
  '>': '<=',
  '<=': '>',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
}
const CALLS: Record<string, string> = { max: 'min', min: 'max', some: 'every', every: 'some', ceil: 'floor', floor: 'ceil' }

/** What is read of a syntax tree (ESTree): the kind of each node, where it stands, and the few fields that faults look at. */
type Node = { type: string; start: number; end: number; [field: string]: unknown }
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && typeof (value as Node).type === 'string'

/** Every fault that could be planted in a file: an operator turned, a bound swapped, a factor off by half. */
export function faultsIn(file: string, text: string): Fault[] {
  const out: Fault[] = []
  const plant = (start: number, end: number, is: string) =>
    out.push({ file, line: text.slice(0, start).split('\n').length, start, end, was: text.slice(start, end), is })
  const visit = (node: Node): void => {
    // what a message says is not what is computed, and types compute nothing
    if (node.type === 'TemplateLiteral' || (node.type.startsWith('TS') && !/NonNull|As|Satisfies/.test(node.type))) return
    const { left, right, operator, callee } = node
    if (/^(Binary|Logical)Expression$/.test(node.type) && isNode(left) && isNode(right) && typeof operator === 'string') {
      const words = [left, right].some((n) => n.type === 'Literal' && typeof n.value === 'string' && operator === '+')
      const at = text.indexOf(operator, left.end)
      const swap = SWAPS[operator]
      if (swap && !words) plant(at, at + operator.length, swap)
      if ('+-*/'.includes(operator))
        for (const n of [left, right]) if (typeof n.value === 'number' && n.value >= 0.01) plant(n.start, n.end, String(n.value * 1.5))
    }
    if (node.type === 'CallExpression' && isNode(callee) && isNode(callee.property)) {
      const { name, start, end } = callee.property
      const other = CALLS[String(name)]
      // the bounds of a schema are `max` and `min` too, and are what files are refused by, not what is computed
      const bound = /^(max|min)$/.test(String(name)) && !(isNode(callee.object) && callee.object.name === 'Math')
      if (other && !bound) plant(start, end, other)
    }
    for (const value of Object.values(node)) for (const child of Array.isArray(value) ? value : [value]) if (isNode(child)) visit(child)
  }
  visit(parseSync(file, text).program as unknown as Node)
  return out
}
