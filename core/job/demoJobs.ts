import type { Brief } from '../brief/brief'
import type { Cargo } from '../brief/cargo'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import { BarMountsParams } from '../families/barMounts/params'
import { GuardParams } from '../families/cabGuard/params'
import { ChestParams } from '../families/chest/params'
import type { CrossbarParams } from '../families/crossbarRack/params'
import { HalfGuardParams } from '../families/halfGuard/params'
import { BasketParams } from '../families/hoopBasket/params'
import { CarrierParams } from '../families/receiverCarrier/params'
import { SwingOutParams } from '../families/swingOut/params'
import { type Inside, InsideSchema } from '../inside/inside'
import { stow } from '../inside/stow'
import { nextPlace, type Piece } from '../pieces/piece'
import { INCH, METRIC } from '../quantity/units'
import type { Anchor } from '../securing/anchors'
import { demoVehicles } from '../vehicle/demoVehicles'
import { RunSchema } from '../wiring/runs'
import { type Job, newJob } from './job'
import { patchedParams } from './piecesOf'

const item = (accessory: string, xMm: number, yMm: number, over: Partial<Cargo> = {}) =>
  placed(accessories.find((a) => a.id === accessory)!, accessory, xMm, yMm, over)
const [van, pickup, camper] = demoVehicles
const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon')!
type Beside = Pick<Piece, 'name' | 'family' | 'params'> & Partial<Pick<Piece, 'on'>>
const beside = (pieces: Piece[], of: Beside): Piece[] => [...pieces, { ...nextPlace(pieces), on: null, state: 'fitted', ...of }]
const withBrief = (job: Job, brief: Partial<Brief>, params: Partial<CrossbarParams>, over: Partial<Job>, ...more: Beside[]): Job =>
  patchedParams({ ...job, ...over, brief: { ...job.brief, ...brief }, pieces: more.reduce(beside, job.pieces) }, 'p1', params)

