import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { families } from '../families/all'
import { demoJobs } from '../job/demoJobs'
import { siteOn } from '../testing/racks'
import { rapierKit } from '../touch/kit'
import { solidsOf } from '../touch/solids'
import { heldOf } from './bodies'
import { captivesOf } from './captives'

beforeAll(() => RAPIER.init())

const [survey] = demoJobs

describe('nuts in slots', () => {
  const extrusion = families.find((f) => f.id === 'extrusion-rack')!
  test('crossbars between side bars are shut at both ends: their nuts go in before a side bar does; the side bars are open', () => {
    const [example] = extrusion.examples
    const { assembly } = extrusion.design(example!.params, siteOn(example!.vehicle)).assembled()
    const named = { ...assembly, mounts: [] }
    const kit = rapierKit(RAPIER)
    const bodies = solidsOf(named, example!.vehicle, survey.brief, 'parked')
      .filter((s) => s.kind === 'member')
      .flatMap((s) => heldOf(kit, s))
    const found = captivesOf(kit, named, bodies)
    kit.close()
    const crossbars = named.members.filter((m) => m.id.startsWith('cross'))
    expect(crossbars.length).toBeGreaterThan(1)
    expect(found.map((c) => c.id).sort()).toEqual(crossbars.map((m) => m.id).sort())
    for (const c of found) expect(c.before.every((b) => b.id.startsWith('beam'))).toBe(true)
    // at each end a bracket on either side with one nut in the crossbar, and one in the side bar
    expect(found.map((c) => c.nuts)).toEqual(found.map(() => 4))
  })
})
