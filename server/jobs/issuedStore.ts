import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { Job } from '../../core/job/job'
import type { CutPlan } from '../../core/nesting/planCuts'
import type { Stock } from '../../core/stock/stock'
import type { ShelfStore } from '../shelves/shelfStore'

export type IssuedPlan = { id: string; jobRevision: number; at: string; takenBackAt: string | null; plan: CutPlan }
type Raw = { id: string; job_id: string; job_revision: number; document: string; at: string; taken_back_at: string | null }
type Document = { job: Job; plan: CutPlan }
export type Outcome =
  | { ok: true; issued: IssuedPlan; stockRevision: number }
  | { ok: false; reason: 'stock-changed' | 'rack-short' | 'missing' | 'already' }

const shown = (r: Raw): IssuedPlan => ({
  id: r.id,
  jobRevision: r.job_revision,
  at: r.at,
  takenBackAt: r.taken_back_at,
  plan: (JSON.parse(r.document) as Document).plan,
})

/** The rack after a plan is cut: offcuts that were used leave it, new ones come to it. `way` −1 undoes that. Null when the rack does not hold them. */
export function rackAfter(stock: Stock, plan: CutPlan, jobTitle: string, way: 1 | -1): Stock | null {
  const remnants = new Map(stock.remnants.map((r) => [r.id, { ...r }]))
  const move = (id: string, by: number, made: () => Stock['remnants'][number]): boolean => {
    const row = remnants.get(id) ?? made()
    row.quantity += by
    remnants.set(id, row)
    return row.quantity >= 0
  }
  const used = plan.used.every((u) =>
    move(u.remnantId, -way * u.count, () => ({
      id: u.remnantId,
      profileId: u.profileId,
      lengthMm: u.lengthMm,
      quantity: 0,
      grade: u.grade,
      place: u.place,
      note: '',
    })),
  )
  const came = plan.offcuts.every((o) => {
    const id = `${o.profileId}#${o.lengthMm}#${o.grade}`
    const { profileId, lengthMm, grade } = o
    return move(id, way * o.count, () => ({
      id,
      profileId,
      lengthMm,
      quantity: 0,
      grade,
      place: 'by the saw',
      note: `left from ${jobTitle}`.slice(0, 200),
    }))
  })
  return used && came ? { ...stock, remnants: [...remnants.values()].filter((r) => r.quantity > 0) } : null
}

/** What went to the saw is kept as it was, and moves the rack in the same transaction. */
export function issuedStore(db: Knex, shelves: ShelfStore) {
  return {
    ofJob: async (jobId: string): Promise<IssuedPlan[]> =>
      ((await db('issued').where({ job_id: jobId, kind: 'cut-plan' }).orderBy('at', 'desc').limit(50)) as Raw[]).map(shown),
    accept: (jobId: string, jobRevision: number, job: Job, plan: CutPlan, stockRevision: number): Promise<Outcome> =>
      db.transaction(async (trx): Promise<Outcome> => {
        const shelf = await shelves.get('stock', trx)
        if (shelf.revision !== stockRevision) return { ok: false, reason: 'stock-changed' }
        const open = await trx('issued').where({ job_id: jobId, kind: 'cut-plan' }).whereNull('taken_back_at').first()
        if (open) return { ok: false, reason: 'already' }
        const rack = rackAfter(shelf.document, plan, job.title, 1)
        if (!rack) return { ok: false, reason: 'rack-short' }
        const put = await shelves.put('stock', shelf.revision, rack, trx)
        const row: Raw = {
          id: randomUUID(),
          job_id: jobId,
          job_revision: jobRevision,
          document: JSON.stringify({ job, plan } satisfies Document),
          at: new Date().toISOString(),
          taken_back_at: null,
        }
        await trx('issued').insert({ ...row, kind: 'cut-plan' })
        return { ok: true, issued: shown(row), stockRevision: put.revision }
      }),
    takeBack: (jobId: string, issuedId: string): Promise<Outcome> =>
      db.transaction(async (trx): Promise<Outcome> => {
        const row = (await trx('issued').where({ id: issuedId, job_id: jobId }).first()) as Raw | undefined
        if (!row) return { ok: false, reason: 'missing' }
        if (row.taken_back_at) return { ok: false, reason: 'already' }
        const shelf = await shelves.get('stock', trx)
        const document = JSON.parse(row.document) as Document
        const rack = rackAfter(shelf.document, document.plan, document.job.title, -1)
        if (!rack) return { ok: false, reason: 'rack-short' }
        const put = await shelves.put('stock', shelf.revision, rack, trx)
        const takenBackAt = new Date().toISOString()
        await trx('issued').where({ id: issuedId }).update({ taken_back_at: takenBackAt })
        return { ok: true, issued: shown({ ...row, taken_back_at: takenBackAt }), stockRevision: put.revision }
      }),
  }
}
export type IssuedStore = ReturnType<typeof issuedStore>
