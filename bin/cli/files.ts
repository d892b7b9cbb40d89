import { existsSync, readFileSync } from 'node:fs'
import { readJobFile, writeJobFile } from '../../core/exchange/jobFile'
import { rackDifference, readRemnantsCsv, remnantsCsv } from '../../core/exchange/rackCsv'
import { withLengths } from '../../core/quantity/figureText'
import { METRIC } from '../../core/quantity/units'
import { jobStore } from '../../server/jobs/jobStore'
import { openStore } from '../../server/keeping/openStore'
import { shelfStore } from '../../server/shelves/shelfStore'
import { faultLines, type Io, utf8, wrong } from './stop'

const readText = (file: string): string => {
  if (!existsSync(file)) return wrong(`FILE: there is no file ${file}`)
  return utf8(readFileSync(file))
}

/** A job from its file, or the stock rack from a table: what it would change, and only when asked for, the change. */
export async function importFile(io: Io, file: string, values: { data: string; inches: boolean; replace: boolean }): Promise<void> {
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
      io.out(`${said.join('\n')}\n`)
      if (!values.replace) return void io.out('nothing was changed; add --replace to do it\n')
      const put = await store.put('stock', shelf.revision, { ...shelf.document, remnants })
      if (!put.ok) return wrong('the rack changed meanwhile, and was left as it is: look at what would change and try again')
      io.out('the rack was replaced\n')
      return
    }
    const read = readJobFile(text)
    if (!read.ok) return wrong(...faultLines(read.faults))
    io.out(`${(await jobStore(db).create(read.value)).id}\n`)
  } finally {
    await db.destroy()
  }
}

export async function exportJob(io: Io, id: string, data: string): Promise<void> {
  if (!existsSync(data)) return wrong(`--data: there is no database at ${data}`)
  const db = await openStore(data)
  try {
    if (id === 'stock') {
      io.out(remnantsCsv((await shelfStore(db).get('stock')).document.remnants))
      return
    }
    const found = await jobStore(db).get(id)
    if (!found) return wrong(`ID: there is no job ${id}`)
    io.out(writeJobFile(found.job))
  } finally {
    await db.destroy()
  }
}
