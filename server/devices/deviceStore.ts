import { createHash, randomBytes, randomUUID, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import type { Knex } from 'knex'
import { inOne } from '../keeping/openStore'

/** The desk does everything; the floor reads, ticks, measures and photographs. */
export type Role = 'desk' | 'floor'
export type Device = { id: string; name: string; role: Role; pairedAt: string; seenAt: string }
type Row = { id: string; name: string; role: Role; salt: string; key: string; paired_at: string; seen_at: string }

const derive = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>
const KEY_BYTES = 32
/** When a device was last seen is worth a write only so often. */
const SEEN_EVERY_MS = 10 * 60_000

const shown = (r: Row): Device => ({ id: r.id, name: r.name, role: r.role, pairedAt: r.paired_at, seenAt: r.seen_at })

/** All SQL on the devices table. Of a device's secret only what scrypt makes of it is kept. */
export function deviceStore(db: Knex) {
  // scrypt is slow on purpose: a secret that was found right is known again by its hash, in memory only
  const known = new Map<string, string>()
  const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex')
  return {
    list: async (): Promise<Device[]> => ((await db('devices').orderBy('paired_at', 'desc').limit(200)) as Row[]).map(shown),
    /** A new device, and the secret it shows from now on. */
    add: async (name: string, role: Role): Promise<{ device: Device; token: string }> => {
      const [id, secret, salt, now] = [randomUUID(), randomBytes(32).toString('base64url'), randomBytes(16), new Date().toISOString()]
      const key = (await derive(secret, salt, KEY_BYTES)).toString('base64')
      const row: Row = { id, name, role, salt: salt.toString('base64'), key, paired_at: now, seen_at: now }
      await inOne(db, (trx) => trx('devices').insert(row))
      return { device: shown(row), token: `${id}.${secret}` }
    },
    /** The device that shows this secret; null when it was put out, or never was. */
    of: async (token: string): Promise<Device | null> => {
      const [id, secret] = token.split('.')
      if (!id || !secret || token.length > 200) return null
      const row = (await db('devices').where({ id }).first()) as Row | undefined
      if (!row) return null
      if (known.get(id) !== hashOf(secret)) {
        const key = await derive(secret, Buffer.from(row.salt, 'base64'), KEY_BYTES)
        if (!timingSafeEqual(key, Buffer.from(row.key, 'base64'))) return null
        known.set(id, hashOf(secret))
      }
      const now = Date.now()
      if (now - Date.parse(row.seen_at) > SEEN_EVERY_MS)
        // a full disk must not keep a device from reading
        await db('devices')
          .where({ id })
          .update({ seen_at: new Date(now).toISOString() })
          .catch(() => undefined)
      return shown(row)
    },
    putOut: async (id: string): Promise<boolean> => {
      known.delete(id)
      return (await inOne(db, (trx) => trx('devices').where({ id }).delete())) > 0
    },
  }
}
export type DeviceStore = ReturnType<typeof deviceStore>
