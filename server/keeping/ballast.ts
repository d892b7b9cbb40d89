import { existsSync, rmSync, writeFileSync } from 'node:fs'
import { sqliteCode } from './storeFaults'

const BALLAST_BYTES = 2_000_000

/** Room held back on the disk, for when there is no other: to take something away, a database must first write that it is gone. */
export function ballast(databaseFile: string) {
  const file = databaseFile === ':memory:' ? null : `${databaseFile}.ballast`
  const lay = () => {
    if (!file || existsSync(file)) return
    try {
      writeFileSync(file, Buffer.alloc(BALLAST_BYTES))
    } catch {
      // half of it would only take room away
      rmSync(file, { force: true })
    }
  }
  lay()
  return {
    /** Takes something away, with the room held back where there is no other. */
    removing: async <T>(work: () => Promise<T>): Promise<T> => {
      try {
        return await work()
      } catch (error) {
        const full = /^SQLITE_(FULL|IOERR)/.test(sqliteCode(error) ?? '')
        if (!full || !file || !existsSync(file)) throw error
        rmSync(file, { force: true })
        return await work()
      }
    },
    /** Held back again, once there is room. */
    lay,
  }
}
export type Ballast = ReturnType<typeof ballast>
