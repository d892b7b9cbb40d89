import type { Job } from './job'

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

/**
 * What a client agrees to: vehicle, pieces, what is carried and how, in one short mark. What the shop notes, ticks or plans does not change it, nor who the
 * client is and what he meant to spend.
 */
export function designMark({ vehicle, pieces, brief, anchors, stops, struts }: Job): string {
  const { clientName, contact, budgetMinor, readyMadeMinor, readyMadeNote, asked, ...use } = brief
  const text = JSON.stringify({ vehicle, pieces, use, anchors, stops, struts }, inOrder)
  return hash(text, 0x811c9dc5) + hash(text, 0x01234567)
}
