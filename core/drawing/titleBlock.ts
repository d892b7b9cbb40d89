import { type Assembly, assemblyMassKg } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import type { Priced } from '../cost/quote'
import { formatGauge, withUnit } from '../quantity/formatQuantity'
import type { DisplayUnits } from '../quantity/units'
import type { Rules } from '../rules/rules'

/** One field of a drawing's title block; an empty one is filled in by hand. */
export type TitleField = { name: string; says: string }

const FINISH = { raw: 'raw', painted: 'painted', powder: 'powder coat' } as const

/** What a drawing says of itself beside its name: vehicle, metals, coats, mass, and how near its figures are to be kept (ISO 7200 for the kinds of field). */
export function titleBlock(
  given: { vehicle: { name: string }; assembly: Assembly; pieces: readonly Priced[] },
  rules: Pick<Rules, 'lengthToleranceMm' | 'angleToleranceDeg'>,
  units: DisplayUnits,
): TitleField[] {
  const { assembly } = given
  const metals = new Set([
    ...assembly.members.map((m) => materialOf(profileOf(m.profileId).materialId).name),
    ...assembly.plates.map((p) => materialOf(p.materialId).name),
  ])
  const finishes = new Set(given.pieces.flatMap((p) => (p.finish ? [FINISH[p.finish]] : [])))
  const mass = assemblyMassKg(assembly)
  const length = `${formatGauge(rules.lengthToleranceMm, units)} ${units.system === 'inch' ? 'in' : 'mm'}`
  return [
    { name: 'Vehicle', says: given.vehicle.name },
    { name: 'Material', says: [...metals].join(', ') || 'none' },
    { name: 'Finish', says: [...finishes].join(', ') || 'none' },
    { name: 'Mass', says: mass === null ? 'not known' : withUnit(mass, 'mass', units) },
    { name: 'Not otherwise stated', says: `lengths ± ${length}, angles ± ${rules.angleToleranceDeg}°` },
    { name: 'Drawn', says: '' },
    { name: 'Checked', says: '' },
  ]
}
