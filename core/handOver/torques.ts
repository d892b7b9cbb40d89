import type { Assembly } from '../assembly/assembly'
import { isHollow } from '../assembly/usualHardware'
import { type BoltSize, SHOP_GRADE } from '../catalogue/bolts'
import { holePlaces } from '../drilling/holes'
import { boltPreload } from '../fasten/bolt'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

export type Torque = { size: BoltSize; count: number; where: string; torqueNm: number }

/** Bolts by size and by whether they squeeze an empty tube, which would cave in under the torque that the bolt could take. */
export function torquesOf(a: Assembly, vehicle: Vehicle, rules: Rules): Torque[] {
  const found = new Map<string, Torque>()
  for (const p of holePlaces(a, vehicle, rules)) {
    const joint = a.joints.find((j) => j.id === p.id)
    const tube = p.layers.some((l) => a.members.some((m) => m.id === l.part && isHollow(m.profileId)))
    const soft = tube && !joint?.bolts?.sleeved
    const torqueNm = soft ? rules.tubeBoltTorqueNm : boltPreload(p.size, SHOP_GRADE, false).torqueNm
    const where = `${p.what === 'foot' ? 'feet' : 'joints'}${soft ? ', through empty tube' : ''}`
    const key = `${p.size} ${where}`
    const known = found.get(key)
    if (known) known.count += p.count
    else found.set(key, { size: p.size, count: p.count, where, torqueNm })
  }
  return [...found.values()]
}