/** Rings through the bars: the ring by its maker, its bolt and the tube wall worked out. N */
const rings: Anchor = {
  id: 'rings',
  name: 'Tie rings on the bars',
  count: 16,
  links: [
    { part: 'ring', word: 'maker-rated', holdsN: 3000 },
    { part: 'bolt', word: 'calculated', holdsN: 8500 },
    { part: 'rail', word: 'calculated', holdsN: 2600 },
  ],
}
const plain: NonNullable<Cargo['securing']> = {
  by: 'straps',
  blockedForward: false,
  blockHoldsN: null,
  friction: null,
  straps: [],
  bolts: null,
}
const bolted = (count: number, size: 'M6' | 'M8'): Cargo['securing'] => ({ ...plain, by: 'bolts', bolts: { size, count } })
type Strap = NonNullable<Cargo['securing']>['straps'][number]
/** Straps over the top at places forward of the item's middle, and direct ones that each stop one way. */
const strapped = (
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

/** The loft's van is another of the same kind, with a lower fan under its bars. */
const lowFan = { ...van, obstacles: van.obstacles.map((o) => ({ ...o, heightMm: 52 })) }

/** In winter the pair take friends and four bicycles along inside. */
const fourBicycles: Inside = InsideSchema.parse({
  ...{ lengthMm: 2610, widthMm: 1765, heightMm: 1850, archWidthMm: 0 },
  things: [
    ...[0, 1, 2, 3].map((i) => ({
      ...{ id: `bicycle-${i + 1}`, name: `Bicycle ${i + 1}`, kind: 'bicycle', lengthMm: 1810, widthMm: 680, heightMm: 1060 },
      ...{ barBehindMm: 530, barHeightMm: 980, pedalsWideMm: 365, pedalsBehindMm: 830 },
    })),
    { id: 'box-1', name: 'Batteries', kind: 'box', lengthMm: 600, widthMm: 400, heightMm: 320 },
  ],
})

const winterBicycles: Inside = { ...fourBicycles, things: stow(fourBicycles)?.things ?? fourBicycles.things }

/** The jobs of Skerry Quay Outfitting, each at another station and with another verdict. */
export const demoJobs: Job[] = [
  withBrief(
    newJob('Pole and case rack, survey van', van, METRIC),
    {
      clientName: 'Tide-pool survey trust',
      contact: 'Ansa Brackwater, harbour office',
      vehicleUse: 'Shore surveys, two days a week, gear carried wet and salty',
      loadClass: 'medium',
      howOften: 'weekly',
      road: 'rough track',
      speedKmh: 100,
      passages: [
        { name: 'boathouse door', heightMm: 3250 },
        { name: 'ferry car deck', heightMm: 3400 },
      ],
      budgetMinor: 185_000,
      readyMadeMinor: 164_000,
      readyMadeNote: 'bolt-on kit, three bars, no case mount',
      cargo: [
        item('sampling-poles', 950, 420, { name: 'Sampling poles 3.4 m, six', securing: strapped([1000, 0, -1000]) }),
        item('equipment-case', 1000, -60, { securing: strapped([350, -350], ['forward'], { friction: 0.45 }) }),
        item('side-awning', 900, -680, { securing: bolted(6, 'M8') }),
      ],
    },
    { barXMm: [-250, 850, 2000], mountId: 'gutter' },
    { due: '2026-12-11', anchors: [rings], station: 'layout', notes: 'Client will bring the case lid key. Gutter repainted in spring.' },
  ),
  withBrief(
    newJob('Basket crate bars', pickup, METRIC),
    {
      clientName: 'Oyster grower at Low Ebb',
      contact: 'via the slip foreman',
      vehicleUse: 'Beach access at low water, daily in season',
      loadClass: 'heavy',
      howOften: 'daily',
      road: 'rough track',
      speedKmh: 80,
      passages: [{ name: 'packing shed', heightMm: 2600 }],
      budgetMinor: 240_000,
      readyMadeMinor: null,
      cargo: [item('oyster-baskets', 1530, 0, { securing: strapped([300, -300], ['forward']) })],
    },
    { mountId: 'points', barXMm: [1180, 1880], profileId: 'rect-30x60x2-al6063t6', overhangMm: 50, footHeightMm: 70, finish: 'painted' },
    { due: '2026-12-08', anchors: [rings], station: 'loads' },
    {
      name: 'Guard and crate rails',
      family: 'cab-guard',
      params: GuardParams.parse({
        baseMm: 1400,
        heightMm: 720,
        profileId: 'square-50x4-steel',
        ringsMm: [420, 840, 1260],
        ringN: 6000,
        winch: true,
        winchKg: 14,
        winchN: 2500,
        winchPriceMinor: 38_000,
        loadKg: 260,
        slopeDeg: 16,
        finish: 'painted',
      }),
    },
  ),
  withBrief(
    newJob('Spar carrier', lowFan, INCH),
    {
      clientName: 'Spar and sail loft',
      contact: 'loft telephone',
      vehicleUse: 'Masts to and from the boatyards',
      loadClass: 'light',
      howOften: 'weekly',
      road: 'road',
      speedKmh: 90,
      passages: [{ name: 'loft door', heightMm: 3350 }],
      budgetMinor: 140_000,
      readyMadeMinor: null,
      cargo: [
        item('spar', 875, 0, { name: 'Spar 20 ft', securing: strapped([1700, 600, -600, -1700], [], { friction: 0.4 }) }),
        item('ladder', 700, 480, { securing: strapped([1100, 0, -1100]) }),
      ],
    },
    {
      mountId: 'gutter',
      barXMm: [-850, 300, 1450, 2600],
      profileId: 'square-40x3-steel',
      sideRails: true,
      railProfileId: 'round-25x2-steel',
      build: 'welded',
    },
    { due: '2026-11-27', anchors: [rings], station: 'cut' },
  ),
  withBrief(
    newJob('Panel and box bars', camper, METRIC),
    {
      clientName: 'Drone mapping pair',
      contact: 'by letter, van at the north mole',
      vehicleUse: 'Weeks away, sleeping below, batteries charged from the roof',
      loadClass: 'medium',
      howOften: 'daily',
      road: 'road',
      speedKmh: 110,
      passages: [{ name: 'home car port', heightMm: 3050 }],
      budgetMinor: 170_000,
      readyMadeMinor: 152_000,
      readyMadeNote: 'two bars, a box and a bought carrier',
      cargo: [
        item('solar-panel', 1500, 0, { securing: bolted(8, 'M6') }),
        item('cargo-box', -150, 0, { lengthMm: 1300, massKg: { least: 30, most: 42 }, securing: bolted(8, 'M8') }),
        ...[0, 1].map((tray) =>
          placed(accessories.find((a) => a.id === 'bicycle')!, `bicycle-${tray + 1}`, -1440 - 280 * tray, 0, {
            name: tray ? 'Bicycle, hers' : 'Bicycle, his',
            massKg: { least: 15, most: 15 },
            massBasis: 'weighed',
            on: [`p2/tray:${tray}`],
            securing: {
              ...plain,
              straps: (['forward', 'rear', 'left', 'right'] as const).map((way) => ({
                wllKg: 150,
                anchorId: `p2/strap:${tray}:${way === 'left' || way === 'forward' ? 'left' : 'right'}`,
                angleDeg: 35,
                way,
                atMm: 0,
              })),
            },
          }),
        ),
      ],
    },
    { mountId: 'track', barXMm: [-550, 250, 960, 1500, 2040], profileId: 'square-30x2-al6063t6', footHeightMm: 60 },
    { due: '2026-12-18', station: 'hand-over', inside: winterBicycles },
    {
      name: 'Bicycle carrier',
      family: 'receiver-carrier',
      params: CarrierParams.parse({ pitchMm: 280, trayLengthMm: 1300, strapPointN: 1500 }),
    },
  ),
  {
    ...withBrief(
      newJob('Hoop basket and lamps', wagon, METRIC),
      {
        clientName: 'Spar and sail loft',
        contact: 'loft telephone',
        vehicleUse: 'Errands between loft and boatyards, the yard at night',
        loadClass: 'medium',
        howOften: 'weekly',
        road: 'rough track',
        speedKmh: 90,
        passages: [{ name: 'loft door', heightMm: 2700 }],
        asked: {
          climbs: { answer: 'no', note: '', settled: false },
          lamps: { answer: 'yes', note: 'Four for the yard at night, switch beside the handbrake', settled: true },
          behind: { answer: 'yes', note: 'The rear door, ten times a day', settled: true },
          under: { answer: 'yes', note: 'The loft door, loaded', settled: false },
          tyres: { answer: 'no', note: '', settled: false },
        },
        budgetMinor: 420_000,
        readyMadeMinor: null,
        cargo: [
          item('equipment-case', 500, 0, {
            name: 'Sail bags in a crate',
            massKg: { least: 20, most: 30 },
            on: ['p1/floor'],
            securing: { ...plain, by: 'bolts', friction: 0.4, bolts: { size: 'M8', count: 4 } },
          }),
        ],
      },
      {},
      {
        due: '2027-01-15',
        station: 'layout',
        wiring: [
          RunSchema.parse({
            ...{ id: 'run-1', name: 'Four lamps', powerW: 4 * 27, fittingId: 'p1/lamp:3', mountId: 'p1/foot:3:left', restMm: 3200 },
            ...{ colour: 'red and black', holes: 2 },
          }),
        ],
      },
    ),
    pieces: [
      {
        ...nextPlace([]),
        name: 'Hoop basket',
        family: 'hoop-basket',
        on: null,
        state: 'fitted',
        params: BasketParams.parse({
          mountId: 'gutter',
          footXMm: [-700, 0, 700, 1400],
          bendRadiusMm: 96,
          shell: true,
          lamps: 4,
          lampKg: 1.4,
          lampPriceMinor: 7900,
          crossTubes: 7,
        }),
      },
      {
        id: 'p2',
        letter: 'B',
        name: 'Spare wheel',
        family: 'swing-out',
        on: null,
        state: 'fitted',
        params: SwingOutParams.parse({
          hinge: 'right',
          behindMm: 330,
          hingeOutMm: 760,
          latchOutMm: 680,
          liftMm: 60,
          wheelMm: 735,
          wheelWideMm: 235,
          backspaceMm: 140,
          wheelKg: 26,
          spindleN: 9000,
          latchN: 4500,
          slackMm: 1.4,
        }),
      },
    ],
  },
  {
    ...withBrief(
      newJob('Half guard for the hive bed', pickup, INCH),
      {
        clientName: 'Beekeeper at Fell End',
        contact: 'market stall, Saturdays',
        vehicleUse: 'Hives to the heather and back',
        loadClass: 'light',
        howOften: 'weekly',
        road: 'rough track',
        speedKmh: 70,
        passages: [{ name: 'honey barn', heightMm: 2600 }],
        budgetMinor: 240_000,
        readyMadeMinor: null,
        cargo: [
          item('equipment-case', 186, 260, {
            name: 'Smoker, suits and frames',
            massKg: { least: 22, most: 28 },
            massBasis: 'estimated',
            lengthMm: 420,
            widthMm: 400,
            heightMm: 300,
            counts: 'both',
            ruleSource: '',
            maxOverhangMm: null,
            maxSpanMm: null,
            on: ['p2/inside'],
          }),
        ],
      },
      {},
      { due: '2027-01-29', station: 'layout' },
    ),
    pieces: [
      { name: 'Half guard', family: 'half-guard', params: HalfGuardParams.parse({ bendRadiusMm: 130 }) },
      {
        name: 'Hive chest',
        family: 'chest',
        params: ChestParams.parse({
          frontMm: 330.2,
          lengthMm: 508,
          widthMm: 1066.8,
          heightMm: 406.4,
          bearerHeightMm: 25.4,
          thicknessMm: 2.03,
          dividers: 1,
          latchN: 1800,
          keyNumber: 'FE 27',
        }),
      },
    ].reduce<Piece[]>(beside, []),
  },
  {
    ...withBrief(
      newJob('Awning for the quay kitchen', van, METRIC),
      {
        clientName: 'Quay kitchen',
        contact: 'Hatch on the fish quay, before noon',
        vehicleUse: 'Soup and bread at markets along the coast',
        loadClass: 'light',
        howOften: 'weekly',
        road: 'road',
        speedKmh: 100,
        passages: [{ name: 'market hall gate', heightMm: 3000 }],
        budgetMinor: 160_000,
        readyMadeMinor: 119_000,
        readyMadeNote: 'bought brackets, no bars',
        cargo: [
          item('equipment-case', 660, 0, {
            name: 'Folding tables, strapped flat',
            massKg: { least: 16, most: 18 },
            massBasis: 'weighed',
            heightMm: 120,
            securing: strapped([200, -200], ['forward', 'rear']),
          }),
        ],
      },
      {},
      { due: '2027-02-12', anchors: [rings], station: 'layout' },
    ),
    pieces: [
      {
        name: 'Awning bars',
        family: 'bar-mounts',
        params: BarMountsParams.parse({
          mountId: 'gutter',
          footXMm: [300, 1150, 2000],
          footHeightMm: 90,
          lengthMm: 2500,
          behindMm: 390,
          massKg: 21.5,
          priceMinor: 38_000,
          hangs: 'up',
          wideMm: 120,
          thicknessMm: 5,
        }),
      },
    ].reduce<Piece[]>(beside, []),
  },
]
