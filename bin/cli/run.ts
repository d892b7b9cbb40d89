import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { StoreFault, storeAnswer, Unfit } from '../../server/keeping/storeFaults'
import { faultLines, type Io, Stop, wrong } from './stop'

const HELP = `tideline: the shop's tool on the command line

  tideline demo                     fill the demo data if the database is empty, then serve
  tideline serve                    serve the database
  tideline calc NAME < in.json      one calculation; --list, --schema NAME, --example NAME
  tideline import FILE              a job (.json), or the stock rack (.csv): says what it would change, --replace does it, --inches
  tideline export ID > job.json     a job; "export stock" for the rack as CSV
  tideline backup FILE              the whole database into one file
  tideline restore FILE             a backup in place of the database (stop the server first)

  --data FILE   the database (data/tideline.sqlite)    --port N (4173)    --host ADDRESS (127.0.0.1)
  --allow-host NAME   a further name the server answers to, such as shop.local; may be given more than once
`
const OPTIONS = {
  data: { type: 'string', default: process.env.TIDELINE_DATA ?? fileURLToPath(new URL('../../data/tideline.sqlite', import.meta.url)) },
  port: { type: 'string', default: process.env.TIDELINE_PORT ?? '4173' },
  host: { type: 'string', default: '127.0.0.1' },
  'allow-host': { type: 'string', multiple: true, default: [] as string[] },
  list: { type: 'boolean', default: false },
  schema: { type: 'string' },
  example: { type: 'string' },
  /** a rack file: take its numbers as inches; and do it, not only say what it would do */
  inches: { type: 'boolean', default: false },
  replace: { type: 'boolean', default: false },
  help: { type: 'boolean', short: 'h', default: false },
} as const

function readOptions(args: string[]) {
  try {
    return parseArgs({ args, options: OPTIONS, allowPositionals: true, strict: true })
  } catch (error) {
    return wrong(error instanceof Error ? error.message : 'the options could not be read', 'see tideline --help')
  }
}

/** Runs one command line; the exit code and what to say on standard error. Each command loads only what it needs. */
export async function run(args: string[], io: Io): Promise<{ code: number; err: string[] }> {
  try {
    await command(args, io)
    return { code: 0, err: [] }
  } catch (error) {
    if (error instanceof Stop) return { code: error.code, err: error.lines }
    if (error instanceof StoreFault) return { code: 1, err: [error.message] }
    if (error instanceof Unfit) return { code: 2, err: faultLines(error.faults) }
    const store = storeAnswer(error)
    if (store) return { code: 1, err: [`${store.where}: ${store.expected}`] }
    // anything else is a fault of ours and says all it knows
    return { code: 1, err: [error instanceof Error ? (error.stack ?? error.message) : String(error)] }
  }
}

const restored = (io: Io, aside: string | null): void => io.out(aside ? `restored; what was there before lies in ${aside}\n` : 'restored\n')

async function command(args: string[], io: Io): Promise<void> {
  const { values, positionals } = readOptions(args)
  const [name, first] = positionals
  if (values.help || !name) return io.out(HELP)
  switch (name) {
    case 'demo':
    case 'serve':
      return (await import('./server')).runServer(io, values, name === 'demo')
    case 'calc':
      return (await import('./calc')).calc(io, first, values)
    case 'import':
      return (await import('./files')).importFile(io, first ?? wrong('FILE: name a .json or .csv file'), values)
    case 'export':
      return (await import('./files')).exportJob(io, first ?? wrong('ID: name a job, or “stock”'), values.data)
    case 'backup':
      if (!existsSync(values.data)) return wrong(`--data: there is no database at ${values.data}`)
      return (await import('../../server/keeping/backup')).backUp(values.data, first ?? wrong('FILE: name the file to write'))
    case 'restore':
      return restored(io, (await import('../../server/keeping/backup')).restore(first ?? wrong('FILE: name a backup'), values.data))
    default:
      return wrong(`“${name}” is not a command`, 'see tideline --help')
  }
}
