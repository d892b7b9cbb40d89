import { type Vehicle, vehicleFields } from './vehicle'

/** What differs between two states of one vehicle, in words: each figure by its name, lists by what they hold. */
export function changedFigures(before: Vehicle, after: Vehicle): string[] {
  const figures = vehicleFields.filter((f) => before[f.key].value !== after[f.key].value).map((f) => f.label.toLowerCase())
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
  const lists = (
    [
      ['mounts', 'mounts'],
      ['obstacles', 'what is on the roof'],
      ['bodies', 'bodies'],
      ['swings', 'doors and hatches'],
      ['onBoard', 'what is on board'],
      ['measures', 'other measures'],
      ['traces', 'traces'],
      ['tyres', 'tyres'],
    ] as const
  ).flatMap(([key, words]) => (same(before[key], after[key]) ? [] : [words]))
  return [...figures, ...lists, ...(before.name === after.name ? [] : ['name'])]
}
