import { describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly, type Joint, type Member } from '../assembly/assembly'
import { turningJoints } from './held'

const tube = (id: string): Member => ({
  id,
  mark: id.toUpperCase(),
  name: id,
  profileId: 'square-40x3-steel',
  path: [
    { x: 0, y: 0, z: 0 },
    { x: 900, y: 0, z: 0 },
  ],
  ends: [{ kind: 'cap' }, { kind: 'cap' }],
})
const joint = (kind: Joint['kind'], count: number, id = 'j'): Joint => ({
  id,
  kind,
  between: ['a', 'b'],
  at: { x: 0, y: 0, z: 0 },
  bolts: { size: 'M8', count },
})
const of = (...joints: Joint[]): Assembly => ({ ...emptyAssembly, members: [tube('a'), tube('b')], joints })

describe('what nothing keeps from turning', () => {
  test('two tubes on one bolt turn about it; a second one, or another joint between the same two, stops that', () => {
    expect(turningJoints(of(joint('bolt', 1)))).toEqual([expect.stringMatching(/^A on B: nothing but grip/)])
    expect(turningJoints(of(joint('bolt', 2)))).toEqual([])
    expect(turningJoints(of(joint('bolt', 1), joint('bolt', 1, 'k')))).toEqual([])
  })
  test('a pin and a clamp turn like a bolt, a weld does not', () => {
    expect(turningJoints(of(joint('pin', 1)))).toHaveLength(1)
    expect(turningJoints(of(joint('clamp', 1)))).toHaveLength(1)
    expect(turningJoints(of({ ...joint('weld', 1), weld: { lengthMm: 40, apartMm: 40, allRound: true } }))).toEqual([])
  })
})
