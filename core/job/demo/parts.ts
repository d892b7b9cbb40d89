import type { Brief } from '../../brief/brief'
import type { Cargo } from '../../brief/cargo'
import { placed } from '../../brief/placeCargo'
import { accessories } from '../../catalogue/accessories'
import type { CrossbarParams } from '../../families/crossbarRack/params'
import { nextPlace, type Piece } from '../../pieces/piece'
import type { Anchor } from '../../securing/anchors'
import { demoVehicles } from '../../vehicle/demoVehicles'
import type { Job } from '../job'
import { patchedParams } from '../piecesOf'

export const item = (accessory: string, xMm: number, yMm: number, over: Partial<Cargo> = {}) =>
  placed(accessories.find((a) => a.id === accessory)!, accessory, xMm, yMm, over)
export const [van, pickup, camper] = demoVehicles
export const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon')!
export type Beside = Pick<Piece, 'name' | 'family' | 'params'> & Partial<Pick<Piece, 'on'>>
export const beside = (pieces: Piece[], of: Beside): Piece[] => [...pieces, { ...nextPlace(pieces), on: null, state: 'fitted', ...of }]
export const withBrief = (job: Job, brief: Partial<Brief>, params: Partial<CrossbarParams>, over: Partial<Job>, ...more: Beside[]): Job =>
  patchedParams({ ...job, ...over, brief: { ...job.brief, ...brief }, pieces: more.reduce(beside, job.pieces) }, 'p1', params)

/** Rings through the bars: the ring by its maker, its bolt and the tube wall worked out. N */
export const rings: Anchor = {
  id: 'rings',
  name: 'Tie rings on the bars',
  count: 16,
  links: [
    { part: 'ring', word: 'maker-rated', holdsN: 3000 },
    { part: 'bolt', word: 'calculated', holdsN: 8500 },
    { part: 'rail', word: 'calculated', holdsN: 2600 },
  ],
}
export const plain: NonNullable<Cargo['securing']> = {
  by: 'straps',
  blockedForward: false,
  blockHoldsN: null,
  friction: null,
  straps: [],
  bolts: null,
}
export const bolted = (count: number, size: 'M6' | 'M8'): Cargo['securing'] => ({ ...plain, by: 'bolts', bolts: { size, count } })
type Strap = NonNullable<Cargo['securing']>['straps'][number]
/** Straps over the top at places forward of the item's middle, and direct ones that each stop one way. */
export const strapped = (
  overAtMm: number[],
  direct: Strap['way'][] = [],
  over: Partial<NonNullable<Cargo['securing']>> = {},
): Cargo['securing'] => ({
  ...plain,
  straps: [
    ...overAtMm.map((atMm): Strap => ({ wllKg: 250, anchorId: 'rings', angleDeg: 65, way: 'over', atMm })),
    ...direct.map((way): Strap => ({ wllKg: 250, anchorId: 'rings', angleDeg: 30, way, atMm: 0 })),
  ],
  ...over,
})
