import { buildPlan } from '../../core/build/buildPlan'
import { type CutPart, cutList } from '../../core/cutList/cutList'
import type { Job } from '../../core/job/job'
import { builtFrom } from '../../core/job/piecesOf'
import { kitNeeds, type Need } from '../../core/purchase/needs'
import type { Rules } from '../../core/rules/rules'
import type { WorkStep } from '../../core/schedule/work'
import type { PlannedShop } from '../../core/shop/shop'

/** What a job asks of the shop: its steps, all that is bought for it, and its bars as they are cut. */
export type JobWork = { steps: WorkStep[]; needs: Need[]; parts: CutPart[] }

/** What tools get to is left out: it takes longer than all the rest, and the steps that come of it take minutes, no days. */
export function jobWork(job: Job, { workshop, suppliers }: PlannedShop, rules: Rules): JobWork {
  const made = builtFrom(job, rules)
  const { steps } = buildPlan({ ...made, workshop, suppliers, rules })
  const asked = steps.map(
    ({ id, title, minutes, people, needs, waitHours, place, afterHandOver }): WorkStep => ({
      ...{ id, title, minutes, people, needs, waitHours, place, afterHandOver },
    }),
  )
  return { steps: asked, needs: kitNeeds(made, workshop.coats, rules), parts: cutList(made.assembly) }
}

/** Raised when steps or needs are worked out differently: what an older program kept is worked out anew. */
export const WORK_VERSION = 5
