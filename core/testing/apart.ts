import RAPIER from '@dimforge/rapier3d-compat'
import { type Assembly, emptyAssembly, type Joint, type Plate } from '../assembly/assembly'
import { demoJobs } from '../job/demoJobs'
import { type Apart, takeApart } from '../reach/takeApart'
import { defaultRules } from '../rules/rules'
import { rapierKit } from '../touch/kit'

const survey = demoJobs[0]!
// far above the vehicle, which is in nobody's way there
export const Z0 = 6000
export const apartOf = (parts: Partial<Assembly>): Apart => {
  const kit = rapierKit(RAPIER)
  const assembly = { ...emptyAssembly, ...parts }
  const vehicle = { ...survey.vehicle, obstacles: [] }
  const found = takeApart({ assembly, vehicle, brief: survey.brief, rules: defaultRules, stops: {} }, kit)
  kit.close()
  return found
}
export const plate = (id: string, x: [number, number], y: [number, number], z: number, thicknessMm: number): Plate => ({
  id,
  mark: id.toUpperCase(),
  name: 'Plate',
  materialId: 'steel',
  thicknessMm,
  outline: [
    { x: x[0], y: y[0] },
    { x: x[1], y: y[0] },
    { x: x[1], y: y[1] },
    { x: x[0], y: y[1] },
  ],
  holes: [],
  bends: [],
  pose: { origin: { x: 0, y: 0, z: Z0 + z }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
  goodFace: 'either',
  air: 'board',
})
export const bolt = (between: [string, string], over: Partial<NonNullable<Joint['bolts']>> = {}): Joint => ({
  id: `bolt:${between.join('-')}`,
  kind: 'bolt',
  between,
  at: { x: 0, y: 0, z: Z0 },
  bolts: { size: 'M8', count: 1, ...over },
})
export const weld = (between: [string, string], at = { x: 0, y: 0, z: Z0 }, lengthMm = 40): Joint => ({
  id: `weld:${between.join('-')}`,
  kind: 'weld',
  between,
  at,
  weld: { lengthMm, apartMm: 4, allRound: false },
})
export const when = (a: Apart, id = 'bolt:low-high') => a.bolts.find((b) => b.id === id)!

/** Two plates of 4 on one another, bolted at the origin; the metal ends at −4 and at 4. */
export const low = plate('low', [-60, 60], [-60, 60], -4, 4)
export const high = plate('high', [-60, 60], [-60, 60], 0, 4)
