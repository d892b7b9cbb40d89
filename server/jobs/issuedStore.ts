import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { IssuedPlan } from '../../core/issuedPlan/issuedPlan'
import type { Piece } from '../../core/issuedPlan/planMoved'
import type { Job } from '../../core/job/job'
import type { SawSetting } from '../../core/nesting/barLine'
import type { CutPlan } from '../../core/nesting/planCuts'
import type { Stock } from '../../core/stock/stock'
import { inOne } from '../keeping/openStore'
import type { ShelfStore } from '../shelves/shelfStore'

type Raw = { id: string; job_id: string; job_revision: number; document: string; at: string; taken_back_at: string | null }
/** What is kept of an accepted plan; saw, pieces and reason are missing in the oldest. */
type Document = { job: Job; plan: CutPlan; saw?: SawSetting; pieces?: Piece[]; reason?: string; goesOnFrom?: string | null }
/** `goesOnFrom` = the plan that stood until now and was begun; this one goes on from it. */
export type Accepting = { job: Job; plan: CutPlan; saw: SawSetting; pieces: Piece[]; reason: string; goesOnFrom: string | null }
export type Outcome =
  | { ok: true; issued: IssuedPlan; stockRevision: number }
  | { ok: false; reason: 'job-changed' | 'stock-changed' | 'rack-short' | 'missing' | 'already' }

/** The pieces of the plan that stands for a job; null when none does. */
export async function piecesAccepted(db: Knex, jobId: string): Promise<Piece[] | null> {
  const row = (await db('issued').where({ job_id: jobId, kind: 'cut-plan' }).whereNull('taken_back_at').first()) as Raw | undefined
  return row ? shown(row).pieces : null
}

function shown(r: Raw): IssuedPlan {
  const { plan, saw, pieces, reason } = JSON.parse(r.document) as Document
  return {
    id: r.id,
    jobRevision: r.job_revision,
    at: r.at,
    takenBackAt: r.taken_back_at,
    plan: withOffcuts(plan),
    saw: saw ?? null,
    pieces: pieces ?? piecesOfPlan(plan),
    reason: reason ?? '',
  }
}

const planIn = (r: Raw): CutPlan => (JSON.parse(r.document) as Document).plan

/** Plans accepted before offcuts were worked out behind the last kerf called them remnants. */
const withOffcuts = (plan: CutPlan): CutPlan => ({
  ...plan,
  profiles: plan.profiles.map((p) => ({
    ...p,
    bars: p.bars.map((b) => ({ ...b, offcutMm: b.offcutMm ?? (b as { remnantMm?: number }).remnantMm ?? 0 })),
  })),
})
/** The pieces of an old plan, from its cuts: they carry no ends. */
const piecesOfPlan = (plan: CutPlan): Piece[] =>
  plan.profiles.flatMap((p) =>
    p.bars.flatMap((b) =>
      b.cuts.map((c): Piece => ({ mark: c.mark, lengthMm: c.lengthMm, profileId: p.profileId, ends: [{ kind: 'cap' }, { kind: 'cap' }] })),
    ),
  )

