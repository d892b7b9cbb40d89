import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import loadHighs from 'highs'
import { calculate, calculatorOf, calculators, inputJsonSchema } from '../core/calculators/registry'
import { readJobFile, writeJobFile } from '../core/exchange/jobFile'
import { rackDifference, readRemnantsCsv, remnantsCsv } from '../core/exchange/rackCsv'
import { type Fault, MAX_FILE_BYTES, readJson } from '../core/issue/faults'
import { highsTools } from '../core/nesting/highsTools'
import { withLengths } from '../core/quantity/figureText'
import { METRIC } from '../core/quantity/units'
import { fillDemo } from '../server/demo/fillDemo'
import { jobStore } from '../server/jobs/jobStore'
import { backUp, restore } from '../server/keeping/backup'
import { openStore } from '../server/keeping/openStore'
import { serve } from '../server/serve'
import { shelfStore } from '../server/shelves/shelfStore'

const HELP = `tideline: the shop's tool on the command line

  tideline demo                     fill the demo data if the database is empty, then serve
  tideline serve                    serve the database
  tideline calc NAME < in.json      one calculation; --list, --schema NAME, --example NAME
  tideline import FILE              a job (.json), or the stock rack (.csv): says what it would change, --replace does it, --inches
  tideline export ID > job.json     a job; "export stock" for the rack as CSV
  tideline backup FILE              the whole database into one file
  tideline restore FILE             a backup in place of the database (stop the server first)

  --data FILE   the database (data/tideline.sqlite)    --port N (4173)    --host ADDRESS (127.0.0.1)
`
/** Exit codes: 0 done, 2 bad input, 3 no answer exists, 1 anything else. */
class Stop extends Error {
  constructor(
    readonly code: number,
    readonly lines: string[],
  ) {
    super(lines[0])
  }
}
const wrong = (...lines: string[]): never => {
  throw new Stop(2, lines)
}
const faultLines = (faults: Fault[]): string[] => faults.map((f) => `${f.where}: ${f.expected}`)

const OPTIONS = {
  data: { type: 'string', default: process.env.TIDELINE_DATA ?? fileURLToPath(new URL('../data/tideline.sqlite', import.meta.url)) },
  port: { type: 'string', default: process.env.TIDELINE_PORT ?? '4173' },
  host: { type: 'string', default: '127.0.0.1' },
  list: { type: 'boolean', default: false },
  schema: { type: 'string' },
  example: { type: 'string' },
  /** a rack file: take its numbers as inches; and do it, not only say what it would do */
  inches: { type: 'boolean', default: false },
  replace: { type: 'boolean', default: false },
  help: { type: 'boolean', short: 'h', default: false },
} as const

function readOptions() {
  try {
    return parseArgs({ options: OPTIONS, allowPositionals: true, strict: true })
  } catch (error) {
    return wrong(error instanceof Error ? error.message : 'the options could not be read', 'see tideline --help')
  }
}

async function main(): Promise<void> {
  const { values, positionals } = readOptions()
  const [command, first] = positionals
  if (values.help || !command) {
    process.stdout.write(HELP)
    return
  }
  switch (command) {
    case 'demo':
      return runServer(values, true)
    case 'serve':
      return runServer(values, false)
    case 'calc':
      return calc(first, values)
    case 'import':
      return importFile(first ?? wrong('FILE: name a .json or .csv file'), values)
    case 'export':
      return exportJob(first ?? wrong('ID: name a job, or “stock”'), values.data)
    case 'backup':
      if (!existsSync(values.data)) return wrong(`--data: there is no database at ${values.data}`)
      return backUp(values.data, first ?? wrong('FILE: name the file to write'))
    case 'restore':
      return restore(first ?? wrong('FILE: name a backup'), values.data)
    default:
      return wrong(`“${command}” is not a command`, 'see tideline --help')
  }
}

type Values = ReturnType<typeof readOptions>['values']

