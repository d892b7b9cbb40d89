import equal from 'fast-deep-equal'

/** So many answers are kept: those of a job's groups, and of a few ways in which somebody tries one of them. */
const KEPT = 16

/**
 * A pure function of one plain value with its last answers kept: asked again for an equal value, it gives the answer it gave. What was asked and answered is
 * never changed by anyone, or this would lie.
 */
export function remembered<Asked, Answer>(of: (asked: Asked) => Answer): (asked: Asked) => Answer {
  const kept: { asked: Asked; answer: Answer }[] = []
  return (asked) => {
    const at = kept.findIndex((k) => equal(k.asked, asked))
    const known = at < 0 ? { asked, answer: of(asked) } : kept.splice(at, 1)[0]!
    kept.unshift(known)
    kept.length = Math.min(kept.length, KEPT)
    return known.answer
  }
}
