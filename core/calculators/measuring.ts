import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { Impossible } from '../issue/impossible'
import { fitHolePattern } from '../measure/holePattern'
import { summariseReadings } from '../measure/readings'
import { strutBalance } from '../measure/strut'
import { angleFromOffsets, taper } from '../measure/taper'
import { axleLoads, payloadLeft, tyreDiameterMm } from '../vehicle/masses'

const number = z.number()
const positive = (title: string, unit = 'mm', most = 50_000) => z.number().positive('must be more than 0').max(most).meta({ title, unit })
const any = (title: string, unit = 'mm', most = 50_000) => z.number().min(-most).max(most).meta({ title, unit })
const tolerance = z.number().min(0).max(500).default(2).meta({ title: 'Tolerance of a reading', unit: 'mm' })
const bare = (text: string) => text.replace(/\{([\d.]+)\}/g, '$1 mm')

const taperCheck = calculator({
  name: 'taper',
  title: 'Taper and diagonals',
  about:
    'A bed or roof from two widths, its length and both diagonals: how much it tapers, in all and a side, whether it is square, and whether the readings contradict each other.',
  formula: 'd² = L² + ((a + b)/2 ± s)²; s = (dA² − dB²) / (2·(a + b))',
  source: 'Pythagoras, for a trapezium of parallel widths',
  input: z.object({
    lengthMm: positive('Length along the middle'),
    rearWidthMm: positive('Width at the rear'),
    frontWidthMm: positive('Width at the front'),
    diagonalAMm: positive('Diagonal, rear left to front right').nullable(),
    diagonalBMm: positive('Diagonal, rear right to front left').nullable(),
    toleranceMm: tolerance,
  }),
  output: z.object({
    totalMm: number,
    perSideMm: number,
    perSideDeg: number,
    squareDiagonalMm: number,
    skewMm: number.nullable(),
    lengthMisfitMm: number.nullable(),
    square: z.boolean().nullable(),
    agrees: z.boolean().nullable(),
    say: z.string(),
  }),
  example: { lengthMm: 1500, rearWidthMm: 1240, frontWidthMm: 1280, diagonalAMm: 1961, diagonalBMm: 1959, toleranceMm: 2 },
  run: (v) => {
    const t = taper(v)
    return { ...t, say: bare(t.say) }
  },
})

const offsets = calculator({
  name: 'angle-from-offsets',
  title: 'Angle from offsets',
  about:
    'A lean from two heights and two offsets, instead of one reading of a finder; what one degree changes; how far off the angle may be.',
  formula: 'tan θ = Δoffset / Δheight',
  source: 'trigonometry; worst case over the four readings',
  input: z
    .object({
      lowerHeightMm: any('Lower height'),
      lowerOffsetMm: any('Offset there'),
      upperHeightMm: any('Upper height'),
      upperOffsetMm: any('Offset there, upper'),
      toleranceMm: tolerance,
    })
    .refine((v) => v.upperHeightMm > v.lowerHeightMm, { path: ['upperHeightMm'], message: 'must be greater than the lower height' }),
  output: z.object({ angleDeg: number, errorDeg: number, offsetPerDegreeMm: number }),
  example: { lowerHeightMm: 900, lowerOffsetMm: 42, upperHeightMm: 1500, upperOffsetMm: 147, toleranceMm: 1 },
  run: angleFromOffsets,
})

const meanSpread = calculator({
  name: 'mean-and-spread',
  title: 'Mean and spread',
  about:
    'Repeat readings of one length: mean, spread, standard deviation, whether they agree within their tolerances, and which one to take again.',
  formula: 'x̄ = Σx / n; s = √(Σ(x − x̄)² / (n − 1))',
  source: 'JCGM 100:2008, 4.2',
  input: z.object({
    readingsMm: z.array(z.number().min(-50_000).max(50_000)).min(1, 'give one reading or more').max(200),
    toleranceMm: tolerance,
  }),
  output: z.object({ meanMm: number, spreadMm: number, deviationMm: number.nullable(), agree: z.boolean(), takeAgain: z.string() }),
  example: { readingsMm: [1565, 1566, 1564, 1581], toleranceMm: 2 },
  run: ({ readingsMm, toleranceMm }) => {
    const s = summariseReadings(readingsMm.map((value) => ({ value, tolerance: toleranceMm })))
    if (!s) throw new Impossible('there is no reading')
    return {
      meanMm: s.mean,
      spreadMm: s.spread,
      deviationMm: s.deviation,
      agree: s.agree,
      takeAgain: s.takeAgain === null ? 'none' : `reading ${s.takeAgain + 1}, ${readingsMm[s.takeAgain]} mm`,
    }
  },
})

