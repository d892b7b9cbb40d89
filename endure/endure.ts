import { parseArgs } from 'node:util'
import { slipwayBench } from '../bench/slipway'
import { fullDisk } from './fullDisk'
import { hostileInput } from './hostile'
import { killLoop } from './kills'
import { writersAgainstEachOther } from './writers'

// npm run endure [-- --kills 1000 --inputs 10000 --seed 1]: a quarter of an hour; a short form of it runs with the tests
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    inputs: { type: 'string', default: '10000' },
    seed: { type: 'string', default: '1' },
  },
})
const [kills, inputs, seed] = [Number(values.kills), Number(values.inputs), Number(values.seed)]
const LANES = 2
const say = (...cells: (string | number)[]) => process.stdout.write(`${cells.join('  |  ')}\n`)
let bad = 0
const must = (ok: boolean): string => {
  if (!ok) bad++
  return ok ? 'held' : 'BROKE'
}

const lanes = await Promise.all(Array.from({ length: LANES }, (_, i) => killLoop(Math.ceil(kills / LANES), seed + i)))
const lost = lanes.flatMap((l) => l.lost)
const sum = (of: (l: (typeof lanes)[number]) => number) => lanes.reduce((s, l) => s + of(l), 0)
say(
  'killed while writing',
  `${sum((l) => l.kills)} kills, ${sum((l) => l.restores)} of them in a restore`,
  `${sum((l) => l.acknowledged)} acknowledged writes, ${lost.length} lost`,
  must(!lost.length),
)
for (const one of lost.slice(0, 10)) say('', one)

const writers = await writersAgainstEachOther(20, 10)
say(
  'writers on one job',
  `${writers.writers} writers, ${writers.saved} saves taken, ${writers.refused} told to look again`,
  `${writers.overwritten} overwritten`,
  must(!writers.overwritten),
)

const hostile = await hostileInput(inputs, seed)
say(
  'hostile input',
  `${hostile.inputs} inputs: ${Object.entries(hostile.answers)
    .map(([k, n]) => `${k} ${n}`)
    .join(', ')}`,
  `${hostile.faults.length} without an answer or 5xx, ${hostile.oddities.length} stored oddities`,
  must(!hostile.faults.length && !hostile.oddities.length),
)
for (const one of [...hostile.faults, ...hostile.oddities].slice(0, 10)) say('', one)

const disk = await fullDisk()
if (disk.ran)
  say(
    'full disk',
    `saves answered ${disk.said.join(', ')}`,
    `what was acknowledged is ${disk.kept ? 'there' : 'gone'}; a photograph removed: ${disk.removed}; with room again ${disk.afterRoom}`,
    must(disk.kept && disk.removed === 200 && disk.said.every((s) => s === 200 || s === 507) && disk.afterRoom === 200),
  )
else say('full disk', 'not run: needs the right to mount a small disk')

for (const row of await slipwayBench()) say(...row)
process.exit(bad ? 1 : 0)
