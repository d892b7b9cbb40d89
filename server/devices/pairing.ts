import { randomInt } from 'node:crypto'
import type { Role } from './deviceStore'

/** Without letters that are read for one another. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'
const CODE_LENGTH = 8
const OPEN_MS = 10 * 60_000
/** So many wrong codes in a row, from wherever, and every open code is void: a guesser starts again against nothing. */
const MOST_WRONG = 5
const REST_MS = 60_000

export type Offer = { code: string; role: Role; until: string }

/** Codes that are shown at the desk and typed, or scanned, once. They live in memory, ten minutes at most. */
export function pairing(now: () => number = () => performance.now()) {
  const open = new Map<string, { role: Role; until: number }>()
  let wrong = 0
  let restUntil = 0
  return {
    offer: (role: Role): Offer => {
      const code = Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('')
      for (const [c, o] of open) if (o.until < now()) open.delete(c)
      open.set(code, { role, until: now() + OPEN_MS })
      return { code, role, until: new Date(Date.now() + OPEN_MS).toISOString() }
    },
    /** The role that a code gives, once; 'wait' while there were too many wrong ones. */
    redeem: (typed: string): Role | null | 'wait' => {
      if (now() < restUntil) return 'wait'
      const code = typed.toUpperCase().replace(/[^A-Z0-9]/g, '')
      const offer = open.get(code)
      if (offer && offer.until >= now()) {
        open.delete(code)
        wrong = 0
        return offer.role
      }
      if (++wrong >= MOST_WRONG) {
        wrong = 0
        open.clear()
        restUntil = now() + REST_MS
        return 'wait'
      }
      return null
    },
  }
}
export type Pairing = ReturnType<typeof pairing>
