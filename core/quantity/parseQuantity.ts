import { type Dimension, defaultUnit, KG_PER_POUND, MM_PER_INCH, UNIT_WORDS, type UnitSystem } from './units'

export type Parsed = { ok: true; value: number } | { ok: false; message: string }

/**
 * Reads what an outfitter types: `61 5/8`, `5' 1-5/8"`, `5ft 1.625in`, `1.57 m`, `2 1/4 lb`, `84 - 2*1 3/4`.
 * Returns the value in the core's unit (mm, kg, N, degrees, km/h, mm/min). A number without a unit takes the job's unit.
 * `5-1/2` without spaces round the dash is five and a half, as on a shop drawing; `5 - 1/2` is a sum.
 * A wrong text says which piece could not be read; nothing is guessed.
 */
export function parseQuantity(text: string, dimension: Dimension, system: UnitSystem): Parsed {
  try {
    const reader = new Reader(tokens(tidy(text)), dimension, system)
    const term = reader.sum()
    reader.expectEnd()
    const value = term.united ? term.value : term.value * reader.bare
    if (!Number.isFinite(value)) throw new Unreadable('the sum has no finite answer')
    return { ok: true, value }
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, message: error.message }
    throw error
  }
}

class Unreadable extends Error {}

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
}

function tidy(text: string): string {
  let out = text.trim().normalize('NFC')
  if (out === '') throw new Unreadable('nothing was typed; type a number such as 1565 or 61 5/8')
  if (out.length > 120) throw new Unreadable('the text is too long; type one number or a short sum')
  out = out.replace(/[½¼¾⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c]}`)
  out = out.replace(/[″”“]/g, '"').replace(/''/g, '"').replace(/[′’‘]/g, "'").replace(/[×]/g, '*').replace(/[−–]/g, '-')
  const grouped = /\d,\d{3}(?!\d)/.exec(out)
  if (grouped)
    throw new Unreadable(`could not tell whether the comma in “${grouped[0]}” marks thousands or decimals; leave it out or use a point`)
  out = out.replace(/('|ft)-(?=\d)/g, '$1 ') // 5'-1" is a drawing's way to write 5' 1", not a sum
  return out.replace(/(\d),(\d)/g, '$1.$2')
}

type Token = { kind: 'number'; value: number; text: string } | { kind: 'unit'; text: string } | { kind: 'sign'; text: string }

const PATTERN =
  /\s*(?:(\d+)(?:\s+|-)(\d+)\s*\/\s*(\d+)|(\d+)\/(\d+)|(\d+(?:\.\d*)?|\.\d+)(?:[eE]([+-]?\d+))?|(km\/h|m\/s|(?:mm|m|in)\/min|[A-Za-zµ°]+|["'])|([-+*/()]))/y

function tokens(text: string): Token[] {
  const found: Token[] = []
  let at = 0
  while (at < text.length) {
    if (/^\s*$/.test(text.slice(at))) break
    PATTERN.lastIndex = at
    const match = PATTERN.exec(text)
    if (!match) throw new Unreadable(`could not read “${text.slice(at).trim()}”`)
    at = PATTERN.lastIndex
    const [whole, mixed, over = '', under = '', top, bottom = '', decimal, exponent, unit, sign = ''] = match
    if (mixed !== undefined) found.push({ kind: 'number', value: Number(mixed) + ratio(over, under), text: whole.trim() })
    else if (top !== undefined) found.push({ kind: 'number', value: ratio(top, bottom), text: whole.trim() })
    else if (decimal !== undefined)
      found.push({ kind: 'number', value: Number(decimal + (exponent ? `e${exponent}` : '')), text: whole.trim() })
    else if (unit !== undefined) found.push({ kind: 'unit', text: unit })
    else found.push({ kind: 'sign', text: sign })
  }
  return found
}

function ratio(top: string, bottom: string): number {
  if (Number(bottom) === 0) throw new Unreadable(`“${top}/${bottom}” divides by zero`)
  return Number(top) / Number(bottom)
}

type Term = { value: number; united: boolean }

/** Recursive descent over sums of products; lengths may be scaled by plain numbers but not multiplied together. */
class Reader {
  private at = 0
  private depth = 0
  readonly bare: number

  constructor(
    private readonly list: Token[],
    private readonly dimension: Dimension,
    system: UnitSystem,
  ) {
    this.bare = UNIT_WORDS[dimension][defaultUnit(dimension, system)] ?? 1
  }

  expectEnd() {
    const rest = this.list[this.at]
    if (rest) throw new Unreadable(`could not read “${rest.text}” after the number`)
  }

  sum(): Term {
    let left = this.product()
    for (let sign = this.sign('+-'); sign; sign = this.sign('+-')) {
      const right = this.product()
      const [a, b] = this.alike(left, right)
      left = { value: sign === '+' ? a.value + b.value : a.value - b.value, united: a.united }
    }
    return left
  }

  private product(): Term {
    let left = this.factor()
    for (let sign = this.sign('*/'); sign; sign = this.sign('*/')) {
      const right = this.factor()
      if (sign === '*') {
        if (left.united && right.united) throw new Unreadable('two measures cannot be multiplied; one of them must be a plain number')
        left = { value: left.value * right.value, united: left.united || right.united }
      } else {
        if (right.value === 0) throw new Unreadable('the sum divides by zero')
        if (right.united) throw new Unreadable('a measure cannot be divided by a measure; divide by a plain number')
        left = { value: left.value / right.value, united: left.united }
      }
    }
    return left
  }

  private factor(): Term {
    if (this.sign('-')) {
      const inner = this.factor()
      return { value: -inner.value, united: inner.united }
    }
    if (this.sign('(')) {
      if (++this.depth > 20) throw new Unreadable('too many brackets')
      const inner = this.sum()
      if (!this.sign(')')) throw new Unreadable('a bracket is not closed')
      return inner
    }
    return this.measure()
  }

  /** A number with an optional unit, and for feet an inch part after it: 5' 1 5/8". */
  private measure(): Term {
    const number = this.next('number')
    const unit = this.peekUnit()
    if (!unit) return { value: number.value, united: false }
    let value = number.value * this.factorOf(unit)
    if ((this.dimension === 'length' || this.dimension === 'gauge') && this.factorOf(unit) === UNIT_WORDS.length.ft) {
      const inches = this.list[this.at]
      const after = this.list[this.at + 1]
      const inchUnit = after?.kind === 'unit' && UNIT_WORDS.length[after.text.toLowerCase()] === MM_PER_INCH
      const closes = after === undefined || after.kind === 'sign'
      if (inches?.kind === 'number' && (inchUnit || closes)) {
        value += inches.value * MM_PER_INCH
        this.at += inchUnit ? 2 : 1
      }
    }
    if (this.dimension === 'mass' && this.list[this.at]?.kind === 'number' && this.list[this.at + 1]?.text === 'oz') {
      value += (this.list[this.at] as { value: number }).value * (KG_PER_POUND / 16)
      this.at += 2
    }
    return { value, united: true }
  }

  private alike(a: Term, b: Term): [Term, Term] {
    if (a.united === b.united) return [a, b]
    const lift = (t: Term): Term => (t.united ? t : { value: t.value * this.bare, united: true })
    return [lift(a), lift(b)]
  }

  private factorOf(unit: string): number {
    const words = UNIT_WORDS[this.dimension]
    const factor = words[unit] ?? words[unit.toLowerCase()]
    if (factor === undefined) {
      const known = Object.keys(words).slice(0, 8).join(', ')
      throw new Unreadable(`“${unit}” is not a unit of ${this.dimension}${known ? `; use ${known}` : ''}`)
    }
    return factor
  }

  private peekUnit(): string | null {
    const token = this.list[this.at]
    if (token?.kind !== 'unit') return null
    this.at++
    return token.text
  }

  private next(kind: 'number'): Extract<Token, { kind: 'number' }> {
    const token = this.list[this.at]
    if (token?.kind !== kind)
      throw new Unreadable(
        token ? `could not read “${token.text}”; a number was expected there` : 'the text ends where a number was expected',
      )
    this.at++
    return token
  }

  private sign(oneOf: string): string | null {
    const token = this.list[this.at]
    if (token?.kind !== 'sign' || !oneOf.includes(token.text)) return null
    this.at++
    return token.text
  }
}
