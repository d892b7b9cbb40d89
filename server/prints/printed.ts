import type { WayRow } from '../../core/advice/otherWays'
import { cutList } from '../../core/cutList/cutList'
import { stops } from '../../core/cutList/stops'
import { cuttingDxf, nestedParts } from '../../core/drawing/sheetDrawing'
import { templateDrawing } from '../../core/drawing/templateDrawing'
import { toDxf } from '../../core/drawing/toDxf'
import { toSvg } from '../../core/drawing/toSvg'
import { drawView } from '../../core/drawing/views'
import { holesAlong } from '../../core/drilling/holesAlong'
import { cutListCsv } from '../../core/exchange/csv'
import { withFit } from '../../core/fit/fit'
import type { IssuedPlan } from '../../core/issuedPlan/issuedPlan'
import { type Moved, planMoved } from '../../core/issuedPlan/planMoved'
import { type Evaluation, evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import { quoteOf } from '../../core/job/quoteOf'
import { measuringSheets } from '../../core/measure/sheets'
import type { SawSetting } from '../../core/nesting/barLine'
import type { CutPlan } from '../../core/nesting/planCuts'
import type { Apart } from '../../core/reach/takeApart'
import type { Rules } from '../../core/rules/rules'
import { flatKinds, planSheets } from '../../core/sheetNesting/sheetPlan'
import type { PlannedShop } from '../../core/shop/shop'
import type { SheetOffcut } from '../../core/stock/stock'
import { surfaceNotes } from '../../core/stockSurface/stockSurface'
import type { Workshop } from '../../core/workshop/workshop'
import { fittingReady } from '../workshop/fitting'
import { arrangementPdf } from './arrangement'
import { assemblyGltf } from './assemblyGltf'
import { buildSheetPdf } from './buildSheet'
import { clientPageHtml } from './clientPage'
import { cutSheetPdf } from './cutSheet'
import { flatSheetPdf } from './flatSheet'
import { flatTemplatesPdf } from './flatTemplates'
import { handOverPdf } from './handOverSheet'
import { holeSheetPdf } from './holeSheet'
import { labelsPdf } from './labelSheet'
import { measuringSheetPdf } from './measuringSheet'
import { ownerCardPdf } from './ownerCardSheet'
import type { Stamp, Title } from './paper'
import { recheckIcs } from './recheckCalendar'
import { tubeSheetPdf } from './tubeSheet'
import { weldSheetPdf } from './weldSheet'

type Heading = Omit<Title, 'stamp'>
/** A sheet or file to be made, with all that it is made from. */
export type Print =
  | { of: 'arrangement'; job: Job; rules: Rules; accepted: IssuedPlan | null; title: Heading }
  | {
      of: 'cut-sheet'
      job: Job
      rules: Rules
      made: { plan: CutPlan; saw: SawSetting }
      workshop: Workshop
      accepted: IssuedPlan | null
      title: Heading
    }
  | {
      of: 'tube' | 'welds' | 'build' | 'flat' | 'flat-templates' | 'holes' | 'owner-card' | 'hand-over'
      job: Job
      rules: Rules
      shop: PlannedShop
      /** begun sheets that its parts may lie on */
      begun: SheetOffcut[]
      accepted: IssuedPlan | null
      title: Heading
    }
  | { of: 'labels'; job: Job; rules: Rules; plan: CutPlan; title: Heading }
  | { of: 'nest'; job: Job; rules: Rules; begun: SheetOffcut[] }
  | { of: 'flat-part'; job: Job; rules: Rules; mark: string }
  | { of: 'templates'; job: Job; rules: Rules; as: 'dxf' | 'svg' }
  | { of: 'measuring-sheet'; job: Job; sheetIds: string[]; blank: boolean; title: Heading }
  | { of: 'drawing'; job: Job; rules: Rules; view: 'plan' | 'side' | 'rear'; as: 'dxf' | 'svg' }
  | { of: 'cut-list'; job: Job; rules: Rules }
  | { of: 'model'; job: Job; rules: Rules }
  | { of: 'rechecks'; job: Job; rules: Rules; today: string }
  | { of: 'client-page'; job: Job; rules: Rules; made: CutPlan | null; ways: WayRow[]; title: Heading }

const movedSince = (accepted: IssuedPlan | null, now: Evaluation): Moved[] => (accepted ? planMoved(accepted.pieces, now.assembly) : [])

/** The one large word on a sheet. What shows the design as it stands is a draft again once it has moved; the accepted plan itself is superseded. */
function stampOf(accepted: IssuedPlan | null, moved: Moved[], open: string, showsNow = false): Stamp {
  if (!accepted) return open ? { word: 'NOT FOR MANUFACTURE', detail: open } : { word: 'DRAFT', detail: 'not accepted for the saw' }
  if (!moved.length) return { word: `ACCEPTED revision ${accepted.jobRevision}`, detail: '' }
  return showsNow
    ? { word: 'DRAFT', detail: `differs from accepted revision ${accepted.jobRevision}` }
    : { word: 'SUPERSEDED', detail: `the design has moved since revision ${accepted.jobRevision} was accepted` }
}

/** What keeps a job from being made as it is: what is over, not assessed, or does not work; empty where nothing does. */
function openOf({ limits, issues }: Pick<Evaluation, 'limits' | 'issues'>): string {
  const of = (state: string) => limits.filter((l) => l.state === state).length
  const say = (n: number, words: string) => (n ? [`${n} ${words}`] : [])
  return [
    ...say(of('over'), 'over the line'),
    ...say(of('unknown'), 'not assessed'),
    ...say(issues.length, issues.length === 1 ? 'does not work' : 'do not work'),
  ].join(', ')
}

/** Figures of strength and of fit together, as every sheet that is made by shows them. */
async function figuresOf(job: Job, rules: Rules): Promise<Evaluation & { reach: Apart }> {
  const result = evaluate(job, rules)
  const fit = (await fittingReady())(job, result, rules)
  return { ...result, limits: withFit(result.limits, fit), reach: fit.apart }
}

/** The bytes of one sheet or file. */
export async function printed(print: Print): Promise<Uint8Array> {
  const { job } = print
  switch (print.of) {
    case 'arrangement': {
      const result = await figuresOf(job, print.rules)
      const stamp = stampOf(print.accepted, movedSince(print.accepted, result), openOf(result), true)
      return arrangementPdf(job, result, print.rules, { ...print.title, stamp })
    }
    case 'cut-sheet': {
      const { accepted, made } = print
      const result = await figuresOf(job, print.rules)
      const moved = movedSince(accepted, result)
      const settings = stops(cutList(result.assembly), print.workshop.saws)
      const sheet = {
        ...made,
        parts: cutList(result.assembly),
        stops: settings,
        moved,
        holes: holesAlong(result.assembly, job.vehicle, print.rules),
        reason: accepted?.reason ?? '',
        limits: result.limits,
        surface: surfaceNotes(made.plan, result.assembly, print.rules),
      }
      return cutSheetPdf(job, sheet, { ...print.title, stamp: stampOf(accepted, moved, openOf(result)) })
    }
    case 'tube':
    case 'welds':
    case 'build':
    case 'flat':
    case 'flat-templates':
    case 'holes':
    case 'hand-over':
    case 'owner-card': {
      const result = await figuresOf(job, print.rules)
      const title = { ...print.title, stamp: stampOf(print.accepted, movedSince(print.accepted, result), openOf(result), true) }
      if (print.of === 'owner-card') return ownerCardPdf(job, result, print.rules, title)
      if (print.of === 'hand-over') return handOverPdf(job, result, print.rules, title)
      if (print.of === 'holes') return holeSheetPdf(job, print.rules, title)
      if (print.of === 'flat') return flatSheetPdf(job, print.rules, print.shop.workshop, print.begun, title)
      if (print.of === 'flat-templates') return flatTemplatesPdf(job, print.rules, title)
      if (print.of === 'build') return buildSheetPdf(job, print.rules, print.shop, result.reach, title)
      return print.of === 'tube'
        ? tubeSheetPdf(job, result, print.rules, print.shop.workshop, title)
        : weldSheetPdf(job, result, print.rules, print.shop.workshop, title)
    }
    case 'labels':
      return labelsPdf(job, print.rules, print.plan, { ...print.title, stamp: null })
    case 'nest': {
      const groups = planSheets(
        madeAssembly(job, print.rules),
        { rules: print.rules, system: job.units.system, begun: print.begun, accepted: job.flatSheets },
        () => performance.now(),
      )
      return Buffer.from(cuttingDxf(groups.flatMap(nestedParts), print.rules))
    }
    case 'flat-part': {
      const kind = flatKinds(madeAssembly(job, print.rules), print.rules).find((k) => k.marks.includes(print.mark))
      return Buffer.from(cuttingDxf(kind ? [{ plate: kind.plate, mark: print.mark, on: (p) => p }] : [], print.rules))
    }
    case 'templates': {
      const sheet = templateDrawing(evaluate(job, print.rules).assembly)
      return Buffer.from(print.as === 'dxf' ? toDxf(sheet, job.units) : toSvg(sheet, job.units, 5, true))
    }
    case 'measuring-sheet': {
      const sheets = measuringSheets.filter((s) => print.sheetIds.includes(s.id))
      return measuringSheetPdf(job, sheets, print.blank, { ...print.title, stamp: null })
    }
    case 'drawing': {
      const sheet = drawView(print.view, evaluate(job, print.rules).assembly, job.vehicle, job.brief)
      return Buffer.from(print.as === 'dxf' ? toDxf(sheet, job.units) : toSvg(sheet, job.units, 40, true))
    }
    case 'client-page': {
      const result = await figuresOf(job, print.rules)
      const price = quoteOf(job, print.made, print.rules)
      return Buffer.from(clientPageHtml({ job, e: result, price, ways: print.ways, rules: print.rules, title: print.title }))
    }
    case 'rechecks':
      return Buffer.from(recheckIcs(job, evaluate(job, print.rules), print.rules, print.today))
    case 'model':
      return assemblyGltf(job, evaluate(job, print.rules))
    case 'cut-list': {
      const { assembly } = evaluate(job, print.rules)
      return Buffer.from(cutListCsv(cutList(assembly), flatKinds(madeAssembly(job, print.rules), print.rules)))
    }
  }
}
