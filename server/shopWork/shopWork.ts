import type { Response } from 'express'
import type { Knex } from 'knex'
import { readJob } from '../../core/exchange/jobFile'
import type { Job } from '../../core/job/job'
import { type KitRow, kitRows } from '../../core/purchase/kit'
import type { Rules } from '../../core/rules/rules'
import type { Shop } from '../../core/shop/shop'
import type { LeftOut } from '../../core/shopWork/daysAnswer'
import { basisOf } from '../jobs/designBasis'
import type { ShelfStore } from '../shelves/shelfStore'
import { working } from '../workshop/working'
import type { Workshop } from '../workshop/workshop'
import type { JobWork } from './jobWork'
import { workStore } from './workStore'

/** So many jobs stand on the calendar; what is due later than these is counted and left out. */
const MOST_JOBS = 60

export type OnCalendar = { id: string; revision: number; job: Job; work: JobWork }
/** What the page of days and the page of orders are made from. `left` = jobs that could not be worked out, and why. */
export type ShopWork = { jobs: OnCalendar[]; left: LeftOut[]; more: number; rules: Rules; shop: Shop }

/** Every open job with what it asks of the shop, worked out where that is not known; each says by itself why it cannot be. */
export function shopWork(db: Knex, shelves: ShelfStore, workshop: Workshop) {
  const store = workStore(db)
  return async (response: Response): Promise<ShopWork> => {
    const [rules, shop] = [(await shelves.get('rules')).document, (await shelves.get('shop')).document]
    const { jobs, shop: basis, more } = await store.open(MOST_JOBS)
    const out: OnCalendar[] = []
    const left: ShopWork['left'] = []
    for (const open of jobs) {
      const read = readKept(open.document)
      if (!read.ok) {
        left.push({ id: open.id, title: titleOf(open.document), why: read.faults.map((f) => `${f.where}: ${f.expected}`).join('; ') })
        continue
      }
      try {
        const now = basisOf(read.value, basis)
        const known = open.kept?.basis === now ? open.kept.work : null
        const work = known ?? (await working(workshop, { kind: 'work', document: open.document, shop, rules }, response))
        if (!known) await store.keep(open.id, now, work)
        out.push({ id: open.id, revision: open.revision, job: read.value, work })
      } catch (error) {
        left.push({
          id: open.id,
          title: read.value.title,
          why: error instanceof Error ? (error.message.split('\n')[0] ?? '') : 'no reason was given',
        })
      }
    }
    return { jobs: out, left, more, rules, shop }
  }
}
/** A document as it lies in the database; one that is no JSON any more is a fault as any other. */
export function readKept(document: string): ReturnType<typeof readJob> {
  try {
    return readJob(JSON.parse(document))
  } catch {
    return { ok: false, faults: [{ where: 'the whole', expected: 'a job file: fetch it as it is kept, or restore a backup' }] }
  }
}
const titleOf = (document: string): string => /"title":"([^"]{1,120})"/.exec(document)?.[1] ?? 'a job'

/** A job's kit as it stands. */
export const kitOf = ({ job, work }: OnCalendar, { shop, rules }: Pick<ShopWork, 'shop' | 'rules'>): KitRow[] =>
  kitRows(work.needs, job.kit, shop.suppliers, rules)
export type AskWork = ReturnType<typeof shopWork>
