import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readJob } from '../core/exchange/jobFile'
import { demoJobs } from '../core/job/demoJobs'
import { seeded } from '../core/nesting/seeded'
import { fillDemo } from '../server/demo/fillDemo'
import { openStore } from '../server/keeping/openStore'
import { shelves } from '../server/shelves/shelfStore'
import { ask, bodyOf, ended, serving } from './child'

export type HostileReport = { inputs: number; answers: Record<string, number>; faults: string[]; oddities: string[] }

const ODD: unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -1e308,
  1.5,
  '',
  ' ',
  'x'.repeat(5000),
  '<script>alert(1)</script>',
  "'; drop table jobs; --",
  '\u0000',
  '\ud800',
  '𝕏',
  '../../etc/passwd',
  '0x10',
  'NaN',
  [],
  {},
  [[[[]]]],
  { __proto__: { a: 1 } },
  { constructor: 1 },
]

/** Half a sign cannot stand in an address. */
const inAddress = (value: unknown): string => encodeURIComponent(String(value).replace(/\p{Cs}/gu, '?'))

/** Every route there is, under generated input: none may answer with a fault of the server, and nothing may be stored that cannot be read again. */
export async function hostileInput(inputs: number, seed: number): Promise<HostileReport> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-endure-'))
  const database = join(folder, 'shop.sqlite')
  const db = await openStore(database)
  await fillDemo(db)
  await db.destroy()
  const { child, address } = await serving(database)
  const random = seeded(seed)
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const ids = (await bodyOf<{ rows: { id: string }[] }>(address, 'GET', '/api/jobs')).rows.map((r) => r.id)
  const shelfNames = Object.keys(shelves)
  const kept = Object.fromEntries(
    await Promise.all(shelfNames.map(async (n) => [n, (await ask(address, 'GET', `/api/shelves/${n}`))?.body] as const)),
  ) as Record<string, { revision: number; document: unknown }>
  /** A good document with one place of it spoilt. */
  const spoilt = (value: unknown): unknown => {
    const copy = structuredClone(value)
    let at = copy as Record<string, unknown>
    for (let depth = 0; depth < 6; depth++) {
      const keys = Object.keys(at)
      if (!keys.length) break
      const key = one(keys)
      const below = at[key]
      if (below !== null && typeof below === 'object' && random() < 0.75) at = below as Record<string, unknown>
      else {
        if (random() < 0.15) delete at[key]
        else at[key] = one(ODD)
        return copy
      }
    }
    return copy
  }
  const id = () => (random() < 0.8 ? one(ids) : inAddress(one(ODD)).slice(0, 200))
  const text = () => inAddress(one(ODD)).slice(0, 500)
  const json = (value: unknown) => JSON.stringify(value) ?? 'null'
  const noise = () => Buffer.from(Array.from({ length: Math.floor(random() * 400) }, () => Math.floor(random() * 256)))
  const revision = () => (random() < 0.7 ? 1 + Math.floor(random() * 40) : one(ODD))
  const requests: (() => Promise<[string, Awaited<ReturnType<typeof ask>>]>)[] = [
    ...[
      () => ['PUT', `/api/jobs/${id()}`, json({ revision: revision(), job: spoilt(one(demoJobs)) })],
      () => ['PUT', `/api/jobs/${id()}`, json(one(ODD))],
      () => ['POST', '/api/jobs', json({ title: one(ODD), vehicleId: random() < 0.5 ? 'tall-long-van' : one(ODD), units: one(ODD) })],
      () => ['POST', '/api/jobs/import', json(spoilt(one(demoJobs))), 'application/octet-stream'],
      () => ['POST', '/api/jobs/import', noise(), 'application/octet-stream'],
      () => ['POST', `/api/jobs/${id()}/copy`, json(one(ODD))],
      () => ['POST', `/api/jobs/${id()}/archive`, json({ archived: random() < 0.3 ? false : one(ODD) })],
      () => ['POST', `/api/jobs/${id()}/plans`, json({ revision: one(ODD), stockRevision: one(ODD), reason: one(ODD) })],
      () => ['POST', `/api/jobs/${id()}/plans/${text()}/take-back`, '{}'],
      () => ['POST', `/api/jobs/${id()}/photos?name=${text()}`, noise(), 'image/jpeg'],
      () => ['POST', `/api/jobs/${id()}/photos/${text()}/remove`, json(one(ODD))],
      () => ['GET', `/api/jobs/${id()}/photos/${text()}`],
      () => [
        'GET',
        `/api/jobs/${id()}/${one(['file.json', 'cut-list.csv', 'drawing/plan.dxf', 'drawing/x.svg', 'plans', `measuring-sheet.pdf?sheets=${text()}`])}`,
      ],
      () => ['GET', `/api/jobs?search=${text()}&station=${text()}&offset=${text()}`],
      () => ['GET', `/api/jobs?search=${text()}`],
      () => {
        const name = one(shelfNames)
        return ['PUT', `/api/shelves/${name}`, json({ revision: revision(), document: spoilt(kept[name]?.document) })]
      },
      () => ['GET', `/api/shelves/${text()}`],
      () => ['GET', `/api/shelves/vehicles/${text()}/revisions`],
      () => [
        'POST',
        `/api/shelves/stock/remnants.csv?revision=${text()}&unit=${text()}`,
        `id,profile_id,length_mm,quantity\n${String(one(ODD))},${String(one(ODD))},${String(one(ODD))},1\n`,
        'text/csv',
      ],
      () => [
        'POST',
        `/api/calculators/${one(['fraction', 'flat-pattern', 'bar-spacing', text()])}`,
        json({ text: one(ODD), thickness: one(ODD) }),
      ],
      () => ['POST', '/api/devices/codes', json({ role: one(ODD) })],
      () => ['POST', `/api/devices/${text()}/put-out`, '{}'],
      () => ['POST', '/api/pair', json({ code: one(ODD), name: one(ODD) })],
      () => ['GET', `/api/keeping/backups/${text()}`],
      () => [one(['PUT', 'POST', 'GET', 'DELETE', 'PATCH', 'OPTIONS']), `/api/${text()}/${text()}`],
    ].map((make) => async () => {
      const [method, path, body, type] = make() as [string, string, BodyInit | undefined, string | undefined]
      const sent = method === 'GET' ? undefined : body
      return [`${method} ${path.slice(0, 80)} ${String(sent ?? '').slice(0, 120)}`, await ask(address, method, path, sent, type)] as [
        string,
        Awaited<ReturnType<typeof ask>>,
      ]
    }),
  ]
  const report: HostileReport = { inputs: 0, answers: {}, faults: [], oddities: [] }
  while (report.inputs < inputs) {
    const answers = await Promise.all(Array.from({ length: Math.min(8, inputs - report.inputs) }, () => one(requests)()))
    for (const [what, answer] of answers) {
      report.inputs++
      const kind = answer ? `${Math.floor(answer.status / 100)}xx` : 'no answer'
      report.answers[kind] = (report.answers[kind] ?? 0) + 1
      if (!answer || answer.status >= 500) report.faults.push(`${answer?.status ?? 'no answer'}: ${what}`)
    }
  }
  child.kill('SIGTERM')
  await ended(child)
  report.oddities.push(...(await unreadable(database)))
  rmSync(folder, { recursive: true })
  return report
}

/** Whatever is stored and does not read again as what it is. */
async function unreadable(database: string): Promise<string[]> {
  const db = await openStore(database)
  const odd: string[] = []
  for (const row of (await db('job_documents').select('job_id', 'document')) as { job_id: string; document: string }[]) {
    const read = readJob(JSON.parse(row.document))
    if (!read.ok) odd.push(`job ${row.job_id}: ${read.faults[0]?.where}`)
  }
  for (const row of (await db('shelves').select('name', 'document')) as { name: keyof typeof shelves; document: string }[])
    if (!shelves[row.name].schema.safeParse(JSON.parse(row.document)).success) odd.push(`shelf ${row.name}`)
  await db.destroy()
  return odd
}
