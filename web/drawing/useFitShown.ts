import { useMemo } from 'react'
import type { Assembly } from '../../core/assembly/assembly'
import type { ShownGap } from '../../core/drawing/gapLines'
import { movedTo, type Shown } from '../../core/fit/moved'
import type { Vec3 } from '../../core/geometry/vec3'
import type { Job } from '../../core/job/job'
import { figureText } from '../../core/quantity/figureText'
import type { Apart } from '../../core/reach/takeApart'
import { useFit } from '../job/useFit'
import { useUnits } from '../quantity/units'
import { useView } from './view'

const NONE: ShownGap[] = []

/** The tool on a bolt, or the side of a weld, that is looked at. */
function toolShown({ bolts, welds }: Apart, id: string | null): ShownGap | null {
  const bolt = bolts.find((b) => reachId(b.id) === id)
  if (bolt?.at)
    return {
      at: [bolt.at, bolt.at],
      text: bolt.tool ? bolt.tool.what : 'no tool gets here',
      bad: !bolt.tool,
      ...(bolt.tool ? { room: bolt.tool.room } : {}),
    }
  const weld = welds.find((w) => reachId(w.id) === id)
  return weld
    ? { at: [weld.at, weld.at], text: weld.when === 'never' ? 'no torch gets here' : 'welded first', bad: weld.when === 'never' }
    : null
}
/** How what is reached is named among what is looked at. */
export const reachId = (id: string): string => `reach:${id}`

/** What the views draw: at Fit with one thing moved, all else shut, and its gaps; anywhere else the job as it is. */
export function useFitShown(job: Job, assembly: Assembly, on: boolean): Shown & { gaps: ShownGap[]; focus: Vec3 | null } {
  const fit = useFit()
  const units = useUnits()
  const { moving, gapId } = useView()
  const { vehicle, brief } = job
  return useMemo(() => {
    const plain: Shown = { assembly, vehicle, brief }
    if (!on) return { ...plain, gaps: NONE, focus: null }
    const motion = fit?.motions.find((m) => m.mover.id === moving?.id)
    const shown = movedTo(plain, moving?.id ?? null, moving?.value ?? 0, moving?.firstId ?? null)
    // the touch of what is moved while it is near it, else the gap that is looked at; all that may not stay where neither is
    if (motion && moving) {
      const { touch } = motion
      const there = touch && moving.value >= touch.at - 1e-9
      return {
        ...shown,
        gaps: there ? [{ at: touch.places, text: `${touch.part.name} meets ${touch.what.name}`, bad: true }] : NONE,
        focus: null,
      }
    }
    const tool = fit?.apart ? toolShown(fit.apart, gapId) : null
    if (tool) return { ...shown, gaps: [tool], focus: tool.at[0] }
    const looked = fit?.gaps.filter((g) => g.id === gapId) ?? []
    const bad = fit?.gaps.filter((g) => g.state === 'meets' || g.state === 'tight') ?? []
    const gaps = (looked.length ? looked : bad).map(
      (g): ShownGap => ({
        at: g.at,
        text:
          g.state === 'measure'
            ? 'measure here'
            : g.gapMm < 0
              ? `${figureText(-g.gapMm, 'gauge', units)} deep`
              : figureText(g.gapMm, 'gauge', units),
        bad: g.state === 'meets' || g.state === 'tight',
      }),
    )
    return { ...shown, gaps, focus: looked[0]?.at[0] ?? null }
  }, [on, assembly, vehicle, brief, fit, moving, gapId, units])
}
