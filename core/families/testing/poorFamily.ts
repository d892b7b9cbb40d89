import { z } from 'zod'
import { emptyAssembly } from '../../assembly/assembly'
import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Family } from '../family'

const Params = z.object({ heightMm: z.number().min(100).max(2000) })
type Params = z.infer<typeof Params>

/** A deliberately poor design: upright members alone, no support, one mount. Whatever follows must take it, and say what it cannot judge. */
export const poorFamily: Family<Params> = {
  id: 'poor',
  title: 'Poor',
  group: 'inside',
  says: 'Two posts, one foot, nothing to lie on.',
  params: Params,
  fits: () => null,
  start: () => ({ heightMm: 600 }),
  assemble: ({ heightMm }) => {
    const post = (id: string, mark: string, y: number) => ({
      id,
      mark,
      name: 'Post',
      profileId: 'square-40x3-steel',
      path: [
        { x: 0, y, z: 500 },
        { x: 0, y, z: 500 + heightMm },
      ],
      ends: [{ kind: 'square' as const }, { kind: 'cap' as const }] as [{ kind: 'square' }, { kind: 'cap' }],
    })
    return {
      assembly: {
        ...emptyAssembly,
        members: [post('a', 'A', 0), post('b', 'B', 300)],
        mounts: [
          {
            id: 'foot',
            mark: 'F',
            kind: 'floor screw',
            placeId: 'nowhere',
            bodyId: null,
            on: 'a',
            side: 'middle',
            place: { x: 0, y: 0, z: 500 },
            normal: { x: 0, y: 0, z: 1 },
            massKg: 0.5,
            backingMm: 80,
            via: null,
          },
        ],
      },
      issues: [],
    }
  },
  fields: [{ key: 'heightMm', label: 'Height', kind: 'length', min: 100, max: 2000 }],
  measures: (p) => [
    { id: 'height', label: 'Height', unit: 'length', value: p.heightMm, min: 100, max: 2000, set: (q, heightMm) => ({ ...q, heightMm }) },
  ],
  handles: () => [],
  changes: () => [],
  examples: [{ name: 'two posts, one of them loose', vehicle: demoVehicles[0], params: { heightMm: 600 } }],
}
