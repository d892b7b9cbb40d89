import type { Knex } from 'knex'
import { orderNumber, type PlacedOrder } from '../../core/purchase/order'

const MOST_SHOWN = 100
type Row = { number: string; document: string }

/** All SQL on the table of orders that were placed: written once and never changed. */
export function orderStore(db: Knex) {
  const read = (r: Row): PlacedOrder => ({ ...(JSON.parse(r.document) as PlacedOrder), number: r.number })
  return {
    nextNumber: async (on: string): Promise<string> => {
      const [{ n }] = (await db('orders').max({ n: 'id' })) as { n: number | null }[]
      return orderNumber((n ?? 0) + 1, on)
    },
    place: async ({ number, ...order }: PlacedOrder): Promise<void> => {
      await db('orders').insert({ number, document: JSON.stringify(order) })
    },
    /** The newest first. */
    list: async (): Promise<PlacedOrder[]> =>
      ((await db('orders').orderBy('id', 'desc').limit(MOST_SHOWN).select('number', 'document')) as Row[]).map(read),
    get: async (number: string): Promise<PlacedOrder | null> => {
      const row = (await db('orders').where({ number }).first('number', 'document')) as Row | undefined
      return row ? read(row) : null
    },
  }
}
export type OrderStore = ReturnType<typeof orderStore>
