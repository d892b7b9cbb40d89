import type { MountLine, Vehicle } from '../vehicle/vehicle'
import type { FieldSpec } from './family'

type OnLine = { mountId: string }
/** The line of the vehicle that a design stands on: the one it names, or the first there is. */
export const lineOf = (p: OnLine, vehicle: Vehicle): MountLine | null =>
  vehicle.mounts.find((m) => m.id === p.mountId) ?? vehicle.mounts[0] ?? null

/** Which line that is, chosen. */
export const lineField = (label = 'Stands on'): FieldSpec<OnLine> => ({
  key: 'mountId',
  label,
  kind: 'place',
  options: ({ vehicle }) => vehicle.mounts.map((m) => ({ value: m.id, label: m.name })),
})
