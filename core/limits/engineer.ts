import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Limit } from './limit'

/** Conditions under which the shop's own figures are not enough: each names why a licensed engineer or the maker must say so. */
export function needsEngineer(assembly: Assembly, brief: Brief, limits: Limit[]): string[] {
  const has = (id: string, state: Limit['state']) => limits.some((l) => l.id === id && l.state === state)
  const kinds = new Set(assembly.mounts.map((m) => m.kind))
  const cargoKg = brief.cargo.filter((c) => c.counts !== 'parked').reduce((s, c) => s + (c.massKg?.most ?? 0), 0)
  return [
    ...(brief.someoneStands || brief.someoneClimbs || brief.cargo.some((c) => c.people)
      ? ['people stand, climb or sleep on it: a fall or a collapse hurts them']
      : []),
    ...(kinds.has('through-bolt') || kinds.has('floor screw')
      ? ['holes are drilled in the body: its maker or an engineer judges the sheet']
      : []),
    ...(has('foot.down', 'unknown') || has('foot.up', 'unknown')
      ? ['a mount has no rating: nobody but its maker or an engineer can give it one']
      : []),
    ...(has('roof.moving', 'over') || has('roof.parked', 'over') ? ['the roof carries more than its maker allows'] : []),
    ...(cargoKg > 150 ? ['more than 150 kg ride on it'] : []),
    ...(has('stability', 'over') ? ['the loaded vehicle tips earlier than the shop accepts'] : []),
  ]
}
