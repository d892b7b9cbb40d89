import { createHash } from 'node:crypto'
import type { Knex } from 'knex'
import type { Piece } from '../../core/issuedPlan/planMoved'
import type { Job } from '../../core/job/job'
import { basisOf } from './designBasis'
import { piecesAccepted } from './issuedStore'
import { rulesNow } from './jobStore'
import type { Verdict } from './verdict'

/** A job whose verdict is missing or was made from an older job, older rules or an older program. */
export type Unjudged = {
  id: string
  revision: number
  document: string
  accepted: Piece[] | null
  rulesRevision: number
  rules: unknown
  basis: string
}

const MOST_NAMED = 200

/** All SQL on the verdicts table: a cache that can be thrown away. */
export function verdictStore(db: Knex) {
  return {
    /** The next job to be worked out: of those named first, or of all. Null when all verdicts stand. */
    next: async (named: string[] | null): Promise<Unjudged | null> => {
      const rulesRevision = await rulesNow(db)
      const query = db('jobs')
        .join('job_documents', 'job_documents.job_id', 'jobs.id')
        .leftJoin('verdicts', 'verdicts.job_id', 'jobs.id')
        .where((q) =>
          q
            .whereNull('verdicts.job_id')
            .orWhere('verdicts.rules_revision', '<>', rulesRevision)
            .orWhereRaw('verdicts.job_revision <> jobs.revision'),
        )
      if (named) query.whereIn('jobs.id', named.slice(0, MOST_NAMED))
      const row = (await query.orderBy('jobs.archived').first('jobs.id', 'jobs.revision', 'document')) as
        | { id: string; revision: number; document: string }
        | undefined
      if (!row) return null
      const shelf = (await db('shelves').where({ name: 'rules' }).first('document')) as { document: string } | undefined
      const rules: unknown = shelf ? JSON.parse(shelf.document) : {}
      const accepted = await piecesAccepted(db, row.id)
      return { ...row, accepted, rulesRevision, rules, basis: basisIn(row.document, accepted) }
    },
    /** Whether the verdict that stands was judged from this design; it is then of this revision too. */
    stands: async (of: Unjudged): Promise<boolean> => {
      const known = await db('verdicts')
        .where({ job_id: of.id, basis: of.basis, rules_revision: of.rulesRevision, fault: '' })
        .update({ job_revision: of.revision })
      return known > 0
    },
    /** A verdict, or why there is none; one made from a job that has moved on meanwhile is stale at once, and worked out again. */
    write: async (of: Unjudged, v: Verdict | { fault: string }): Promise<void> => {
      const none = { over: 0, near: 0, unknown: 0, governing: '', moved: 0, fault: '' }
      await db('verdicts')
        .insert({ job_id: of.id, job_revision: of.revision, rules_revision: of.rulesRevision, basis: of.basis, ...none, ...v })
        .onConflict('job_id')
        .merge()
    },
  }
}
export type VerdictStore = ReturnType<typeof verdictStore>

/** The design of a document as it lies, with the pieces accepted for the saw; none where it cannot be read: that is judged, and says why. */
function basisIn(document: string, accepted: Piece[] | null): string {
  try {
    return basisOf(JSON.parse(document) as Job, createHash('sha256').update(JSON.stringify(accepted)).digest('hex').slice(0, 24))
  } catch {
    return ''
  }
}