const point = z.object({ xMm: any('Along'), yMm: any('Across') })
const pattern = calculator({
  name: 'hole-pattern',
  title: 'Misfit of a hole pattern',
  about:
    'A drilled part over the vehicle’s own crooked holes: where it must lie, how far each hole is off, and the smallest common hole and washer that still seats every bolt.',
  formula: 'hole = d + 2·(e + t); e = min over shift and turn of the worst offset',
  source: 'smallest enclosing circle (Welzl 1991) at the best turn; washer seat: shop’s own, half the bolt beyond the hole',
  input: z
    .object({
      partHoles: z.array(point).min(1).max(40),
      vehicleHoles: z.array(point).min(1).max(40),
      boltMm: positive('Bolt', 'mm', 60),
      toleranceMm: z.number().min(0).max(50).default(0.5).meta({ title: 'Tolerance of a place', unit: 'mm' }),
    })
    .refine((v) => v.partHoles.length === v.vehicleHoles.length, {
      path: ['vehicleHoles'],
      message: 'give as many vehicle holes as part holes, in the same order',
    }),
  output: z.object({
    shiftXMm: number,
    shiftYMm: number,
    turnDeg: number,
    offsetsMm: z.array(number),
    worstMm: number,
    holeMm: number,
    washerMm: number,
  }),
  example: {
    partHoles: [
      { xMm: 0, yMm: 0 },
      { xMm: 700, yMm: 0 },
      { xMm: 0, yMm: 1100 },
      { xMm: 700, yMm: 1100 },
    ],
    vehicleHoles: [
      { xMm: 0, yMm: 0 },
      { xMm: 703, yMm: 1 },
      { xMm: 1, yMm: 1098 },
      { xMm: 702, yMm: 1101 },
    ],
    boltMm: 8,
    toleranceMm: 0.5,
  },
  run: fitHolePattern,
})

const kg = (title: string) => z.number().min(0).max(50_000).meta({ title, unit: 'kg' })
const payload = calculator({
  name: 'payload',
  title: 'Axles, centre of mass, payload left',
  about: 'A vehicle with what it carries: load on each axle, place of the centre of mass, and what gross mass and axles still leave.',
  formula: 'front = Σ m·x / L; rear = Σ m·(1 − x/L); left = least of limit − load',
  source: 'levers about the axles (statics)',
  input: z.object({
    kerbFrontKg: kg('Kerb mass on front axle'),
    kerbRearKg: kg('Kerb mass on rear axle'),
    wheelbaseMm: positive('Wheelbase'),
    kerbCentreZMm: positive('Height of the centre of mass').nullable(),
    grossKg: kg('Gross vehicle mass').nullable(),
    frontAxleKg: kg('Front axle limit').nullable(),
    rearAxleKg: kg('Rear axle limit').nullable(),
    items: z
      .array(z.object({ name: z.string().max(120), massKg: kg('Mass'), xMm: any('Forward of rear axle'), zMm: any('Above ground') }))
      .max(200),
  }),
  output: z.object({
    totalKg: number,
    frontKg: number,
    rearKg: number,
    centreXMm: number,
    centreZMm: number.nullable(),
    grossLeftKg: number.nullable(),
    frontLeftKg: number.nullable(),
    rearLeftKg: number.nullable(),
    leftKg: number.nullable(),
  }),
  example: {
    kerbFrontKg: 1185,
    kerbRearKg: 965,
    wheelbaseMm: 3660,
    kerbCentreZMm: 790,
    grossKg: 3500,
    frontAxleKg: 1850,
    rearAxleKg: 2100,
    items: [
      { name: 'two people', massKg: 160, xMm: 2400, zMm: 1100 },
      { name: 'water tank', massKg: 90, xMm: -300, zMm: 700 },
      { name: 'rack and cargo', massKg: 100, xMm: 900, zMm: 2800 },
    ],
  },
  run: (v) => {
    const loads = axleLoads(v)
    if (loads.totalKg <= 0) throw new Impossible('the vehicle weighs nothing: give its kerb masses')
    return { ...loads, ...payloadLeft(loads, v) }
  },
})

