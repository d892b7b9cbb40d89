import { threads } from '../boltHoles/boltHoles'
import { BEYOND_STACK, boltLengthMm, boltSizes } from '../catalogue/bolts'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import type { HolePlace } from './holes'

/** The drill for a place, and where its clearance comes from. */
export const drillFigure = (p: HolePlace): Figure => {
  const t = threads[p.size]
  const { off } = p
  const read = off?.by === 'vehicles read'
  return figure(
    {
      id: `drill.${p.id}`,
      name: `Drill for ${p.size}`,
      unit: 'gauge',
      formula: 'D = max(medium ; d + 2·e)',
      source: `ISO 273, medium, or ASME B18.2.8, normal${off ? `; e: ${read ? 'the worst of the vehicles that were read, Layout' : SHOP_RULE}` : ''}`,
      ...(off ? { assumes: ['its place is found on the vehicle: each of two holes may be off by e'] } : {}),
      with: {
        medium: [t.normalMm, 'gauge', 'medium clearance'],
        d: [t.nominalMm, 'gauge', 'bolt'],
        e: [
          off?.mm ?? 0,
          'gauge',
          off
            ? read
              ? 'a hole of the vehicles was off by'
              : 'a hole set out on the vehicle may be off by'
            : 'both are drilled from one mark',
        ],
      },
    },
    ({ medium, d, e }) => Math.max(medium, d + 2 * e),
  )
}

/** All that the bolt passes; a layer that nobody measured leaves it unknown. */
export const stackFigure = (p: HolePlace): Figure =>
  figure(
    {
      id: `stack.${p.id}`,
      name: 'Stack under the bolt',
      unit: 'gauge',
      formula: 's = Σ tᵢ',
      source: 'sections of the catalogue, thickness of the parts, sheet as measured',
      with: {
        t: [
          ...p.layers.map((l): Input => [l.throughMm, 'gauge', `thickness of ${l.mark} ${l.name}`]),
          ...(p.spacerMm ? [[p.spacerMm, 'gauge', 'spacer'] as Input] : []),
        ],
      },
    },
    ({ t }) => sum(t),
  )

/** The shortest bolt sold that still takes washers and nut. */
export const boltFigure = (p: HolePlace): Figure =>
  figure(
    {
      id: `bolt.${p.id}`,
      name: `Bolt ${p.size}, its length in mm as it is sold`,
      unit: '',
      formula: 'L = next sold ≥ s + k·d',
      source: `lengths: ISO 4014 and 4017; k for two washers, nut and two threads: ${SHOP_RULE}`,
      with: {
        s: [p.stackMm, 'gauge', 'stack under the bolt'],
        k: [BEYOND_STACK, '', 'diameters beyond the stack'],
        d: [boltSizes[p.size].diameterMm, 'gauge', 'bolt'],
      },
    },
    ({ s }) => boltLengthMm(p.size, s),
  )
