import type { Point } from '../geometry/vec3'
import type { Dimension } from '../quantity/units'
import { fieldRanges, type Range } from '../vehicle/fieldRanges'
import { type Sourced, type SourcedKey, unknownValue, type Vehicle } from '../vehicle/vehicle'

export type Datum =
  | 'outside'
  | 'inside'
  | 'centre to centre'
  | 'from the rear axle'
  | 'above ground'
  | 'from the front edge'
  | 'as it stands'
/** One thing to measure: from where to where on the sheet's drawing (units of the drawing), and what needs it. */
export type Quantity = {
  id: string
  label: string
  dimension: Extract<Dimension, 'length' | 'angle' | 'mass' | 'force'>
  datum: Datum
  from: Point
  to: Point
  /** the field of the vehicle that holds it; without one it is kept under `measures` */
  key?: SourcedKey
  /** nothing can be cut before this is known */
  beforeCutting?: boolean
}
export type SheetCheck =
  | { kind: 'taper'; length: string; rear: string; front: string; diagonalA: string; diagonalB: string }
  | { kind: 'chain'; parts: string[]; overall: string }
  | { kind: 'lean'; angle: string; lowerHeight: string; lowerOffset: string; upperHeight: string; upperOffset: string }
export type MeasuringSheet = {
  id: string
  title: string
  hint: string
  view: 'from above' | 'from the side' | 'from behind'
  outline: { points: Point[]; closed: boolean; dashed?: boolean }[]
  quantities: Quantity[]
  checks: SheetCheck[]
  fits: (vehicle: Vehicle) => boolean
}

const p = (x: number, y: number): Point => ({ x, y })
const rect = (x0: number, y0: number, x1: number, y1: number, dashed = false) => ({
  points: [p(x0, y0), p(x1, y0), p(x1, y1), p(x0, y1)],
  closed: true,
  dashed,
})
const line = (...points: Point[]) => ({ points, closed: false })
const shape = (...points: Point[]) => ({ points, closed: true })
type More = Partial<Pick<Quantity, 'key' | 'beforeCutting' | 'dimension'>>
const q = (id: string, label: string, datum: Datum, from: Point, to: Point, more: More = {}): Quantity => ({
  id,
  label,
  datum,
  from,
  to,
  dimension: 'length',
  ...more,
})
const field = (key: SourcedKey, label: string, datum: Datum, from: Point, to: Point, beforeCutting = false): Quantity =>
  q(key, label, datum, from, to, { key, beforeCutting })

const van = (v: Vehicle) => v.body === 'van' || v.body === 'camper'
const open = (v: Vehicle) => v.body === 'pickup'