const tyres = calculator({
  name: 'tyre-change',
  title: 'Height with other tyres',
  about: 'How much higher a vehicle stands on other tyres, and what the speedometer then shows.',
  formula: 'D = 2·w·a + rim; Δh = (D₂ − D₁) / 2',
  source: 'ETRTO Standards Manual, nominal sizes; both tyres taken to sink alike',
  input: z
    .object({
      heightMm: positive('Height now'),
      now: z.string().max(30).meta({ title: 'Tyre now' }),
      next: z.string().max(30).meta({ title: 'Tyre next' }),
    })
    .superRefine((v, ctx) => {
      for (const key of ['now', 'next'] as const)
        if (tyreDiameterMm(v[key]) === null)
          ctx.addIssue({ code: 'custom', path: [key], message: `“${v[key]}” is no tyre size: write it as 235/65 R16` })
    }),
  output: z.object({ heightMm: number, higherByMm: number, nowMm: number, nextMm: number, trueSpeedAt100: number }),
  example: { heightMm: 2590, now: '235/65 R16', next: '245/75 R16' },
  run: (v) => {
    const [a, b] = [tyreDiameterMm(v.now) ?? 0, tyreDiameterMm(v.next) ?? 0]
    return { heightMm: v.heightMm + (b - a) / 2, higherByMm: (b - a) / 2, nowMm: a, nextMm: b, trueSpeedAt100: (100 * b) / a }
  },
})

const strut = calculator({
  name: 'cover-strut',
  title: 'Struts of a hinged cover',
  about:
    'A hinged cover with a rack on it: the force that still holds it open at its angle, what the given struts can carry, and the push that shuts it with the rack off.',
  formula: 'n·F·arm = Σ m·g·x·cos θ',
  source: 'moments about the hinge (statics)',
  input: z.object({
    openDeg: z.number().min(0).max(89, 'must be less than 90°: past it the cover holds itself').meta({ title: 'Open at', unit: '°' }),
    coverKg: kg('Cover'),
    coverCentreMm: positive('Hinge to its centre'),
    rackKg: kg('Rack and load on it'),
    rackCentreMm: positive('Hinge to the rack’s centre'),
    struts: z.number().int().min(1).max(8).meta({ title: 'Struts' }),
    strutForceN: positive('Force of one strut', 'N', 20_000),
    onCoverMm: positive('Strut on the cover, from hinge'),
    onBodyMm: any('Strut on the body, from hinge'),
    bodyBelowMm: any('Strut on the body, below hinge'),
  }),
  output: z.object({
    weightMomentNmm: number,
    armMm: number,
    neededForceN: number,
    holds: z.boolean(),
    mostRackKg: number,
    closingHandN: number,
  }),
  example: {
    openDeg: 35,
    coverKg: 38,
    coverCentreMm: 720,
    rackKg: 22,
    rackCentreMm: 760,
    struts: 2,
    strutForceN: 700,
    onCoverMm: 520,
    onBodyMm: 900,
    bodyBelowMm: 120,
  },
  run: (v) => {
    const answer = strutBalance(v)
    if (!Number.isFinite(answer.neededForceN) || answer.armMm <= 0)
      throw new Impossible('the strut’s line passes on the wrong side of the hinge: it pulls the cover shut; move one of its ends')
    return answer
  },
})

export const measuringCalculators = [taperCheck, offsets, meanSpread, pattern, payload, tyres, strut]
