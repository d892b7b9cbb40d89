import type { Apart, BoltReach } from '../reach/takeApart'
import { type BuildStep, step } from './step'

type Reach = Pick<Apart, 'bolts' | 'welds' | 'captives'> | null | undefined

const MOST = 4
/** A list in a line, the first few of it. */
export const inWords = (list: string[]): string => {
  const once = [...new Set(list)]
  return `${once.slice(0, MOST).join('; ')}${once.length > MOST ? `; and ${once.length - MOST} more` : ''}`
}

const byNames = (b: Pick<BoltReach, 'by'>): string => [...new Set(b.by.map((x) => x.name))].join(' and ')

/** Bolts that no tool gets to once the rest is there: tightened on the bench, or before that goes on. */
export function tightenedFirst(reach: Reach): BuildStep[] {
  const late = (reach?.bolts ?? []).filter((b) => b.when === 'bench' || b.when === 'off')
  if (!late.length) return []
  const words = late.map((b) => `${b.name}${b.when === 'bench' ? ' on the bench' : ''}${b.by.length ? ` before ${byNames(b)}` : ''}`)
  return [
    step('tighten-first', 'Tighten what is shut in later', inWords(words), {
      minutes: 2 * late.reduce((s, b) => s + b.count, 0),
      tools: ['torque wrench'],
      caution: 'What cannot be got at again is locked, not only tightened.',
      needs: ['assemble', 'straighten', 'powder', 'paint', 'fold'],
      gate: true,
    }),
  ]
}

/** Nuts into slots that something shuts: before that is put on. */
export function nutsFirst(reach: Reach): BuildStep[] {
  const captives = reach?.captives ?? []
  if (!captives.length) return []
  return [
    step(
      'nuts',
      'Slide the nuts into their slots',
      inWords(captives.map((c) => `${c.nuts} into ${c.name} before ${byNames({ by: c.before })}`)),
      {
        minutes: captives.reduce((s, c) => s + c.nuts, 0) / 4,
        tools: ['tape to hold them where they go'],
        needs: ['cut', 'drill'],
        gate: true,
      },
    ),
  ]
}

/** What must be open or off before some bolts are tightened again. */
export function recheckWords(reach: Reach): string {
  const words = (reach?.bolts ?? []).flatMap((b) => {
    if (b.when === 'opened') return [`${b.name} with ${byNames(b).toLowerCase()} open`]
    if (b.when === 'swung') return [`${b.name} with ${byNames(b).toLowerCase()} swung aside on one bolt`]
    if (b.when === 'off') return [`${b.name} with ${byNames(b)} off`]
    return b.when === 'bench' ? [`${b.name} only with its piece off the vehicle${b.by.length ? ` and ${byNames(b)} off` : ''}`] : []
  })
  return inWords(words)
}
