import { fractionText } from '../quantity/formatQuantity'
import { type DisplayUnits, MM_PER_INCH } from '../quantity/units'
import type { PlannedBar, ProfilePlan } from './planCuts'

/** What the saw takes, fixed when a plan is accepted. mm */
export type SawSetting = { kerfMm: number; endTrimMm: number }
/** What a bar comes apart into. Trim at both ends, cuts, a kerf behind each cut, and the offcut; a last sliver no kerf leaves whole is lost. Σ = bar. mm */
export type BarLine = { trimMm: number; cutsMm: number[]; kerfs: number; kerfMm: number; offcutMm: number; sliverMm: number; barMm: number }

/** The offcut begins behind the last cut's kerf: what is left between trims and cuts, less a kerf for every cut. mm */
export function barLine(bar: Pick<PlannedBar, 'lengthMm'> & { cuts: { lengthMm: number }[] }, saw: SawSetting): BarLine {
  const cutsMm = bar.cuts.map((c) => c.lengthMm)
  const between = Math.max(0, cutsMm.length - 1) * saw.kerfMm
  const left = Math.max(0, bar.lengthMm - 2 * saw.endTrimMm - cutsMm.reduce((a, b) => a + b, 0) - between)
  const whole = left > saw.kerfMm + 1e-9
  return {
    trimMm: saw.endTrimMm,
    cutsMm,
    kerfs: whole ? cutsMm.length : Math.max(0, cutsMm.length - 1),
    kerfMm: saw.kerfMm,
    offcutMm: whole ? left - saw.kerfMm : 0,
    sliverMm: whole ? 0 : left,
    barMm: bar.lengthMm,
  }
}

/** The finest step that lengths are shown in, mm. */
const stepOf = (units: DisplayUnits): number => (units.system === 'inch' ? MM_PER_INCH / units.fraction : units.mmStep)

/**
 * A bar's line as text that adds up in the job's units. Every cut, the bar and the trim are rounded once; kerfs are rounded together, for one kerf may be
 * finer than the step; what is left takes what that leaves, so that the sum stands to the last step and no offcut is promised longer than it is by more
 * than half a step a number.
 */
export function barLineText(line: BarLine, units: DisplayUnits): { text: string; offcut: string; offcutMm: number } {
  const step = stepOf(units)
  const steps = (mm: number) => Math.round(mm / step)
  const shown = (n: number) =>
    units.system === 'inch' ? fractionText(n / units.fraction, units.fraction) : (n * step).toFixed(step < 1 ? 1 : 0).replace(/\.0$/, '')
  const bar = steps(line.barMm)
  const cuts = line.cutsMm.map(steps)
  const [trim, kerfs] = [steps(2 * line.trimMm), steps(line.kerfs * line.kerfMm)]
  const rest = bar - trim - kerfs - cuts.reduce((a, b) => a + b, 0)
  const left = rest > 0 ? [`${line.offcutMm > 0 ? 'offcut' : 'lost'} ${shown(rest)}`] : []
  const parts = [
    ...(trim > 0 ? [`trim ${shown(trim)}`] : []),
    ...cuts.map(shown),
    ...(kerfs > 0 ? [`${line.kerfs} ${line.kerfs === 1 ? 'kerf' : 'kerfs'} ${shown(kerfs)}`] : []),
    ...left,
  ]
  return { text: `${parts.join(' + ')} = ${shown(bar)}`, offcut: line.offcutMm > 0 ? shown(Math.max(0, rest)) : '', offcutMm: rest * step }
}

/** What goes back to the rack, as its bar's line says it: alike ones together, in the length shown, so that table and line never differ. */
export function offcutsShown(
  profiles: ProfilePlan[],
  saw: SawSetting,
  units: DisplayUnits,
): { profileId: string; grade: PlannedBar['grade']; length: string; count: number }[] {
  const out: ReturnType<typeof offcutsShown> = []
  for (const { profileId, bars } of profiles)
    for (const bar of bars.filter((b) => b.keepsRemnant)) {
      const length = barLineText(barLine(bar, saw), units).offcut
      const alike = out.find((o) => o.profileId === profileId && o.grade === bar.grade && o.length === length)
      if (alike) alike.count++
      else out.push({ profileId, grade: bar.grade, length, count: 1 })
    }
  return out
}
