/**
 * What this browser keeps for itself. It may forbid that, or be full: then nothing here throws, and whoever needs to know is told by the answer.
 */
export function remember(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text)
    return true
  } catch {
    return false
  }
}
export function recall(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}
export function forget(key: string): void {
  try {
    localStorage.removeItem(key)
  } catch {
    // what could not be kept need not be forgotten
  }
}
export function keysOf(prefix: string): string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '').filter((k) => k.startsWith(prefix))
  } catch {
    return []
  }
}
