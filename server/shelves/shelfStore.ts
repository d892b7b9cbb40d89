import type { Knex } from 'knex'
import { z } from 'zod'
import { type BoughtPart, demoParts, PartsSchema } from '../../core/catalogue/boughtParts'
import { type Rules, RulesSchema } from '../../core/rules/rules'
import { demoStock } from '../../core/stock/demoStock'
import { type Stock, StockEdgeSchema, StockSchema } from '../../core/stock/stock'
import { demoVehicles } from '../../core/vehicle/demoVehicles'
import { type Vehicle, VehicleSchema } from '../../core/vehicle/vehicle'

/** The shop's own shelves: one document each, with its schema (stricter at the edge: an unknown key is a fault), and what it holds before anyone wrote. */
export const shelves = {
  stock: { schema: StockSchema, edge: StockEdgeSchema, empty: { sale: demoStock.sale, remnants: [] } as Stock },
  rules: { schema: RulesSchema, edge: RulesSchema.strict(), empty: RulesSchema.parse({}) as Rules },
  vehicles: { schema: z.array(VehicleSchema).max(500), edge: z.array(VehicleSchema).max(500), empty: demoVehicles as Vehicle[] },
  parts: { schema: PartsSchema, edge: PartsSchema, empty: demoParts as BoughtPart[] },
}
export type ShelfName = keyof typeof shelves
export type ShelfOf<N extends ShelfName> = (typeof shelves)[N]['empty']
export type Shelf<N extends ShelfName> = { revision: number; document: ShelfOf<N> }

/** Revision 0 = never written. A write names the revision it was made from, and is refused when a newer one is there. */
export function shelfStore(db: Knex) {
  const get = async <N extends ShelfName>(name: N, within: Knex = db): Promise<Shelf<N>> => {
    const row = (await within('shelves').where({ name }).first()) as { revision: number; document: string } | undefined
    return row
      ? { revision: row.revision, document: shelves[name].schema.parse(JSON.parse(row.document)) as ShelfOf<N> }
      : { revision: 0, document: shelves[name].empty as ShelfOf<N> }
  }
  const put = <N extends ShelfName>(
    name: N,
    fromRevision: number,
    document: ShelfOf<N>,
    within: Knex = db,
  ): Promise<{ ok: boolean; revision: number }> =>
    within.transaction(async (trx) => {
      // what cannot be read again is never written, whoever writes it
      shelves[name].schema.parse(document)
      const before = name === 'vehicles' ? (await get('vehicles', trx)).document : []
      const done = await write(name, fromRevision, document, trx)
      if (done.ok && name === 'vehicles') await keepReplaced(before, document as Vehicle[], trx)
      return done
    })
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
    return written ? { ok: true, revision: fromRevision + 1 } : { ok: false, revision: (await get(name, within)).revision }
  }
  return { get, put, earlier }
}
export type ShelfStore = ReturnType<typeof shelfStore>
