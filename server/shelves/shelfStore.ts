import type { Knex } from 'knex'
import { z } from 'zod'
import { type BoughtPart, demoParts, PartsSchema } from '../../core/catalogue/boughtParts'
import { faultsOf } from '../../core/issue/faults'
import { type Rules, RulesSchema } from '../../core/rules/rules'
import { type Shop, ShopSchema } from '../../core/shop/shop'
import { demoStock } from '../../core/stock/demoStock'
import { type Stock, StockEdgeSchema, StockSchema } from '../../core/stock/stock'
import { demoVehicles } from '../../core/vehicle/demoVehicles'
import { type Vehicle, VehicleSchema } from '../../core/vehicle/vehicle'
import { inOne } from '../keeping/openStore'
import { Unfit, Unreadable } from '../keeping/storeFaults'

/** The shop's own shelves: one document each, with its schema (stricter at the edge: an unknown key is a fault), and what it holds before anyone wrote. */
export const shelves = {
  stock: { schema: StockSchema, edge: StockEdgeSchema, empty: { sale: demoStock.sale, remnants: [], sheets: [] } as Stock },
  rules: { schema: RulesSchema, edge: RulesSchema.strict(), empty: RulesSchema.parse({}) as Rules },
  vehicles: { schema: z.array(VehicleSchema).max(500), edge: z.array(VehicleSchema).max(500), empty: demoVehicles as Vehicle[] },
  parts: { schema: PartsSchema, edge: PartsSchema, empty: demoParts as BoughtPart[] },
  shop: { schema: ShopSchema, edge: ShopSchema.strict(), empty: ShopSchema.parse({}) as Shop },
}
export type ShelfName = keyof typeof shelves
export type ShelfOf<N extends ShelfName> = (typeof shelves)[N]['empty']
export type Shelf<N extends ShelfName> = { revision: number; document: ShelfOf<N> }

const names: Record<ShelfName, string> = {
  stock: 'Stock rack',
  rules: 'Shop rules',
  vehicles: 'Vehicles',
  parts: 'Bought parts',
  shop: 'The shop',
}
const jsonOf = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
/** Revision 0 = never written. A write names the revision it was made from, and is refused when a newer one is there. */
export function shelfStore(db: Knex) {
  const rowOf = async (name: ShelfName, within: Knex) =>
    (await within('shelves').where({ name }).first()) as { revision: number; document: string } | undefined
  const get = async <N extends ShelfName>(name: N, within: Knex = db): Promise<Shelf<N>> => {
    const row = await rowOf(name, within)
    if (!row) return { revision: 0, document: shelves[name].empty as ShelfOf<N> }
    const read = shelves[name].schema.safeParse(jsonOf(row.document))
    if (!read.success) throw new Unreadable(`the shelf “${names[name]}”`, faultsOf(read.error), row.revision)
    return { revision: row.revision, document: read.data as ShelfOf<N> }
  }
  const put = <N extends ShelfName>(
    name: N,
    fromRevision: number,
    document: ShelfOf<N>,
    within: Knex = db,
  ): Promise<{ ok: boolean; revision: number }> =>
    inOne(within, async (trx) => {
      // what cannot be read again is never written, whoever writes it
      const fits = shelves[name].schema.safeParse(document)
      if (!fits.success) throw new Unfit(faultsOf(fits.error))
      const before = name === 'vehicles' ? await readable('vehicles', trx) : []
      const done = await write(name, fromRevision, document, trx)
      if (done.ok && name === 'vehicles') await keepReplaced(before, document as Vehicle[], trx)
      return done
    })
  /** What a shelf holds, or nothing where it cannot be read: then it is being put right. */
  const readable = async (name: 'vehicles', trx: Knex): Promise<Vehicle[]> => {
    const row = await rowOf(name, trx)
    if (!row) return shelves[name].empty
    const read = shelves[name].schema.safeParse(jsonOf(row.document))
    return read.success ? (read.data as Vehicle[]) : []
  }
  /** A vehicle that gives way to another state of itself, or leaves the shelf, stays to be looked up: jobs were measured against it. */
  const keepReplaced = async (before: Vehicle[], after: Vehicle[], trx: Knex) => {
    const replaced = before.filter((v) => JSON.stringify(v) !== JSON.stringify(after.find((n) => n.id === v.id)))
    for (const v of replaced)
      await trx('vehicle_revisions')
        .insert({ vehicle_id: v.id, revision: v.revision, document: JSON.stringify(v), replaced_at: new Date().toISOString() })
        .onConflict(['vehicle_id', 'revision'])
        .ignore()
  }
  /** Earlier states of one vehicle, newest first. */
  const earlier = async (vehicleId: string): Promise<{ revision: number; replacedAt: string; vehicle: Vehicle }[]> => {
    const rows = (await db('vehicle_revisions').where({ vehicle_id: vehicleId }).orderBy('revision', 'desc').limit(200)) as {
      revision: number
      document: string
      replaced_at: string
    }[]
    return rows.map((r) => ({ revision: r.revision, replacedAt: r.replaced_at, vehicle: VehicleSchema.parse(JSON.parse(r.document)) }))
  }
  const write = async <N extends ShelfName>(
    name: N,
    fromRevision: number,
    document: ShelfOf<N>,
    within: Knex,
  ): Promise<{ ok: boolean; revision: number }> => {
    const values = { revision: fromRevision + 1, document: JSON.stringify(document), updated_at: new Date().toISOString() }
    const written =
      fromRevision === 0
        ? (
            (await within('shelves')
              .insert({ name, ...values })
              .onConflict('name')
              .ignore()
              .returning('name')) as unknown[]
          ).length
        : await within('shelves').where({ name, revision: fromRevision }).update(values)
    return written ? { ok: true, revision: fromRevision + 1 } : { ok: false, revision: (await rowOf(name, within))?.revision ?? 0 }
  }
  /** The document as it lies in the database, readable or not. */
  const raw = async (name: ShelfName): Promise<string> => (await rowOf(name, db))?.document ?? JSON.stringify(shelves[name].empty)
  return { get, put, earlier, raw }
}
export type ShelfStore = ReturnType<typeof shelfStore>
