import type { WayRow } from '../../core/advice/otherWays'
import type { Program } from '../../core/cutRun/programs'
import { writeJobFile } from '../../core/exchange/jobFile'
import type { IssuedPlan } from '../../core/issuedPlan/issuedPlan'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import type { SawSetting } from '../../core/nesting/barLine'
import type { CutPlan } from '../../core/nesting/planCuts'
import type { Rules } from '../../core/rules/rules'
import { flatKinds } from '../../core/sheetNesting/sheetPlan'
import type { PlannedShop } from '../../core/shop/shop'
import type { SheetOffcut } from '../../core/stock/stock'
import { tubeWork } from '../../core/tube/tubeParts'
import { weldMap } from '../../core/weldMap/weldMap'
import type { Title } from './paper'
import type { Print } from './printed'

type Heading = Omit<Title, 'stamp'>
type Given = {
  job: Job
  rules: Rules
  accepted: IssuedPlan | null
  made: { plan: CutPlan; saw: SawSetting }
  ways: WayRow[]
  shop: PlannedShop
  begun: SheetOffcut[]
  /** of its sheets, for the cutting table */
  programs: Program[]
  heading: (sheet: string) => Promise<Heading>
}

/** Every sheet and file of a job by its name, those left out that would be empty. */
export async function everything(given: Given, print: (p: Print) => Promise<Uint8Array>): Promise<Record<string, Uint8Array>> {
  const { job, rules, accepted, made, ways, shop, begun, programs, heading } = given
  const assembly = madeAssembly(job, rules)
  const kinds = flatKinds(assembly, rules)
  const sheets: [string, 'tube' | 'welds' | 'build' | 'flat' | 'flat-templates' | 'holes' | 'owner-card' | 'hand-over', string, boolean][] =
    [
      ['owner-card.pdf', 'owner-card', 'Owner’s card', true],
      ['hand-over.pdf', 'hand-over', 'Hand-over', job.pieces.length > 0],
      ['tube.pdf', 'tube', 'Bends and templates', tubeWork(assembly).length > 0],
      ['welds.pdf', 'welds', 'Weld map', weldMap(assembly, shop.workshop.welders, rules).seams.length > 0],
      ['build.pdf', 'build', 'Order of work', job.pieces.length > 0],
      ['flat.pdf', 'flat', 'Fold sheets and nests', kinds.length > 0],
      ['flat-templates.pdf', 'flat-templates', 'Flat parts at full size', kinds.length > 0],
      [
        'holes.pdf',
        'holes',
        'Drilling sheet',
        assembly.joints.some((j) => j.bolts) || assembly.mounts.length > 0 || assembly.members.some((m) => m.notches),
      ],
    ]
  const files: Record<string, Uint8Array> = { 'job.json': new TextEncoder().encode(writeJobFile(job)) }
  // one after another: the workshop has others to serve
  const put = async (name: string, p: Print) => {
    files[name] = new Uint8Array(await print(p))
  }
  await put('arrangement.pdf', { of: 'arrangement', job, rules, accepted, title: await heading('General arrangement') })
  await put('client-page.html', { of: 'client-page', job, rules, made: made.plan, ways, title: await heading('Client’s page') })
  if (assembly.members.length) {
    await put('cut-sheet.pdf', { of: 'cut-sheet', job, rules, made, workshop: shop.workshop, accepted, title: await heading('Cut sheet') })
    await put('labels.pdf', { of: 'labels', job, rules, plan: made.plan, title: await heading('Labels') })
  }
  if (assembly.members.length + kinds.length) await put('cut-list.csv', { of: 'cut-list', job, rules })
  for (const [name, of, title, has] of sheets)
    if (has) await put(name, { of, job, rules, shop, begun, accepted, title: await heading(title) })
  for (const view of ['plan', 'side', 'rear'] as const)
    for (const as of ['dxf', 'svg'] as const) await put(`drawing/${view}.${as}`, { of: 'drawing', job, rules, view, as })
  if (kinds.length) await put('flat/nest.dxf', { of: 'nest', job, rules, begun })
  for (const [i, p] of programs.entries()) if ('program' in p) files[`flat/sheet-${i + 1}.nc`] = new TextEncoder().encode(p.program)
  for (const mark of kinds.flatMap((k) => k.marks)) await put(`flat/${mark}.dxf`, { of: 'flat-part', job, rules, mark })
  await put('rechecks.ics', { of: 'rechecks', job, rules, today: (await heading('')).date })
  await put('model.glb', { of: 'model', job, rules })
  return files
}
