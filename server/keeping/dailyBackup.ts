import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { localDay } from '../../core/time/localDay'
import type { Workshop } from '../workshop/workshop'

/** So many days are kept. */
export const DAYS_KEPT = 14
const LOOK_EVERY_MS = 10 * 60_000
const NAME = /^tideline-(\d{4}-\d{2}-\d{2})\.sqlite$/

export type Kept = { folder: string | null; backups: { day: string; bytes: number; at: string }[]; fault: string | null }

/** A backup a day, beside the database, made by a thread while the shop works; the oldest go when there are more than two weeks of them. */
export function dailyBackup(database: string, workshop: Workshop, log: (error: unknown) => void, today = () => localDay()) {
  const folder = database === ':memory:' ? null : join(dirname(database), 'backups')
  let fault: string | null = null
  let running: Promise<void> | null = null
  let timer: ReturnType<typeof setInterval> | null = null

  const list = (): Kept['backups'] => {
    if (!folder || !existsSync(folder)) return []
    return readdirSync(folder)
      .flatMap((file) => {
        const day = NAME.exec(file)?.[1]
        if (!day) return []
        const { size, mtime } = statSync(join(folder, file))
        return [{ day, bytes: size, at: mtime.toISOString() }]
      })
      .sort((a, b) => b.day.localeCompare(a.day))
  }
  const fileOf = (day: string) => join(folder as string, `tideline-${day}.sqlite`)
  const make = async (): Promise<void> => {
    if (!folder) return
    try {
      mkdirSync(folder, { recursive: true })
      const to = fileOf(today())
      const running = workshop.run({ kind: 'backup', database, to }, { turn: 'background' })
      if (!running) throw new Error('too much was waiting; it is tried again in ten minutes')
      await running
      for (const old of list().slice(DAYS_KEPT)) rmSync(fileOf(old.day), { force: true })
      // a day has one backup: what it replaced goes
      for (const file of readdirSync(folder)) if (/\.sqlite\.\d+$/.test(file)) rmSync(join(folder, file), { force: true })
      fault = null
    } catch (error) {
      log(error)
      fault = (error instanceof Error ? error.message : String(error)).split('\n')[0] ?? 'no reason was given'
    }
  }
  const once = (): Promise<void> => {
    running ??= make().finally(() => {
      running = null
    })
    return running
  }
  const look = () => void (list().some((b) => b.day === today()) ? undefined : once())
  return {
    start: () => {
      if (!folder) return
      look()
      timer = setInterval(look, LOOK_EVERY_MS)
      timer.unref()
    },
    /** Makes one now, whatever there is; today's is replaced once the new one is whole. */
    now: once,
    kept: (): Kept => ({ folder, backups: list(), fault }),
    fileOf: (day: string): string | null => (list().some((b) => b.day === day) ? fileOf(day) : null),
    close: async () => {
      if (timer) clearInterval(timer)
      await running
    },
  }
}
export type DailyBackup = ReturnType<typeof dailyBackup>
