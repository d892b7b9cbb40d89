/** One line of a program: the letters it gives figures for, and its codes in their order. */
export type ProgramLine = { codes: string[]; words: Map<string, number> }

const WORDS = new Set(['G', 'M', 'X', 'Y', 'I', 'J', 'F', 'P', 'N', 'S', 'T', 'Z'])
const CODES = new Set(['G0', 'G1', 'G2', 'G3', 'G4', 'G17', 'G20', 'G21', 'G40', 'G90', 'M2', 'M3', 'M5', 'M30'])

/** A line of ISO 6983 as a table reads it; null = nothing stands in it, a string = what was expected instead. */
export function readLine(raw: string): ProgramLine | string | null {
  const text = raw
    .replace(/\([^)]*\)/g, '')
    .replace(/;.*$/, '')
    .trim()
  if (!text || text === '%') return null
  const found = [...text.matchAll(/([A-Za-z])\s*([-+]?[\d.]+)/g)].map((m) => [m[1]!.toUpperCase(), Number(m[2])] as const)
  if (!found.length || /[^A-Za-z0-9.+\-\s]/.test(text)) return 'words of a letter and a number'
  const line: ProgramLine = { codes: [], words: new Map() }
  for (const [letter, figure] of found) {
    const word = `${letter}${figure}`
    if (!WORDS.has(letter) || !Number.isFinite(figure)) return `a word this table knows: not ${word}`
    if (letter !== 'G' && letter !== 'M') line.words.set(letter, figure)
    else if (CODES.has(word)) line.codes.push(word)
    else return `a code this table knows: not ${word}`
  }
  return line
}