/** The measuring sheets, place by place. Drawings are likenesses in units of their own: only the lettered figures count. */
export const measuringSheets: MeasuringSheet[] = [
  {
    id: 'whole',
    title: 'Whole vehicle',
    view: 'from the side',
    hint: 'On level ground, tyres at their pressure. Tape along the ground, not along the body.',
    outline: [
      shape(p(0, 100), p(1000, 100), p(1000, 240), p(860, 300), p(740, 520), p(60, 520), p(0, 480)),
      rect(150, 0, 270, 100),
      rect(700, 0, 820, 100),
    ],
    quantities: [
      field('wheelbaseMm', 'Wheelbase', 'centre to centre', p(210, 50), p(760, 50)),
      field('rearOverhangMm', 'Rear axle to rear end', 'centre to centre', p(0, 140), p(210, 140)),
      field('lengthMm', 'Overall length', 'outside', p(0, -40), p(1000, -40)),
      field('heightMm', 'Overall height', 'above ground', p(-40, 0), p(-40, 520)),
      field('trackWidthMm', 'Track width, tyre centre to tyre centre', 'centre to centre', p(320, 30), p(600, 30)),
      field('widthMm', 'Overall width, without mirrors', 'outside', p(320, 200), p(600, 200)),
      field('centreOfMassHeightMm', 'Centre of mass height', 'above ground', p(480, 0), p(480, 170)),
    ],
    checks: [],
    fits: () => true,
  },
  {
    id: 'roof',
    title: 'Roof',
    view: 'from above',
    hint: 'Front to the right. Widths over the gutters or seams, outside; both diagonals say whether it is square.',
    outline: [shape(p(0, 60), p(1000, 100), p(1000, 500), p(0, 540)), line(p(0, 90), p(1000, 126)), line(p(0, 510), p(1000, 474))],
    quantities: [
      field('roofFromXMm', 'Rear edge, forward of rear axle', 'from the rear axle', p(0, 20), p(180, 20), true),
      field('roofToXMm', 'Front edge, forward of rear axle', 'from the rear axle', p(180, 40), p(1000, 40), true),
      field('roofWidthRearMm', 'Width at the rear', 'outside', p(40, 62), p(40, 538), true),
      q('roof.widthMiddle', 'Width at the middle', 'outside', p(500, 80), p(500, 520)),
      field('roofWidthFrontMm', 'Width at the front', 'outside', p(960, 99), p(960, 501), true),
      field('roofHeightMm', 'Roof skin above ground', 'above ground', p(1050, 100), p(1050, 500), true),
      q('roof.length', 'Length along the middle', 'outside', p(0, 300), p(1000, 300)),
      q('roof.diagonalA', 'Diagonal, rear left to front right', 'outside', p(0, 540), p(1000, 100)),
      q('roof.diagonalB', 'Diagonal, rear right to front left', 'outside', p(0, 60), p(1000, 500)),
      q('roof.crown', 'Crown: middle above the edge', 'as it stands', p(300, 240), p(300, 360)),
      q('roof.gutterHeight', 'Gutter or rail above ground', 'above ground', p(-60, 60), p(-60, 540)),
      q('roof.slope', 'Slope, front lower', 'as it stands', p(700, 560), p(1000, 560), { dimension: 'angle' }),
    ],
    checks: [
      {
        kind: 'taper',
        length: 'roof.length',
        rear: 'roofWidthRearMm',
        front: 'roofWidthFrontMm',
        diagonalA: 'roof.diagonalA',
        diagonalB: 'roof.diagonalB',
      },
    ],
    fits: () => true,
  },
  {
    id: 'sides',
    title: 'Gutters and doors',
    view: 'from behind',
    hint: 'Open each door fully and look for what it would meet.',
    outline: [
      shape(p(200, 0), p(800, 0), p(800, 300), p(740, 520), p(260, 520), p(200, 300)),
      line(p(800, 40), p(980, 120), p(980, 360), p(800, 280)),
      line(p(236, 500), p(236, 530), p(256, 530)),
    ],
    quantities: [
      q('sides.gutterDepth', 'Gutter depth', 'inside', p(236, 560), p(256, 560)),
      q('sides.gutterWall', 'Wall of the gutter', 'as it stands', p(160, 500), p(160, 530)),
      q('sides.doorTopGap', 'Door top to gutter, opened', 'as it stands', p(860, 360), p(860, 500)),
      q('sides.doorSwing', 'Reach of the opened door', 'outside', p(800, -40), p(980, -40)),
      q('sides.doorHingeX', 'Door hinge, forward of rear axle', 'from the rear axle', p(300, 60), p(700, 60)),
      q('sides.slidingRailHeight', 'Sliding-door rail above ground', 'above ground', p(120, 0), p(120, 300)),
    ],
    checks: [],
    fits: () => true,
  },
  {
    id: 'cab-back',
    title: 'Cab back',
    view: 'from behind',
    hint: 'From the bed rail up. The lean of the sides from two heights and the offset at each.',
    outline: [shape(p(100, 0), p(900, 0), p(820, 480), p(180, 480)), rect(250, 160, 750, 380), rect(430, 420, 570, 450)],
    quantities: [
      q('cab.widthAtRail', 'Width at the bed rail', 'outside', p(100, -40), p(900, -40)),
      q('cab.widthAtRoof', 'Width at the roof', 'outside', p(180, 520), p(820, 520)),
      q('cab.height', 'Rail to roof', 'as it stands', p(40, 0), p(40, 480)),
      q('cab.lowerHeight', 'Lower height of the lean', 'as it stands', p(940, 0), p(940, 90)),
      q('cab.lowerOffset', 'Offset there', 'as it stands', p(885, 90), p(930, 90)),
      q('cab.upperHeight', 'Upper height of the lean', 'as it stands', p(980, 0), p(980, 400)),
      q('cab.upperOffset', 'Offset there, upper', 'as it stands', p(833, 400), p(930, 400)),
      q('cab.lean', 'Lean of the side by the finder', 'as it stands', p(846, 330), p(900, 330), { dimension: 'angle' }),
      q('cab.windowWidth', 'Window width', 'outside', p(250, 270), p(750, 270)),
      q('cab.windowSill', 'Window sill above the rail', 'as it stands', p(300, 0), p(300, 160)),
      q('cab.brakeLightBelow', 'Third brake light, lower edge above the rail', 'as it stands', p(500, 0), p(500, 420)),
    ],
    checks: [
      {
        kind: 'lean',
        angle: 'cab.lean',
        lowerHeight: 'cab.lowerHeight',
        lowerOffset: 'cab.lowerOffset',
        upperHeight: 'cab.upperHeight',
        upperOffset: 'cab.upperOffset',
      },
    ],
    fits: (v) => open(v) || v.body === 'truck',
  },
  {
    id: 'bed',
    title: 'Bed',
    view: 'from above',
    hint: 'Front to the right. Inside widths at the floor between the walls, three of them; both diagonals corner to corner.',
    outline: [
      shape(p(0, 40), p(1000, 0), p(1000, 560), p(0, 520)),
      shape(p(30, 80), p(970, 46), p(970, 514), p(30, 480)),
      rect(360, 70, 620, 150),
      rect(360, 410, 620, 490),
    ],
    quantities: [
      q('bed.length', 'Length inside, along the middle', 'inside', p(30, 280), p(970, 280)),
      q('bed.widthRear', 'Width inside at the rear', 'inside', p(70, 82), p(70, 478)),
      q('bed.widthMiddle', 'Width inside at the middle', 'inside', p(680, 58), p(680, 502)),
      q('bed.widthFront', 'Width inside at the front', 'inside', p(930, 48), p(930, 512)),
      q('bed.diagonalA', 'Diagonal, rear left to front right', 'inside', p(30, 480), p(970, 46)),
      q('bed.diagonalB', 'Diagonal, rear right to front left', 'inside', p(30, 80), p(970, 514)),
      q('bed.outsideRear', 'Width over the rails at the rear', 'outside', p(-40, 40), p(-40, 520)),
      q('bed.outsideFront', 'Width over the rails at the front', 'outside', p(1040, 0), p(1040, 560)),
      q('bed.archFromFront', 'Front wall to wheel arch', 'inside', p(620, 110), p(970, 110)),
      q('bed.archLength', 'Length of the wheel arch', 'outside', p(360, 110), p(620, 110)),
      q('bed.archToRear', 'Wheel arch to tailgate', 'inside', p(30, 110), p(360, 110)),
      q('bed.betweenArches', 'Between the wheel arches', 'inside', p(490, 150), p(490, 410)),
      q('bed.railWidth', 'Width of the rail', 'outside', p(200, 480), p(200, 520)),
      q('bed.lip', 'Lip under the rail', 'inside', p(260, 480), p(260, 510)),
      q('bed.wallHeight', 'Floor to top of rail', 'as it stands', p(-150, 40), p(-150, 520)),
      q('bed.frontX', 'Front wall, forward of rear axle', 'from the rear axle', p(500, 620), p(970, 620)),
      q('bed.railHeight', 'Top of the rail above ground', 'above ground', p(-220, 40), p(-220, 520)),
      q('bed.pocketFirst', 'Front edge to first stake pocket', 'from the front edge', p(860, 540), p(1000, 540)),
      q('bed.pocketPitch', 'Stake pocket to the next', 'centre to centre', p(500, 540), p(860, 540)),
    ],
    checks: [
      {
        kind: 'taper',
        length: 'bed.length',
        rear: 'bed.widthRear',
        front: 'bed.widthFront',
        diagonalA: 'bed.diagonalA',
        diagonalB: 'bed.diagonalB',
      },
      { kind: 'chain', parts: ['bed.archToRear', 'bed.archLength', 'bed.archFromFront'], overall: 'bed.length' },
    ],
    fits: open,
  },
  {
    id: 'cover',
    title: 'Bed cover',
    view: 'from the side',
    hint: 'Along the cover from the hinge. Strut ends to the middle of the ball.',
    outline: [
      shape(p(0, 0), p(900, 0), p(900, 30), p(0, 30)),
      shape(p(0, 30), p(780, 480), p(764, 506), p(-16, 56)),
      line(p(520, 0), p(470, 310)),
    ],
    quantities: [
      q('cover.length', 'Hinge to rear edge', 'outside', p(0, -40), p(900, -40)),
      q('cover.widthFront', 'Width at the hinge', 'outside', p(-60, 0), p(-60, 200)),
      q('cover.widthRear', 'Width at the rear', 'outside', p(960, 0), p(960, 200)),
      q('cover.openAngle', 'Opens to', 'as it stands', p(200, 30), p(320, 30), { dimension: 'angle' }),
      q('cover.mass', 'Mass of the cover', 'as it stands', p(380, 330), p(560, 330), { dimension: 'mass' }),
      q('cover.centre', 'Hinge to its centre of mass', 'centre to centre', p(0, 120), p(420, 120)),
      q('cover.strutOnCover', 'Hinge to the strut on the cover', 'centre to centre', p(0, 200), p(470, 200)),
      q('cover.strutOnBody', 'Hinge to the strut on the body', 'centre to centre', p(0, -90), p(520, -90)),
      q('cover.strutBelow', 'Strut on the body below the hinge', 'as it stands', p(560, -60), p(560, 0)),
      q('cover.strutForce', 'Force of one strut, as printed', 'as it stands', p(560, 180), p(700, 180), { dimension: 'force' }),
      q('cover.flexGap', 'Gap to the cab that must stay open', 'outside', p(-100, 30), p(-16, 30)),
    ],
    checks: [],
    fits: open,
  },
  {
    id: 'canopy',
    title: 'Canopy or service body',
    view: 'from behind',
    hint: 'The gap to the cab works as the vehicle twists: measure it with one wheel on a block as well.',
    outline: [shape(p(120, 0), p(880, 0), p(800, 460), p(200, 460)), rect(260, 120, 740, 400, true)],
    quantities: [
      q('canopy.widthBottom', 'Width at the bottom', 'outside', p(120, -40), p(880, -40)),
      q('canopy.widthTop', 'Width at the top', 'outside', p(200, 500), p(800, 500)),
      q('canopy.height', 'Height', 'outside', p(60, 0), p(60, 460)),
      q('canopy.length', 'Length', 'outside', p(300, 60), p(700, 60)),
      q('canopy.skin', 'Thickness of the roof skin', 'as it stands', p(940, 440), p(940, 470)),
      q('canopy.cabGap', 'Gap to the cab, level', 'outside', p(120, 230), p(200, 230)),
      q('canopy.cabGapTwisted', 'Gap to the cab, twisted', 'outside', p(800, 230), p(880, 230)),
    ],
    checks: [],
    fits: open,
  },
  {
    id: 'tray',
    title: 'Flat tray',
    view: 'from above',
    hint: 'Over the coaming, outside.',
    outline: [rect(0, 0, 1000, 520), rect(30, 30, 970, 490, true), line(p(960, 0), p(960, 520))],
    quantities: [
      q('tray.length', 'Length', 'outside', p(0, -40), p(1000, -40)),
      q('tray.width', 'Width', 'outside', p(-40, 0), p(-40, 520)),
      q('tray.deckHeight', 'Deck above ground', 'above ground', p(1050, 0), p(1050, 520)),
      q('tray.headboard', 'Headboard above the deck', 'as it stands', p(900, 120), p(900, 400)),
      q('tray.stakeFirst', 'Front edge to first stake', 'from the front edge', p(850, 540), p(1000, 540)),
      q('tray.stakePitch', 'Stake to stake', 'centre to centre', p(500, 540), p(850, 540)),
      q('tray.diagonalA', 'Diagonal, rear left to front right', 'outside', p(0, 520), p(1000, 0)),
      q('tray.diagonalB', 'Diagonal, rear right to front left', 'outside', p(0, 0), p(1000, 520)),
    ],
    checks: [
      {
        kind: 'taper',
        length: 'tray.length',
        rear: 'tray.width',
        front: 'tray.width',
        diagonalA: 'tray.diagonalA',
        diagonalB: 'tray.diagonalB',
      },
    ],
    fits: (v) => v.body === 'truck',
  },
  {
    id: 'van-inside',
    title: 'Van inside',
    view: 'from behind',
    hint: 'Widths between the ribs, not between the skins.',
    outline: [
      shape(p(100, 0), p(900, 0), p(920, 180), p(880, 520), p(120, 520), p(80, 180)),
      rect(100, 0, 220, 110),
      rect(780, 0, 900, 110),
    ],
    quantities: [
      q('van.floorLength', 'Floor length', 'inside', p(300, 60), p(700, 60)),
      q('van.floorFromX', 'Rear end of the floor, forward of rear axle', 'from the rear axle', p(300, 90), p(500, 90)),
      q('van.floorHeight', 'Floor above ground', 'above ground', p(960, -60), p(960, 0)),
      q('van.widthFloor', 'Width at the floor', 'inside', p(100, -40), p(900, -40)),
      q('van.widthWaist', 'Width at the waist', 'inside', p(84, 180), p(916, 180)),
      q('van.widthTop', 'Width under the roof', 'inside', p(120, 480), p(880, 480)),
      q('van.height', 'Height inside', 'inside', p(500, 90), p(500, 520)),
      q('van.betweenArches', 'Between the wheel arches', 'inside', p(220, 100), p(780, 100)),
      q('van.archHeight', 'Height of the wheel arch', 'as it stands', p(250, 0), p(250, 110)),
      q('van.waistHeight', 'Floor to the waist', 'as it stands', p(60, 0), p(60, 180)),
      q('van.ribFirst', 'Rear end of the floor to the middle of the first rib', 'inside', p(480, 300), p(640, 300)),
      q('van.ribPitch', 'Rib to rib', 'centre to centre', p(640, 300), p(860, 300)),
      q('van.rearDoorWidth', 'Rear door opening, width', 'inside', p(180, 380), p(820, 380)),
      q('van.rearDoorHeight', 'Rear door opening, height', 'inside', p(160, 20), p(160, 440)),
    ],
    checks: [],
    fits: van,
  },
  {
    id: 'rear-end',
    title: 'Rear end',
    view: 'from behind',
    hint: 'Unladen, on level ground. Lamps and plate must stay seen.',
    outline: [
      shape(p(100, 100), p(900, 100), p(900, 400), p(100, 400)),
      rect(440, 40, 560, 90),
      rect(380, 170, 620, 230),
      rect(120, 180, 190, 330),
      rect(810, 180, 880, 330),
      line(p(0, 0), p(1000, 0)),
    ],
    quantities: [
      q('rear.receiverHeight', 'Receiver pin above ground', 'above ground', p(500, 0), p(500, 65)),
      q('rear.receiverToBumper', 'Receiver pin to bumper', 'outside', p(560, 65), p(680, 65)),
      q('rear.bumperHeight', 'Top of the bumper above ground', 'above ground', p(620, 0), p(620, 100)),
      q('rear.gateHeight', 'Tailgate or hatch height', 'outside', p(40, 100), p(40, 400)),
      q('rear.gateHinge', 'Its hinge above ground', 'above ground', p(960, 0), p(960, 120)),
      q('rear.gateSwing', 'Reach when opened', 'outside', p(100, 440), p(900, 440)),
      q('rear.lampLower', 'Lamp, lower edge above ground', 'above ground', p(155, 0), p(155, 180)),
      q('rear.lampUpper', 'Lamp, upper edge above ground', 'above ground', p(220, 0), p(220, 330)),
      q('rear.plateHeight', 'Number plate, middle above ground', 'above ground', p(400, 0), p(400, 200)),
      q('rear.plateWidth', 'Number plate, width', 'outside', p(380, 250), p(620, 250)),
    ],
    checks: [],
    fits: () => true,
  },
]

