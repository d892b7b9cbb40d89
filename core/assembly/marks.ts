import type { Assembly } from './assembly'

/** What a part is called on drawings: its mark, a fitting's name, or failing both its id. */
export const markOf = (a: Assembly, id: string): string =>
  [...a.members, ...a.plates].find((p) => p.id === id)?.mark || a.fittings.find((f) => f.id === id)?.name || id
