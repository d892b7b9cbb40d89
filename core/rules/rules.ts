import { z } from 'zod'

type RuleMeta = { label: string; unit: string; source: string; group: string }
const rule = (value: number, min: number, max: number, group: string, label: string, unit: string, source = "shop's own") =>
  z
    .number()
    .min(min)
    .max(max)
    .default(value)
    .meta({ label, unit, source, group } satisfies RuleMeta)

/** What no standard prescribes for racks of this class; the same figure as the rules for heavier vehicles use. */
const LIKE_HEAVIER = "shop's own; the figure that EN 12195-1 and 49 CFR 393.102 use for heavier vehicles"

/** Every factor that is not physics. The form on the Rules shelf is made from this schema. */
export const RulesSchema = z.object({
  nearRatio: rule(0.85, 0.5, 0.99, 'Limits', 'A limit counts as near from this share', ''),
  heightMarginMm: rule(50, 0, 500, 'Limits', 'Air to leave under the lowest passage', 'mm'),
  leastStability: rule(0.95, 0.5, 2, 'Limits', 'Least static stability factor', '', "shop's own; light vans lie near 1.1, cars near 1.4"),
  yieldSafety: rule(1.67, 1, 4, 'Limits', 'Safety factor on yield', '', 'AISC 360-16 F1, ASD, Ω = 1.67'),
  sagRatio: rule(150, 50, 500, 'Limits', 'Bar sag: span divided by', '', "shop's own"),
  defaultOverhangMm: rule(0, 0, 3000, 'Limits', 'Free overhang to assume when an item has no rule (0 = do not assume: not assessed)', 'mm'),

  flagBehindMm: rule(1000, 0, 5000, 'Road', 'Remind of flag rules from this far behind', 'mm'),
  flagAheadMm: rule(0, 0, 5000, 'Road', 'Remind of rules from this far ahead', 'mm'),
  mostBehindMm: rule(1500, 0, 5000, 'Road', 'Most a load may reach behind the vehicle', 'mm', 'local rule: set yours'),
  mostAheadMm: rule(500, 0, 5000, 'Road', 'Most a load may reach ahead of it', 'mm', 'local rule: set yours'),
  leastDepartureDeg: rule(10, 0, 45, 'Road', 'Least departure angle with a carrier', '°'),
  friction: rule(0.3, 0.05, 0.8, 'Securing', 'Friction, where nothing better is known', '', 'EN 12195-1:2010, annex B: wet or smooth'),
  strapTensionN: rule(
    500,
    50,
    5000,
    'Securing',
    'Pull that a hand puts into a strap',
    'N',
    "shop's own; a ratchet reaches more, its label says STF",
  ),
  proofFactor: rule(1.5, 1, 3, 'Load test', 'Proof load, times the most that a bar carries standing', ''),
  proofSagShare: rule(1.25, 1, 2, 'Load test', 'Sag may be up to this share of the computed one', ''),
  proofSetMm: rule(0.5, 0, 5, 'Load test', 'What may stay after the load is off', 'mm'),
  strapWllKg: rule(250, 25, 5000, 'Securing', 'Working load limit of the shop’s usual strap', 'kg', 'its label'),
  flatPitchMm: rule(1200, 200, 3000, 'Securing', 'Flat sheets: most between two straps', 'mm'),
  flatEndMm: rule(400, 50, 1500, 'Securing', 'Flat sheets: first strap this near the front edge', 'mm'),
  tiltingG: rule(0.6, 0, 2, 'Securing', 'Sideways, for what could tip over', 'g', LIKE_HEAVIER),
  strapSafety: rule(1.25, 1, 2, 'Securing', 'Factor on friction lashing, forward', '', 'EN 12195-1:2010, 5.1'),
  tallMm: rule(3000, 1500, 6000, 'Road', 'Remind of a height plate from', 'mm'),

  bumpG: rule(2.0, 1, 6, 'Load cases', 'Road bump, downwards', 'g', "shop's own; static load included"),
  roughG: rule(3.0, 1, 8, 'Load cases', 'Rough track, downwards', 'g', "shop's own; static load included"),
  reboundG: rule(0.4, -2, 1, 'Load cases', 'Rebound after a bump, downwards', 'g', "shop's own; what is left of the weight"),
  roughReboundG: rule(-0.5, -4, 1, 'Load cases', 'Rebound on a rough track, downwards (less than 0 = it lifts)', 'g', "shop's own"),
  roughShare: rule(0.5, 0, 1, 'Load cases', 'Of a rough track’s shock, what comes together with braking or cornering', '', "shop's own"),
  brakingG: rule(0.8, 0, 2, 'Load cases', 'Braking, forward', 'g', LIKE_HEAVIER),
  corneringG: rule(0.5, 0, 2, 'Load cases', 'Cornering, sideways', 'g', LIKE_HEAVIER),
  pullingG: rule(0.5, 0, 2, 'Load cases', 'Pulling away, rearward', 'g', LIKE_HEAVIER),
  headWindKmh: rule(30, 0, 150, 'Load cases', 'Head wind on top of the driving speed', 'km/h', "shop's own; a fresh breeze"),
  seatFirmNmm: rule(1500, 10, 100_000, 'Structure', 'Seat on a gutter, rail or fixed point gives way by', 'N/mm'),
  seatSkinNmm: rule(400, 10, 100_000, 'Structure', 'Seat on thin sheet gives way by', 'N/mm'),
  seatSideNmm: rule(100, 10, 100_000, 'Structure', 'A foot gives way sideways and along by', 'N/mm'),
  receiverNmPerDeg: rule(
    500,
    10,
    100_000,
    'Structure',
    'A receiver turns one degree under',
    'N·m',
    "shop's own; hang a known mass on a long bar and measure",
  ),
  weldLegMm: rule(4, 1, 12, 'Structure', 'Leg of a fillet weld', 'mm'),
  sideShare: rule(0.5, 0, 1, 'Structure', 'A clamped foot holds aside this share of what it bears down', '', "shop's own"),
  tubeBoltTorqueNm: rule(6, 0.5, 60, 'Structure', 'Torque of a bolt through an empty tube', 'N·m', "shop's own; less crushes less"),
  fatigueShare: rule(
    0.5,
    0.1,
    1,
    'Fatigue',
    'Of the road’s greatest swing, what counts as if it came at every one of the cycles',
    '',
    "shop's own; roads were not recorded",
  ),
  roughCycles: rule(1_000_000, 1000, 1e8, 'Fatigue', 'Cycles in its life, daily on a rough track', '', "shop's own"),
  roadCycles: rule(200_000, 1000, 1e8, 'Fatigue', 'Cycles in its life, daily on roads', '', "shop's own"),
  fatigueSafety: rule(1.35, 1, 2, 'Fatigue', 'Factor on fatigue strength', '', 'EN 1993-1-9, table 3.1: safe life, high consequence'),
  leastFrontShare: rule(
    0.85,
    0.3,
    1,
    'Limits',
    'Least share of its unladen load that the front axle must keep',
    '',
    "shop's own; steering and brakes need it",
  ),
  receiverArmMm: rule(
    300,
    50,
    1500,
    'Road',
    'A receiver’s tongue rating is taken to hold this far behind the pin',
    'mm',
    "shop's own; its maker may say otherwise",
  ),
  loadFactor: rule(1.5, 1, 3, 'Structure', 'Load factor for bolts and screws', '', 'EN 1990, table A1.2, γQ = 1.5'),
  leanFactor: rule(1.5, 1, 4, 'Structure', 'A drawer pulled out weighs more, for somebody leaning on it', ''),
  tNutN: rule(0, 0, 50_000, 'Structure', 'Maker’s rating of one T-slot nut (0 = not known)', 'N', 'maker of the extrusion'),
  clampTorqueNm: rule(6, 0.5, 60, 'Structure', 'Torque of a clamp’s bolts', 'N·m', "shop's own; the maker of the clamp says"),
  clampFriction: rule(0.2, 0.02, 0.6, 'Structure', 'Friction of a clamp on what it grips', '', 'EN 1993-1-8, table 3.7: class D, as found'),
  weldZoneMm: rule(
    25,
    0,
    100,
    'Structure',
    'Aluminium is soft this far from a weld',
    'mm',
    'Aluminum Design Manual 2015, F.4 and Eurocode 9, 6.1.6: about 25 mm',
  ),
  personKg: rule(100, 50, 200, 'Load cases', 'A person standing', 'kg', "shop's own"),
  personImpact: rule(1.5, 1, 3, 'Load cases', 'Somebody stepping or dropping on it presses by so many times his weight', '', "shop's own"),
  climbPullShare: rule(0.5, 0, 1.5, 'Load cases', 'A climber leans out: pull aside, times his weight', '', "shop's own"),
  airDensity: rule(1.225, 0.9, 1.5, 'Load cases', 'Air density', 'kg/m³', 'ISO 2533, sea level'),
  sideWindKmh: rule(
    90,
    0,
    250,
    'Load cases',
    'Gust from the side (0 = none is reckoned with)',
    'km/h',
    "shop's own; a strong gale by the Beaufort scale",
  ),
  dragCoefficient: rule(
    1.2,
    0.1,
    2.5,
    'Load cases',
    'Drag coefficient of cargo and bars',
    '',
    'Hoerner, Fluid-Dynamic Drag, ch. 3: box or flat face across the wind',
  ),
  fairingDragCoefficient: rule(0.6, 0.1, 2.5, 'Load cases', 'Drag coefficient of a raked fairing', '', "shop's own"),
  liftCoefficient: rule(0.3, 0, 2, 'Load cases', 'Lift coefficient on plan area', '', "shop's own"),

  weldMigMmMin: rule(220, 10, 2000, 'Welding', 'MIG: weld laid in a minute of arc', 'mm/min', "shop's own; thin tube, out of position"),
  weldTigMmMin: rule(80, 5, 1000, 'Welding', 'TIG: weld laid in a minute of arc', 'mm/min', "shop's own"),
  weldStickMmMin: rule(130, 10, 1000, 'Welding', 'Stick: weld laid in a minute of arc', 'mm/min', "shop's own"),
  weldSetUpMin: rule(2.5, 0, 60, 'Welding', 'Minutes to fit, clamp and tack a joint', 'min', "shop's own"),
  weldGasLMin: rule(12, 0, 40, 'Welding', 'Shielding gas', 'l/min', "shop's own; the regulator says"),
  flushThroatShare: rule(0.7, 0.2, 1, 'Welding', 'Throat left of a seam ground flush, of what it was', '', "shop's own"),
  fitUpGapMm: rule(1.5, 0, 5, 'Welding', 'Largest gap that a weld may bridge', 'mm'),
  leadDropShare: rule(0.05, 0.01, 0.2, 'Welding', 'Most voltage lost in the lead of a welder', '', "shop's own"),

  cutMin: rule(2, 0, 60, 'Times', 'A saw cut, marked and deburred', 'min'),
  bendMin: rule(6, 0, 120, 'Times', 'A bend, with marking', 'min'),
  saddleMin: rule(8, 0, 120, 'Times', 'A saddle, with template or hole saw', 'min'),
  plateMin: rule(9, 0, 240, 'Times', 'A flat part, cut and dressed', 'min'),
  foldMin: rule(4, 0, 120, 'Times', 'A fold', 'min'),
  holeMin: rule(1.5, 0, 60, 'Times', 'A hole, drilled and deburred', 'min'),
  boltMin: rule(1.2, 0, 60, 'Times', 'A bolt, put in and torqued', 'min'),
  footMin: rule(9, 0, 240, 'Times', 'A foot, set out and fitted to the vehicle', 'min'),
  prepMinM2: rule(25, 0, 600, 'Times', 'Degrease and abrade, for a square metre', 'min'),
  coatMinM2: rule(20, 0, 600, 'Times', 'A coat, for a square metre', 'min'),
  coats: rule(2, 1, 8, 'Times', 'Coats of paint', ''),
  recoatHours: rule(12, 0, 240, 'Times', 'Between coats', 'h', 'the maker of the coat says'),
  cureHours: rule(72, 0, 1000, 'Times', 'Until a coat carries', 'h', 'the maker of the coat says'),
  workHours: rule(7, 1, 14, 'Times', 'Hours of work in a day', 'h'),
  workDays: rule(5, 1, 7, 'Times', 'Days of work in a week, from Monday', 'days'),
  leadDays: rule(3, 0, 120, 'Times', 'Until what is bought is here', 'days'),
  coaterDays: rule(5, 0, 120, 'Times', 'At the coater, there and back', 'days'),
  liftKg: rule(25, 5, 60, 'Times', 'One person lifts', 'kg', "shop's own; local rules for work say what applies"),

  kerfMm: rule(3, 0, 10, 'Saw', 'Saw kerf', 'mm'),
  endTrimMm: rule(5, 0, 100, 'Saw', 'Trim at each end of a bar', 'mm'),
  leastRemnantMm: rule(300, 0, 3000, 'Saw', 'Shortest offcut worth shelving', 'mm'),
  stripCoatedEach: rule(6, 0, 500, 'Saw', 'Stripping a coated offcut, each', 'money'),
  dressPittedEach: rule(9, 0, 500, 'Saw', 'Dressing a pitted offcut, each', 'money'),

  kFactor: rule(0.42, 0.2, 0.5, 'Brake', 'K factor for air bending', '', "shop's own; 0.33 to 0.45 is usual for r from t to 3t"),
  leastFlangeT: rule(5, 1, 20, 'Brake', 'Shortest flange, in thicknesses', '', "shop's own; the die's opening says"),
  leastRadiusT: rule(1, 0, 10, 'Brake', 'Tightest inside radius, in thicknesses', '', "shop's own; the sheet's maker says for its temper"),
  holeErrorMm: rule(1, 0, 5, 'Holes', 'A hole set out on the vehicle may be off by', 'mm'),
  sheetGapMm: rule(6, 0, 50, 'Sheet', 'Between parts on a sheet', 'mm', 'the table, the torch or the saw says'),
  sheetEdgeMm: rule(10, 0, 100, 'Sheet', 'Left free along the edge of a sheet', 'mm'),

  wetWoodShare: rule(0.25, 0, 1, 'Structure', 'Wood is heavier when wet, by', ''),
  sparesPercent: rule(5, 0, 100, 'Money', 'Spare bolts, nuts, washers and caps', '%'),
  labourPerHour: rule(62, 0, 1000, 'Money', 'Labour per hour', 'money'),
  hoursBase: rule(2.5, 0, 40, 'Money', 'Hours to set out and fit, before any part', 'h'),
  hoursPerBar: rule(0.7, 0, 20, 'Money', 'Hours per bar, rail or post', 'h'),
  hoursPerJoint: rule(0.15, 0, 5, 'Money', 'Hours per joint', 'h'),
  hoursFairing: rule(2, 0, 20, 'Money', 'Hours for a fairing, panel or infill', 'h'),
  finishPerM2: rule(34, 0, 1000, 'Money', 'Coating per square metre', 'money'),
  marginPercent: rule(22, 0, 90, 'Money', 'Margin on price', '%'),
})
export type Rules = z.infer<typeof RulesSchema>
export const defaultRules: Rules = RulesSchema.parse({})

/** What the Rules form shows for each rule: its label, unit, where the number comes from. */
export const ruleFields: { key: keyof Rules; label: string; unit: string; source: string; group: string; standard: number }[] = (
  Object.entries(RulesSchema.shape) as [keyof Rules, z.ZodDefault<z.ZodNumber>][]
).map(([key, schema]) => ({ key, ...(schema.meta() as unknown as RuleMeta), standard: defaultRules[key] }))