/** The rack after a plan is cut: offcuts that were used leave it, new ones come to it. `way` −1 undoes that. Null when the rack does not hold them. */
export function rackAfter(stock: Stock, plan: CutPlan, jobTitle: string, way: 1 | -1): Stock | null {
  const remnants = new Map(stock.remnants.map((r) => [r.id, { ...r }]))
  const move = (id: string, by: number, made: () => Stock['remnants'][number]): boolean => {
    const row = remnants.get(id) ?? made()
    row.quantity += by
    remnants.set(id, row)
    return row.quantity >= 0
  }
  /** The line of the rack that holds just this kind of offcut; where its name stands for something else, a further one. */
  const ownId = (o: CutPlan['offcuts'][number], n = 1): string => {
    const id = `${o.profileId}#${o.lengthMm}#${o.grade}${n > 1 ? `#${n}` : ''}`
    const there = remnants.get(id)
    const same = there && there.profileId === o.profileId && there.lengthMm === o.lengthMm && there.grade === o.grade
    return (there && !same) || stock.sale.some((s) => s.id === id) ? ownId(o, n + 1) : id
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
    const { profileId, lengthMm, grade } = o
    return move(ownId(o), way * o.count, () => ({
      id: ownId(o),
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

/** A plan just accepted, or none: no piece has moved from it. */
const nothingMoved = (db: Knex, jobId: string) => db('verdicts').where({ job_id: jobId }).update({ moved: 0 })

/** What went to the saw is kept as it was, and moves the rack in the same transaction. */
export function issuedStore(db: Knex, shelves: ShelfStore) {
  return {
    ofJob: async (jobId: string): Promise<IssuedPlan[]> =>
      ((await db('issued').where({ job_id: jobId, kind: 'cut-plan' }).orderByRaw('rowid desc').limit(50)) as Raw[]).map(shown),
    accept: (jobId: string, jobRevision: number, accepting: Accepting, stockRevision: number): Promise<Outcome> =>
      inOne(db, async (trx): Promise<Outcome> => {
        const { job, plan } = accepting
        const current = (await trx('jobs').where({ id: jobId }).first('revision')) as { revision: number } | undefined
        if (current?.revision !== jobRevision) return { ok: false, reason: 'job-changed' }
        const shelf = await shelves.get('stock', trx)
        if (shelf.revision !== stockRevision) return { ok: false, reason: 'stock-changed' }
        const open = (await trx('issued').where({ job_id: jobId, kind: 'cut-plan' }).whereNull('taken_back_at').first()) as Raw | undefined
        if ((open?.id ?? null) !== accepting.goesOnFrom) return { ok: false, reason: 'already' }
        // the rack as if the first plan had never been accepted, and then as this one leaves it
        const before = open ? rackAfter(shelf.document, planIn(open), job.title, -1) : shelf.document
        const rack = before && rackAfter(before, plan, job.title, 1)
        if (!rack) return { ok: false, reason: 'rack-short' }
        const put = await shelves.put('stock', shelf.revision, rack, trx)
        const row: Raw = {
          id: randomUUID(),
          job_id: jobId,
          job_revision: jobRevision,
          document: JSON.stringify(accepting satisfies Document),
          at: new Date().toISOString(),
          taken_back_at: null,
        }
        if (open) await trx('issued').where({ id: open.id }).update({ taken_back_at: row.at })
        await trx('issued').insert({ ...row, kind: 'cut-plan' })
        await nothingMoved(trx, jobId)
        return { ok: true, issued: shown(row), stockRevision: put.revision }
      }),
    takeBack: (jobId: string, issuedId: string): Promise<Outcome> =>
      inOne(db, async (trx): Promise<Outcome> => {
        const row = (await trx('issued').where({ id: issuedId, job_id: jobId }).first()) as Raw | undefined
        if (!row) return { ok: false, reason: 'missing' }
        if (row.taken_back_at) return { ok: false, reason: 'already' }
        const shelf = await shelves.get('stock', trx)
        const document = JSON.parse(row.document) as Document
        const from = document.goesOnFrom
          ? ((await trx('issued').where({ id: document.goesOnFrom, job_id: jobId }).first()) as Raw | undefined)
          : undefined
        const without = rackAfter(shelf.document, planIn(row), document.job.title, -1)
        const rack = without && from ? rackAfter(without, planIn(from), document.job.title, 1) : without
        if (!rack) return { ok: false, reason: 'rack-short' }
        const put = await shelves.put('stock', shelf.revision, rack, trx)
        const takenBackAt = new Date().toISOString()
        await trx('issued').where({ id: issuedId }).update({ taken_back_at: takenBackAt })
        // the one that it went on from stands again
        if (from) await trx('issued').where({ id: from.id }).update({ taken_back_at: null })
        await nothingMoved(trx, jobId)
        return { ok: true, issued: shown({ ...row, taken_back_at: takenBackAt }), stockRevision: put.revision }
      }),
  }
}
export type IssuedStore = ReturnType<typeof issuedStore>