async function runServer(values: Values, demo: boolean): Promise<void> {
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) return wrong(`--port: “${values.port}” is not a port; use 0 to 65535`)
  if (demo) {
    const db = await openStore(values.data)
    await fillDemo(db)
    await db.destroy()
  }
  const served = await serve({ database: values.data, port, host: values.host })
  process.stdout.write(`Tide Line is open at ${served.address}\n`)
  const stop = () => void served.close().then(() => process.exit(0))
  process.once('SIGINT', stop)
  process.once('SIGTERM', stop)
}

async function calc(name: string | undefined, values: Values): Promise<void> {
  const known = (n: string) =>
    calculatorOf(n) ?? wrong(`NAME: “${n}” is not a calculator; there are ${calculators.map((c) => c.name).join(', ')}`)
  const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
  if (values.list) {
    for (const c of calculators) process.stdout.write(`${c.name.padEnd(16)}${c.title}\n`)
    return
  }
  if (values.schema !== undefined) return void print(inputJsonSchema(known(values.schema)))
  if (values.example !== undefined) return void print(known(values.example).example)
  const calculator = known(name ?? wrong('NAME: name a calculator, or use --list'))
  const bytes = readFileSync(0)
  if (bytes.length > MAX_FILE_BYTES) return wrong(`the whole: an input of ${MAX_FILE_BYTES / 1e6} MB or less`)
  const json = readJson(utf8(bytes))
  if (!json.ok) return wrong(...faultLines(json.faults))
  const answer = calculate(
    calculator,
    json.value,
    highsTools(await loadHighs(), () => performance.now()),
  )
  if (!answer.ok) throw new Stop(answer.kind === 'impossible' ? 3 : 2, faultLines(answer.faults))
  print(answer.value)
}

function utf8(bytes: Buffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return wrong('the whole: text in UTF-8')
  }
}

const readText = (file: string): string => {
  if (!existsSync(file)) return wrong(`FILE: there is no file ${file}`)
  return utf8(readFileSync(file))
}

async function importFile(file: string, values: Values): Promise<void> {
  const text = readText(file)
  const db = await openStore(values.data)
  try {
    if (file.endsWith('.csv')) {
      const read = readRemnantsCsv(text, values.inches ? 'in' : null)
      if (!read.ok) return wrong(...faultLines(read.faults))
      const store = shelfStore(db)
      const shelf = await store.get('stock')
      const { remnants, understood, doubtful } = read.value
      const changes = rackDifference(shelf.document.remnants, remnants)
      const count = (what: string) => changes.filter((c) => c.what === what).length
      const said = [
        `understood: ${understood.map((u) => withLengths(u, METRIC)).join('; ')}`,
        ...(doubtful ? [doubtful] : []),
        `${count('comes')} come, ${count('changes')} change, ${count('goes')} go`,
      ]
      process.stdout.write(`${said.join('\n')}\n`)
      if (!values.replace) return void process.stdout.write('nothing was changed; add --replace to do it\n')
      await store.put('stock', shelf.revision, { ...shelf.document, remnants })
      process.stdout.write('the rack was replaced\n')
      return
    }
    const read = readJobFile(text)
    if (!read.ok) return wrong(...faultLines(read.faults))
    process.stdout.write(`${(await jobStore(db).create(read.value)).id}\n`)
  } finally {
    await db.destroy()
  }
}

async function exportJob(id: string, data: string): Promise<void> {
  if (!existsSync(data)) return wrong(`--data: there is no database at ${data}`)
  const db = await openStore(data)
  try {
    if (id === 'stock') {
      process.stdout.write(remnantsCsv((await shelfStore(db).get('stock')).document.remnants))
      return
    }
    const found = await jobStore(db).get(id)
    if (!found) return wrong(`ID: there is no job ${id}`)
    process.stdout.write(writeJobFile(found.job))
  } finally {
    await db.destroy()
  }
}

main().catch((error: unknown) => {
  const stop = error instanceof Stop ? error : new Stop(1, [error instanceof Error ? error.message : String(error)])
  writeFileSync(2, `${stop.lines.join('\n')}\n`)
  process.exitCode = stop.code
})
