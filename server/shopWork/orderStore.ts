import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { orderNumber, type PlacedOrder } from '../../core/purchase/order'

const MOST_SHOWN = 100
type Row = { number: string; document: string }

/** All SQL on the table of orders that were placed: written once and never changed. */
export function orderStore(db: Knex) {
  const read = (r: Row): PlacedOrder => ({ ...(JSON.parse(r.document) as PlacedOrder), number: r.number })
  return {
    /** Takes the next number, so that two orders placed at one moment have two; it holds nothing yet. */
    takeNumber: (on: string): Promise<string> =>
      db.transaction(async (trx) => {
        const [id] = (await trx('orders').insert({ number: randomUUID(), document: '' })) as [number]
        const number = orderNumber(id, on)
        await trx('orders').where({ id }).update({ number })
        return number
      }),
    place: async ({ number, ...order }: PlacedOrder): Promise<void> => {
      await db('orders')
        .where({ number })
        .update({ document: JSON.stringify(order) })
    },
    /** A number under which nothing was placed in the end. */
    drop: async (number: string): Promise<void> => {
      await db('orders').where({ number, document: '' }).delete()
    },
    /** The newest first. */
    list: async (): Promise<PlacedOrder[]> =>
      ((await db('orders').whereNot({ document: '' }).orderBy('id', 'desc').limit(MOST_SHOWN).select('number', 'document')) as Row[]).map(
        read,
      ),
    get: async (number: string): Promise<PlacedOrder | null> => {
      const row = (await db('orders').where({ number }).whereNot({ document: '' }).first('number', 'document')) as Row | undefined
      return row ? read(row) : null
    },
  }
}
export type OrderStore = ReturnType<typeof orderStore>
