import type { ListedFamily } from '../families/design'
import { type RackResult, rackLimits } from '../limits/rackLimits'
import { carriedBy } from '../loads/carried'
import { defaultRules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { siteOn } from './racks'

/** One design of a family by itself on a vehicle: its parts, what is wrong with it, and what its limits say at a speed. */
export function built(family: ListedFamily, params: object, vehicle: Vehicle, speedKmh: number | null = 90) {
  const read = family.read(params)
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.where}: ${f.expected}`).join('; '))
  const site = siteOn(vehicle)
  const { assembly, issues } = family.design(read.value, site).assembled()
  const brief = { ...site.brief, cargo: [], speedKmh, someoneStands: false, road: 'road' as const }
  const solve = (over: Partial<typeof brief> = {}): RackResult => {
    const asked = { ...brief, ...over }
    return rackLimits({ assembly, carried: carriedBy(assembly, asked), vehicle, brief: asked, rules: defaultRules, tests: [] })
  }
  const says = issues.map((i) => ('says' in i ? i.says : i.code))
  return { assembly, issues, says, solve }
}
