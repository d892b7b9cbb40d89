import { type Assembly, type EndTreatment, emptyAssembly, type Joint, type Member, type Mount, type Support } from '../assembly/assembly'
import type { Vec3 } from '../geometry/vec3'
import type { Issue } from '../issue/issue'
import { letterOf, nameOf, sides } from './feetOnEdge'

export const capped: [EndTreatment, EndTreatment] = [{ kind: 'cap' }, { kind: 'cap' }]
export const squareCut: [EndTreatment, EndTreatment] = [{ kind: 'square' }, { kind: 'square' }]

/** What is wrong with one figure of a design, in words; lengths in braces, mm. */
export const faultOf = (key: string, says: string): Issue => ({ code: 'shape', at: ['params', key], fix: null, says })
/** A design that cannot be drawn yet, and what has to be measured first. */
export const notYet = (says: string): { assembly: Assembly; issues: Issue[] } => ({
  assembly: emptyAssembly,
  issues: [{ code: 'shape', at: ['vehicle', 'measures'], fix: null, says }],
})

export const straight = (
  id: string,
  mark: string,
  name: string,
  profileId: string,
  from: Vec3,
  to: Vec3,
  ends: Member['ends'],
): Member => ({
  id,
  mark,
  name,
  profileId,
  path: [from, to],
  ends,
})

type Along = { rearX: number; frontX: number; half: (x: number) => number }
/** The same member left and right, from the rear to the front, as far apart at each end as what it lies on. */
export const pairAlong = (s: Along, z: number, profileId: string, id: string, mark: string, name: string): [Member, Member] => {
  const made = sides.map((side) =>
    straight(
      `${id}:${nameOf(side)}`,
      `${mark}${letterOf(side)}`,
      name,
      profileId,
      { x: s.rearX, y: side * s.half(s.rearX), z },
      { x: s.frontX, y: side * s.half(s.frontX), z },
      capped,
    ),
  )
  return [made[0]!, made[1]!]
}

/** Each foot clamps what stands on it. */
export const clampedTo = (mounts: Mount[]): Joint[] =>
  mounts.map((m): Joint => ({ id: `joint:${m.id}`, kind: 'clamp', between: [m.id, m.on], at: m.place }))

/** Lines across that things lie on; `walkOn` = members made to stand on. */
export const barsSupport = (of: Pick<Support, 'id' | 'name' | 'bodyId' | 'bearings'>, walkOn: string[] = []): Support => ({
  ...of,
  kind: 'bars',
  surface: null,
  holds: false,
  walkOn,
  climbOn: [],
})
