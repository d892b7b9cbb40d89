import { type Figure, figure, type Input } from '../figure/figure'

/** How a strength is known. Four words that are never mixed; the last one never leaves the shop. */
export const strengthWords = ['calculated', 'maker-rated', 'proof-tested', 'felt sturdy'] as const
export type StrengthWord = (typeof strengthWords)[number]
export const forClient = (word: StrengthWord): boolean => word !== 'felt sturdy'

/** One part of a chain that holds a force. `holdsN` null = nobody knows, and `asked` is then what to ask for; a part that only felt sturdy is as good as unknown. */
export type Link = { part: string; word: StrengthWord; holdsN: number | null; source: string; asked?: string }

const known = (l: Link): number | null => (l.word === 'felt sturdy' ? null : l.holdsN)

/** The link that gives first; null when one of them is unknown, for then nobody can say which it is. */
export const weakest = (links: Link[]): Link | null =>
  links.length && links.every((l) => known(l) !== null) ? links.reduce((a, b) => ((b.holdsN ?? 0) < (a.holdsN ?? 0) ? b : a)) : null

/** What a chain holds, N; null where a link is unknown, or there is none. */
export const ratedN = (links: Link[]): number | null => weakest(links)?.holdsN ?? null

/** A chain is rated by its weakest link; one unknown link makes it unrated and is named; a chain of no links is unrated too. N. */
export function chainFigure(id: string, name: string, links: Link[]): Figure {
  const first = weakest(links)
  return figure(
    {
      id,
      name: first ? `${name}, held by its ${first.part}` : name,
      unit: 'N',
      formula: 'R = min(Rᵢ)',
      // what only felt sturdy is said on the screen as an assumption; nothing printed names it
      source: links
        .filter((l) => forClient(l.word))
        .map((l) => `${l.part}: ${l.word}, ${l.source}`)
        .join('; '),
      assumes: links.filter((l) => !forClient(l.word)).map((l) => `nothing of the ${l.part}: it only felt sturdy`),
      with: { R: links.map((l): Input => [known(l), 'N', known(l) === null ? (l.asked ?? l.part) : l.part]) },
      lacks: links.length ? [] : ['what holds it'],
    },
    ({ R }) => Math.min(...R),
  )
}
