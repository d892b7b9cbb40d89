import { useQuery } from '@tanstack/react-query'
import { ApiError, call } from '../api/client'

export type Kept = { folder: string | null; backups: { day: string; bytes: number; at: string }[]; fault: string | null }
const DAY_MS = 86_400_000
/** A shop loses so much work at most before it is told. */
const OLD_DAYS = 2
/** Two machines' clocks differ so much; what is dated later says nothing of how much work is safe. */
const CLOCK_MS = 5 * 60_000

export const useBackups = () =>
  useQuery({
    queryKey: ['keeping'],
    queryFn: () => call<Kept>('/keeping'),
    staleTime: 60_000,
    // the first one of a new shop is being made while the page opens
    refetchInterval: ({ state }) => (state.data?.folder && !state.data.backups.length && !state.data.fault ? 2_000 : 10 * 60_000),
  })

const daysOld = (kept: Kept, now: number): number | null => {
  const newest = Math.max(...kept.backups.map((b) => Date.parse(b.at)).filter((at) => at < now + CLOCK_MS))
  return Number.isFinite(newest) ? Math.max(0, Math.floor((now - newest) / DAY_MS)) : null
}
export function ageText(kept: Kept, now = Date.now()): string {
  const days = daysOld(kept, now)
  if (days === null && kept.backups.length) return 'The backups are dated later than now: look at the clocks.'
  if (days === null) return 'There is no backup yet.'
  return `The newest is ${days === 0 ? 'from today' : days === 1 ? 'a day old' : `${days} days old`}.`
}
/** What to say wherever people are, when backups are missing or failing; null when all is well, or when it is not this device's business. */
export function backupTrouble(kept: Kept | undefined, error: Error | null, now = Date.now()): string | null {
  if (error instanceof ApiError || !kept?.folder) return null
  const days = daysOld(kept, now)
  if (kept.fault) return `The last backup failed: ${kept.fault}`
  return (days === null && kept.backups.length) || (days !== null && days >= OLD_DAYS)
    ? `${ageText(kept, now)} Look at The shop, Backups.`
    : null
}
