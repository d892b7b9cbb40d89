import { perform, unsolved } from './tasks'
import type { Workshop } from './workshop'

/** A workshop without threads and without a solver, for tests of what is built on one. */
export const inProcess = (): Workshop => ({
  run: (task) =>
    perform(
      task,
      unsolved(() => performance.now()),
    ) as never,
  close: async () => undefined,
})
