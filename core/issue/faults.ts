import type { z } from 'zod'

/** Where an outside text broke, and what was expected there. Nothing of it is kept. */
export type Fault = { where: string; expected: string }
export type Read<T> = { ok: true; value: T } | { ok: false; faults: Fault[] }

export const MAX_FILE_BYTES = 2_000_000

/** Zod's findings as one line each: the path as people write it, and what was expected there. */
export const faultsOf = (error: z.ZodError): Fault[] =>
  error.issues.slice(0, 50).map((i) => ({ where: pathText(i.path), expected: i.message }))

export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, step) => (typeof step === 'number' ? `${text}[${step}]` : text ? `${text}.${String(step)}` : String(step)),
    '',
  ) || 'the whole'

/** Nothing of ours nests deeper; what does is meant to break a reader. */
const MAX_DEPTH = 64

/** Whether a JSON text nests deeper than anything of ours. Brackets inside strings do not count. */
export function tooDeep(text: string): boolean {
  let [depth, quoted] = [0, false]
  for (let i = 0; i < text.length; i++) {
    const c = text[i]
    if (quoted) {
      if (c === '\\') i++
      else if (c === '"') quoted = false
    } else if (c === '"') quoted = true
    else if (c === '[' || c === '{') {
      if (++depth > MAX_DEPTH) return true
    } else if (c === ']' || c === '}') depth--
  }
  return false
}

/** Reads JSON and says line and column where it breaks. */
export function readJson(text: string, mostBytes = MAX_FILE_BYTES): Read<unknown> {
  if (text.length > mostBytes) return { ok: false, faults: [{ where: 'the whole', expected: `a file of ${mostBytes / 1e6} MB or less` }] }
  if (tooDeep(text)) return { ok: false, faults: [{ where: 'the whole', expected: `JSON nested no deeper than ${MAX_DEPTH}` }] }
  try {
    return { ok: true, value: JSON.parse(text) }
  } catch (error) {
    const message = error instanceof Error ? error.message : ''
    const at = /position (\d+)/.exec(message)
    const offset = at ? Number(at[1]) : text.length
    const before = text.slice(0, offset).split('\n')
    return {
      ok: false,
      faults: [{ where: `line ${before.length}, column ${before[before.length - 1]!.length + 1}`, expected: 'well-formed JSON' }],
    }
  }
}