export const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ'
/** A, B, C … as they stand on the drawing and in the list. */
export const letterOf = (sheet: MeasuringSheet, id: string): string => LETTERS[sheet.quantities.findIndex((x) => x.id === id)] ?? '?'

/** What a figure on a sheet can be: sizes are not below nothing, places may lie either side. mm, degrees, kg, N. */
export function rangeOf(quantity: Quantity): Range {
  if (quantity.key) return fieldRanges[quantity.key]
  if (quantity.dimension === 'angle') return { min: -90, max: 180 }
  const size = quantity.dimension !== 'length' || ['outside', 'inside', 'centre to centre', 'above ground'].includes(quantity.datum)
  return { min: size ? 0 : -20_000, max: quantity.dimension === 'length' ? 20_000 : 50_000 }
}

export const measureOf = (vehicle: Vehicle, quantity: Quantity): Sourced =>
  quantity.key ? vehicle[quantity.key] : (vehicle.measures[quantity.id] ?? unknownValue)
export const withMeasure = (vehicle: Vehicle, quantity: Quantity, value: Sourced): Vehicle =>
  quantity.key ? { ...vehicle, [quantity.key]: value } : { ...vehicle, measures: { ...vehicle.measures, [quantity.id]: value } }

/** Every quantity there is, by id. */
export const quantityOf = (id: string): Quantity | null => byId.get(id) ?? null
// of two of one name the first counts
const byId = new Map([...measuringSheets.flatMap((s) => s.quantities)].reverse().map((q) => [q.id, q]))
