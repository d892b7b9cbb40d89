import { findings } from '../measure/findings'
import { type MeasureState, stateOfMeasure, stateSays } from '../measure/settle'
import { letterOf, measureOf, measuringSheets } from '../measure/sheets'
import type { Vehicle } from '../vehicle/vehicle'
import { placesOf } from './places'

export type Needed = { id: string; sheet: string; label: string; why: string; state: MeasureState | 'contradiction' | 'no mounts' }

/** What must be settled before anything is cut: figures the parts depend on that are unknown, assumed, put off or in dispute. */
export function neededBeforeCutting(vehicle: Vehicle): Needed[] {
  const fits = measuringSheets.filter((s) => s.fits(vehicle))
  const open = fits.flatMap((sheet) =>
    sheet.quantities.flatMap((q): Needed[] => {
      const s = measureOf(vehicle, q)
      const state = stateOfMeasure(s)
      const settled = state === 'single' || state === 'repeated'
      if (settled || (!q.beforeCutting && state !== 'conflict')) return []
      return [
        {
          id: q.id,
          sheet: sheet.id,
          label: `${letterOf(sheet, q.id)}, ${q.label.toLowerCase()}`,
          why: state === 'later' ? `at ${s.step}` : stateSays[state],
          state,
        },
      ]
    }),
  )
  const contradictions = fits.flatMap((sheet) =>
    findings(vehicle, sheet)
      .filter((f) => f.kind === 'contradiction' && f.about.length > 1)
      .map(
        (f): Needed => ({
          id: `${sheet.id}:${f.about[0]}`,
          sheet: sheet.id,
          label: sheet.title,
          why: 'readings contradict each other',
          state: 'contradiction',
        }),
      ),
  )
  // where a line lies decides every bar on it; taken over from another vehicle it has not been measured on this one
  const lines = vehicle.mounts.flatMap((m): Needed[] =>
    m.taken.method === 'assumed'
      ? [{ id: `line.${m.id}`, sheet: 'mounts', label: `${m.name}, its place`, why: stateSays.assumed, state: 'assumed' }]
      : [],
  )
  return [
    ...open,
    ...contradictions,
    ...lines,
    ...(placesOf(vehicle).places.length
      ? []
      : [{ id: 'mounts', sheet: 'mounts', label: 'Mounts', why: 'nowhere to stand a foot yet', state: 'no mounts' as const }]),
  ]
}
