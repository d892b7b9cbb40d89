import { fingerprint } from '../fingerprint/fingerprint'
import type { Job } from './job'

/**
 * What a client agrees to: vehicle, pieces, what is carried and how, in one short mark. What the shop notes, ticks or plans does not change it, nor who the
 * client is and what he meant to spend.
 */
export function designMark({ vehicle, pieces, brief, anchors, stops, struts }: Job): string {
  const { clientName, contact, budgetMinor, readyMadeMinor, readyMadeNote, asked, ...use } = brief
  return fingerprint({ vehicle, pieces, use, anchors, stops, struts })
}
