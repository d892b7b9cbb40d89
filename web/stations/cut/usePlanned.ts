import { useMemo } from 'react'
import { buildPlan } from '../../../core/build/buildPlan'
import { type BuildDays, daysAlone } from '../../../core/build/calendar'
import type { BuildPlan } from '../../../core/build/step'
import { type StepState, stepStates } from '../../../core/build/ticks'
import type { Job } from '../../../core/job/job'
import { builtFrom } from '../../../core/job/piecesOf'
import { type KitRow, kitRows, kitStanding } from '../../../core/purchase/kit'
import { kitNeeds } from '../../../core/purchase/needs'
import type { Rules } from '../../../core/rules/rules'
import type { PlannedShop } from '../../../core/shop/shop'
import { localDay } from '../../../core/time/localDay'
import { useFit } from '../../job/useFit'

export type Planned = { asked: ReturnType<typeof builtFrom>['asked']; plan: BuildPlan; kit: KitRow[]; states: StepState[]; days: BuildDays }

/** The order of work, its kit and its days, of a job as it stands; null until the shop is known. */
export function usePlanned(job: Job, shop: PlannedShop | undefined, rules: Rules): Planned | null {
  const made = useMemo(() => builtFrom(job, rules), [job, rules])
  const reach = useFit()?.apart
  return useMemo(() => {
    if (!shop) return null
    const { workshop, suppliers, calendar } = shop
    const plan = buildPlan({ ...made, reach, workshop, suppliers, rules })
    const kit = kitRows(kitNeeds(made, workshop.coats, rules), job.kit, suppliers, rules)
    const states = stepStates(plan, job.built, { kit: missingWords(kit) })
    return {
      asked: made.asked,
      plan,
      kit,
      states,
      days: daysAlone(plan, job, { kit: kitStanding(kit), today: localDay(), rules, calendar }),
    }
  }, [made, job, shop, rules, reach])
}

const SAID = 3
/** What holds up the gate of the kit, in a few words. */
function missingWords(kit: KitRow[]): string[] {
  const missing = kit.filter((r) => r.state !== 'here')
  if (!missing.length) return []
  const named = missing.slice(0, SAID).map((r) => r.name.toLowerCase())
  return [`the kit: ${named.join(', ')}${missing.length > SAID ? ` and ${missing.length - SAID} more` : ''} not here`]
}
