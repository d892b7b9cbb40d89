import type { Assembly } from '../assembly/assembly'
import { isHollow } from '../assembly/usualHardware'
import { type BoltSize, boltGrades, boltSizes, SHOP_GRADE } from '../catalogue/bolts'
import { holePlaces } from '../drilling/holes'
import { boltPreload } from '../fasten/bolt'
import { rivetNutTorqueNm } from '../fasten/rivetNut'
import { type Figure, figure, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

/** `soft` = they squeeze an empty tube, which would cave in under the torque that the bolt could take, or turn in a rivet nut, which would spin. */
export type Torque = { size: BoltSize; count: number; where: string; soft: 'tube' | 'nut' | null; torqueNm: number }
const mostNm = (size: BoltSize, soft: Torque['soft'], rules: Rules): number =>
  soft === 'tube' ? rules.tubeBoltTorqueNm : soft === 'nut' ? rivetNutTorqueNm(size, rules) : Number.POSITIVE_INFINITY
const softWords = { tube: ', through empty tube', nut: ', into rivet nuts' }

/** Bolts by size and by what they squeeze: as much as the bolt takes, and through an empty tube or into a rivet nut no more than the shop's own. */
export function torquesOf(a: Assembly, vehicle: Vehicle, rules: Rules): Torque[] {
  const found = new Map<string, Torque>()
  for (const p of holePlaces(a, vehicle, rules)) {
    const joint = a.joints.find((j) => j.id === p.id)
    const tube = p.layers.some((l) => a.members.some((m) => m.id === l.part && isHollow(m.profileId)))
    const soft = p.layers.some((l) => l.nut) ? ('nut' as const) : tube && !joint?.bolts?.sleeved ? ('tube' as const) : null
    const own = boltPreload(p.size, SHOP_GRADE, false).torqueNm
    const where = `${p.what === 'foot' ? 'feet' : 'joints'}${soft ? softWords[soft] : ''}`
    const key = `${p.size} ${where}`
    const known = found.get(key)
    if (known) known.count += p.count
    else found.set(key, { size: p.size, count: p.count, where, soft, torqueNm: Math.min(own, mostNm(p.size, soft, rules)) })
  }
  return [...found.values()]
}

const NMM = 1000
/** What the wrench is set to, and why. N·mm */
export function torqueFigure({ size, where, soft }: Torque, rules: Rules): Figure {
  const of = { id: `torque.${size}.${where}`, name: `Torque of ${size}, ${where}`, unit: 'N·mm' }
  const { diameterMm, stressAreaMm2 } = boltSizes[size]
  const bolt = {
    K: [0.2, '', 'dry thread'],
    Sp: [boltGrades[SHOP_GRADE].proofMPa, 'MPa', `proof stress of ${SHOP_GRADE}, ${boltGrades[SHOP_GRADE].source}`],
    As: [stressAreaMm2, 'mm²', `stress area of ${size}`],
    d: [diameterMm, 'gauge', 'bolt'],
  } as const
  const source = 'Shigley, 10th ed., 8-7 and 8-9'
  const assumes = [`bolts of ${SHOP_GRADE}, dry: oiled they take three quarters of it`]
  return soft
    ? figure(
        {
          ...of,
          ...{ formula: 'T = min(Ts ; K·0.75·Sp·As·d)', source: `${SHOP_RULE}; ${source}`, assumes },
          with: {
            Ts: [
              mostNm(size, soft, rules) * NMM,
              'N·mm',
              soft === 'nut' ? 'more spins the rivet nut in its sheet' : 'more crushes an empty tube',
            ],
            ...bolt,
          },
        },
        ({ Ts, K, Sp, As, d }) => Math.min(Ts, K * 0.75 * Sp * As * d),
      )
    : figure({ ...of, formula: 'T = K·0.75·Sp·As·d', source, assumes, with: bolt }, ({ K, Sp, As, d }) => K * 0.75 * Sp * As * d)
}
