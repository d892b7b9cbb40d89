/** This window, for as long as it is open. Others can see that it lives by the lock it holds. */
export const ownTab = Math.random().toString(36).slice(2, 10)
const LOCK = 'tideline.tab.'

// lent to http on a shop's own network too, locks are not there: then nobody is known to live
const locks = (): LockManager | undefined => (typeof navigator === 'undefined' ? undefined : navigator.locks)
void locks()?.request(LOCK + ownTab, () => new Promise(() => undefined))

/** The windows of this browser that are open now. */
export async function livingTabs(): Promise<Set<string>> {
  const held = (await locks()?.query())?.held ?? []
  return new Set([ownTab, ...held.flatMap((l) => (l.name?.startsWith(LOCK) ? [l.name.slice(LOCK.length)] : []))])
}
