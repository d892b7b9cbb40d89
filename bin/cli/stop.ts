import type { Fault } from '../../core/issue/faults'

/** Where a command reads and writes: the terminal, or what a test hands in. */
export type Io = { stdin: () => Buffer; out: (text: string) => void }

/** Ends a command. Exit codes: 2 bad input, 3 no answer exists, 1 anything else. */
export class Stop extends Error {
  constructor(
    readonly code: number,
    readonly lines: string[],
  ) {
    super(lines[0])
  }
}
export const wrong = (...lines: string[]): never => {
  throw new Stop(2, lines)
}
export const faultLines = (faults: Fault[]): string[] => faults.map((f) => `${f.where}: ${f.expected}`)

export function utf8(bytes: Buffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return wrong('the whole: text in UTF-8')
  }
}
