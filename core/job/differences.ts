import { pieceName } from '../pieces/piece'
import { figureText } from '../quantity/figureText'
import { moneyText } from '../quantity/money'
import type { DisplayUnits } from '../quantity/units'
import type { Job } from './job'

export type Difference = { where: string; mine: string; theirs: string }

/** Where two versions of a job differ, value by value, in the names that its people gave things and in their units. */
export function differences(mine: Job, theirs: Job, units: DisplayUnits): Difference[] {
  const out: Difference[] = []
  compare(mine, theirs, [], (path, a, b) =>
    out.push({ where: placeWords(path, [mine, theirs]), mine: valueWords(a, path, units), theirs: valueWords(b, path, units) }),
  )
  return out
}

type Path = (string | number)[]
function compare(a: unknown, b: unknown, path: Path, differ: (path: Path, a: unknown, b: unknown) => void): void {
  if (Object.is(a, b)) return
  if (a && b && typeof a === 'object' && typeof b === 'object' && Array.isArray(a) === Array.isArray(b)) {
    const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>]
    for (const key of new Set([...Object.keys(x), ...Object.keys(y)]))
      compare(x[key], y[key], [...path, Array.isArray(a) ? Number(key) : key], differ)
    return
  }
  differ(path, a, b)
}

/** “Crossbar rack: bar x 2”, “Equipment case: mass, least”: the nearest thing with a name, and the field as it is read. */
function placeWords(path: Path, jobs: Job[]): string {
  let [named, from] = ['', 0]
  path.forEach((_, i) => {
    const name = jobs
      .map((job) => nameOf(path.slice(0, i + 1).reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], job)))
      .find(Boolean)
    if (name) [named, from] = [name, i + 1]
  })
  const rest = path.slice(from).filter((k) => k !== 'params' && k !== 'value')
  const words = rest.map((k) => (typeof k === 'number' ? `${k + 1}` : keyWords(k))).join(' ')
  const text = named ? (words ? `${named}: ${words}` : named) : words
  return text.charAt(0).toUpperCase() + text.slice(1) || 'The job'
}

/** What people call a thing: its own name, a piece by its family where it has none. */
function nameOf(thing: unknown): string {
  if (!thing || typeof thing !== 'object' || Array.isArray(thing)) return ''
  if ('family' in thing && 'letter' in thing) return pieceName(thing as Job['pieces'][number])
  return 'name' in thing && typeof thing.name === 'string' ? thing.name : ''
}

const UNITS: Record<string, string> = { Mm: 'mm', Kg: 'kg', Kmh: 'km/h', Deg: '°', N: 'N' }
const suffix = /(Mm|KgM2|Kg|Kmh|Deg|Minor|Min|N)$/
const keyWords = (key: string): string =>
  key
    .replace(suffix, '')
    .replace(/([a-z0-9])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`)
    .trim()

function valueWords(value: unknown, path: Path, units: DisplayUnits): string {
  if (value === undefined) return 'not there'
  if (value === null || value === '') return value === null ? 'unknown' : 'empty'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') {
    const of = [...path].reverse().find((k) => typeof k === 'string' && suffix.test(k))
    const [end] = typeof of === 'string' ? (suffix.exec(of) ?? []) : []
    if (end === 'Minor') return moneyText(value)
    const unit = end ? UNITS[end] : undefined
    return unit ? figureText(value, unit, units) : String(value)
  }
  if (Array.isArray(value)) return `${value.length} ${value.length === 1 ? 'entry' : 'entries'}`
  if (typeof value === 'object') return nameOf(value) || 'there'
  const words = String(value)
  return words.length > 60 ? `${words.slice(0, 57)}…` : words
}
