import { expect, test } from 'vitest'
import { hostileInput } from './hostile'
import { killLoop } from './kills'
import { writersAgainstEachOther } from './writers'

/** The short form of `npm run endure`: the same, a few minutes shorter. */
const MS = 120_000

test(
  'killed ten times while it writes, once in a restore: nothing acknowledged is lost',
  async () => {
    const report = await killLoop(10, 3)
    expect(report).toMatchObject({ kills: 10, restores: 1, lost: [] })
    expect(report.acknowledged).toBeGreaterThan(0)
  },
  MS,
)

test(
  'six writers on one job overwrite nothing of each other',
  async () => {
    expect(await writersAgainstEachOther(6, 4)).toMatchObject({ saved: 24, overwritten: 0 })
  },
  MS,
)

test(
  '400 hostile inputs: none is answered by a fault of the server, and all that is stored reads again',
  async () => {
    expect(await hostileInput(400, 3)).toMatchObject({ inputs: 400, faults: [], oddities: [] })
  },
  MS,
)
