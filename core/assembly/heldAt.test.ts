import { describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly, type Joint, type Member, type Mount } from './assembly'
import { carriedAtMm, heldAtMm, unheldMm } from './heldAt'

const tube = (id: string, from: [number, number, number], to: [number, number, number]): Member => ({
  id,
  mark: id,
  name: id,
  profileId: 'square-40x3-steel',
  path: [from, to].map(([x, y, z]) => ({ x, y, z })),
  ends: [{ kind: 'cap' }, { kind: 'cap' }],
})
const foot = (on: string, x: number, y: number): Mount => ({
  id: `foot ${x} ${y}`,
  mark: 'F',
  kind: 'gutter',
  placeId: 'roof',
  bodyId: null,
  on,
  side: 'left',
  place: { x, y, z: 1000 },
  normal: { x: 0, y: 0, z: 1 },
  massKg: 1,
  backingMm: null,
  via: null,
})
const weld = (upper: string, lower: string, x: number, y: number): Joint => ({
  id: `${upper} on ${lower}`,
  kind: 'weld',
  between: [upper, lower],
  at: { x, y, z: 1000 },
})
const of = (over: Partial<Assembly>): Assembly => ({ ...emptyAssembly, ...over })

describe('what holds a member, told from its first end', () => {
  const bar = tube('bar', [0, 700, 1000], [0, -700, 1000])
  const rail = tube('rail', [-200, 600, 1040], [1200, 600, 1040])
  const rack = of({
    members: [bar, { ...bar, id: 'bar 2', path: bar.path.map((p) => ({ ...p, x: 1000 })) }, rail],
    mounts: [foot('bar', 0, 650), foot('bar', 0, -650), foot('bar 2', 1000, 650), foot('bar 2', 1000, -650)],
    joints: [weld('rail', 'bar', 0, 600), weld('rail', 'bar 2', 1000, 600)],
  })
  test('a bar on its two feet: 50 and 1350; the rail that lies on it neither carries nor holds it', () => {
    expect(carriedAtMm(bar, rack)).toEqual([50, 1350])
    expect(heldAtMm(bar, rack)).toEqual([50, 1350])
    expect(unheldMm(bar, rack)).toBe(1300)
  })
  test('a rail is carried by the bars that it lies on', () => {
    expect(carriedAtMm(rail, rack)).toEqual([200, 1200])
    expect(unheldMm(rail, rack)).toBe(1000)
  })
  test('a tongue stands by its pin alone, whatever lies on it, and may buckle over twice its length', () => {
    const tongue = tube('tongue', [100, 0, 1000], [-700, 0, 1000])
    const trays = [-420, -660].map((x) => tube(`tray ${x}`, [x, 600, 1040], [x, -600, 1040]))
    const carrier = of({
      members: [tongue, ...trays],
      mounts: [{ ...foot('tongue', 0, 0), kind: 'receiver' }],
      joints: trays.map((t) => weld(t.id, 'tongue', t.path[0]!.x, 0)),
    })
    expect(carriedAtMm(tongue, carrier)).toEqual([100])
    expect(unheldMm(tongue, carrier)).toBe(1600)
    expect(carriedAtMm(trays[0]!, carrier)).toEqual([600])
  })
  test('a post may sway at its head however it is held: twice its length', () => {
    const post = tube('post', [0, 0, 500], [0, 0, 1100])
    expect(unheldMm(post, of({ members: [post], mounts: [foot('post', 0, 0)] }))).toBe(1200)
  })
  test('one that nothing holds is held nowhere, not at its ends', () => {
    const loose = tube('loose', [0, 0, 1000], [900, 0, 1000])
    expect([heldAtMm(loose, of({ members: [loose] })), carriedAtMm(loose, of({ members: [loose] }))]).toEqual([[], []])
    expect(unheldMm(loose, of({ members: [loose] }))).toBe(1800)
  })
})
