import { z } from 'zod'
import type { Assembly } from '../assembly/assembly'
import { type Figure, figure, SHOP_RULE } from '../figure/figure'
import { Impossible } from '../issue/impossible'
import type { Rules } from '../rules/rules'
import { dropV, type Wire, wire } from './wiring'

export const MOST_RUNS = 30
/** One cable from the source to something that draws current. null = nobody knows yet. mm, W, V */
export const RunSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().max(80),
  powerW: z.number().positive('must be more than 0').max(10_000).nullable().default(null),
  supplyV: z.number().min(5).max(60).default(12),
  /** the foot where it leaves the rack, and the fitting it goes to: what lies between them is taken off the drawing */
  fittingId: z.string().max(120).nullable().default(null),
  mountId: z.string().max(120).nullable().default(null),
  /** from there to the source, as measured along the way it goes */
  restMm: z.number().min(0).max(50_000).nullable().default(null),
  /** how the current comes back */
  back: z.enum(['cable', 'body']).default('cable'),
  colour: z.string().trim().max(40).default(''),
  /** holes through metal that it passes: a grommet in each */
  holes: z.number().int().min(0).max(40).default(0),
})
export type Run = z.infer<typeof RunSchema>

export type WiredRun = {
  run: Run
  /** along the rack, off the drawing; null = none of it is */
  alongMm: number | null
  /** with slack; null = not known */
  lengthMm: number | null
  wire: Wire | null
  /** its length, current, fuse, conductor and drop, each with its working */
  figures: Figure[]
  lacks: string[]
  /** why there is no such cable */
  fault: string
}

type Rack = Pick<Assembly, 'fittings' | 'mounts'>
const ends = (run: Run, rack: Rack) => ({
  fitting: rack.fittings.find((f) => f.id === run.fittingId),
  mount: rack.mounts.find((m) => m.id === run.mountId),
})
const placed = (f: Rack['fittings'][number] | undefined): boolean =>
  f !== undefined && !f.unknown.some((u) => u === 'x' || u === 'z' || u === 'behind')

/** What of a run nobody knows. */
export function runLacks(run: Run, rack: Rack): string[] {
  const { fitting, mount } = ends(run, rack)
  return [
    ...(run.powerW === null ? [`power of ${run.name || 'a run'}`] : []),
    ...(run.restMm === null ? [`the way from ${mount ? `foot ${mount.mark}` : 'what it feeds'} to the source`] : []),
    ...(run.fittingId !== null && !fitting ? ['what it went to, which is not there any more'] : []),
    ...(run.mountId !== null && !mount ? ['the foot it left by, which is not there any more'] : []),
    ...(fitting && !placed(fitting) ? [`place of ${fitting.name}`] : []),
    ...(fitting && run.mountId === null ? ['the foot by which it leaves the rack'] : []),
  ]
}

/**
 * Each run with its length, conductor, drop and fuse. On the rack a cable goes along and across, never through the air: the sum of the three ways from the
 * fitting to the foot. Anything not known leaves the run without a cable.
 */
export const wiredRuns = (runs: readonly Run[], rack: Rack, rules: Rules): WiredRun[] =>
  runs.map((run) => {
    const { fitting, mount } = ends(run, rack)
    const alongMm =
      fitting && placed(fitting) && mount
        ? Math.abs(fitting.at.x - mount.place.x) + Math.abs(fitting.at.y - mount.place.y) + Math.abs(fitting.at.z - mount.place.z)
        : null
    const lacks = runLacks(run, rack)
    const none = { run, alongMm, lengthMm: null, wire: null, figures: [], lacks, fault: '' }
    if (lacks.length || run.powerW === null || run.restMm === null) return none
    const lengthMm = ((alongMm ?? 0) + run.restMm) * rules.wireSlack
    const fed = { powerW: run.powerW, supplyV: run.supplyV, lengthMm, back: run.back }
    try {
      const found = wire(fed, { mostShare: rules.wireDropShare, reserve: rules.wireReserve, mostAPerMm2: rules.wireAPerMm2 })
      return { ...none, lengthMm, wire: found, figures: workings(run, alongMm ?? 0, run.restMm, found, rules) }
    } catch (error) {
      if (!(error instanceof Impossible)) throw error
      return { ...none, lengthMm, fault: error.message }
    }
  })

/** The working of each number of a run. */
function workings(run: Run, alongMm: number, restMm: number, w: Wire, rules: Rules): Figure[] {
  const length = figure(
    {
      ...{ id: 'run.length', name: 'Cable', unit: 'mm', formula: 'L = (a + b)·k', source: `drawing and ${SHOP_RULE}` },
      with: {
        a: [alongMm, 'mm', 'along the rack, the three ways added up'],
        b: [restMm, 'mm', 'from there to the source'],
        k: [rules.wireSlack, '', 'slack'],
      },
      assumes: ['it goes the straight way along, across and down: measure it where it goes round something'],
    },
    ({ a, b, k }) => (a + b) * k,
  )
  const current = figure(
    {
      id: 'run.current',
      name: 'Current',
      unit: 'A',
      formula: 'I = P/U',
      source: 'Ohm’s law',
      with: { P: [run.powerW, 'W', 'power'], U: [run.supplyV, 'V', 'supply'] },
    },
    ({ P, U }) => P / U,
  )
  const fuse = figure(
    {
      ...{
        id: 'run.fuse',
        name: 'Fuse at the source',
        unit: 'A',
        formula: 'the next on sale from s·I',
        source: `ISO 8820-3; ${SHOP_RULE}`,
      },
      with: { I: [current.value, 'A', 'current'], s: [rules.wireReserve, '', 'reserve'] },
      notes: ['the cable’s maker must let it carry no less than the fuse'],
    },
    () => w.fuseA,
  )
  const section = figure(
    {
      ...{
        id: 'run.section',
        name: 'Conductor',
        unit: 'mm² of copper',
        formula: 'the next on sale with ΔV ≤ v·U and A·j ≥ fuse',
        source: `IEC 60228; ${SHOP_RULE}`,
      },
      with: {
        U: [run.supplyV, 'V', 'supply'],
        v: [rules.wireDropShare, '', 'most of it lost'],
        j: [rules.wireAPerMm2, 'A/mm²', 'trusted to a square millimetre'],
        fuse: [fuse.value, 'A', 'fuse'],
      },
    },
    () => w.sectionMm2,
  )
  const lost = figure(
    {
      ...{
        id: 'run.drop',
        name: 'Lost on the way',
        unit: 'V',
        formula: run.back === 'body' ? 'ΔV = ρ·L·I/A' : 'ΔV = 2·ρ·L·I/A',
        source: 'Ohm’s law; copper at 20 °C, IEC 60228',
      },
      with: { L: [length.value, 'mm', 'cable'], I: [current.value, 'A', 'current'], A: [section.value, 'mm² of copper', 'conductor'] },
      assumes: run.back === 'body' ? ['what the body loses on the way back is not reckoned'] : [],
    },
    ({ L, I, A }) => dropV({ lengthMm: L, back: run.back }, I, A),
  )
  return [section, fuse, length, current, lost]
}

/** What stands on the label at the fuse: one line a run. */
export const labelOf = ({ run, wire: w }: WiredRun): string =>
  `${run.name}${run.colour ? `, ${run.colour}` : ''}: ${w ? `fuse ${w.fuseA} A` : 'no fuse yet'}`
