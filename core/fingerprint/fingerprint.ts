/** FNV-1a, 32 bits (Fowler, Noll & Vo), from two starts. */
function hash(text: string, start: number): string {
  let h = start >>> 0
  for (let i = 0; i < text.length; i++) {
    h ^= text.charCodeAt(i)
    h = Math.imul(h, 0x01000193) >>> 0
  }
  return h.toString(16).padStart(8, '0')
}

/** The same words for the same things, in whatever order their names were written. */
const inOrder = (_key: string, value: unknown): unknown =>
  value && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value

/** Sixteen letters by which a thing is known again: another thing gives others, save by a chance of one in 64 bits. */
export function fingerprint(of: unknown): string {
  const text = JSON.stringify(of, inOrder)
  return hash(text, 0x811c9dc5) + hash(text, 0x01234567)
}
