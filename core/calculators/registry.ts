import { z } from 'zod'
import { adapterCalculator } from '../adapter/adapter.calculator'
import { openAwningCalculator } from '../awning/openAwning.calculator'
import { bandCalculator } from '../band/band.calculator'
import { boardsCalculator } from '../boards/boards.calculator'
import { boltHolesCalculator } from '../boltHoles/boltHoles.calculator'
import type { Calculator } from '../calculator/calculator'
import type { Tools } from '../calculator/tools'
import { sectionCalculator } from '../catalogue/section.calculator'
import { coatCalculator } from '../coat/coat.calculator'
import { crossbarCalculator } from '../crossbar/crossbar.calculator'
import { cutRunCalculator } from '../cutRun/cutRun.calculator'
import { cutTimeCalculator } from '../cutTime/cutTime.calculator'
import { flatDxfCalculator } from '../exchange/flatDxf.calculator'
import { backingPlateCalculator } from '../fasten/backingPlate.calculator'
import { boltCalculator } from '../fasten/bolt.calculator'
import { bracketCalculator } from '../fasten/bracket.calculator'
import { filletWeldCalculator } from '../fasten/filletWeld.calculator'
import { thinFastenersCalculator } from '../fasten/thinFasteners.calculator'
import { woodScrewCalculator } from '../fasten/woodScrew.calculator'
import { heightWindowCalculator } from '../fit/heightWindow.calculator'
import { gangCalculator } from '../gang/gang.calculator'
import { hitchCalculator } from '../hitch/hitch.calculator'
import { insideRowCalculator } from '../inside/insideRow.calculator'
import { type Fault, faultsOf } from '../issue/faults'
import { Impossible } from '../issue/impossible'
import { liftCalculator } from '../lift/lift.calculator'
import { roofLoadCalculator } from '../limits/roofLoad.calculator'
import { openTentCalculator } from '../loads/openTent.calculator'
import { windCalculator } from '../loads/wind.calculator'
import { holePatternCalculator } from '../measure/holePattern.calculator'
import { offsetsCalculator } from '../measure/offsets.calculator'
import { readingsCalculator } from '../measure/readings.calculator'
import { taperCalculator } from '../measure/taper.calculator'
import { compoundMitreCalculator } from '../mitre/compoundMitre.calculator'
import { barNestingCalculator } from '../nesting/barNesting.calculator'
import { patternMatchCalculator } from '../patternMatch/patternMatch.calculator'
import { fractionCalculator } from '../quantity/fraction.calculator'
import { toolRoomCalculator } from '../reach/toolRoom.calculator'
import { leaveLongCalculator } from '../remeasure/leaveLong.calculator'
import { scoredFoldCalculator } from '../scoredFold/scoredFold.calculator'
import { strapsCalculator } from '../securing/straps.calculator'
import { flatPatternCalculator } from '../sheet/flatPattern.calculator'
import { foldStressCalculator } from '../sheet/foldStress.calculator'
import { foldTrialCalculator } from '../sheet/foldTrial.calculator'
import { stepCompareCalculator } from '../sheet/stepCompare.calculator'
import { tabsCalculator } from '../sheet/tabs.calculator'
import { panelSplitCalculator } from '../sheetNesting/panelSplit.calculator'
import { sheetNestingCalculator } from '../sheetNesting/sheetNesting.calculator'
import { slideCalculator } from '../slide/slide.calculator'
import { evenSpacingCalculator } from '../spacing/evenSpacing.calculator'
import { openingCalculator } from '../spacing/opening.calculator'
import { spacingCalculator } from '../spacing/spacing.calculator'
import { beamCalculator } from '../structure/beam.calculator'
import { frameCalculator } from '../structure/frame.calculator'
import { stiffnessCalculator } from '../structure/stiffness.calculator'
import { strutCalculator } from '../strut/coverStrut.calculator'
import { lidStrutsCalculator } from '../strut/lidStruts.calculator'
import { swingArmCalculator } from '../swingArm/swingArm.calculator'
import { tiltCalculator } from '../tilt/tilt.calculator'
import { tradeSizeCalculator } from '../tradeSize/tradeSize.calculator'
import { trapezoidCalculator } from '../trapezoid/trapezoid.calculator'
import { tubeBendCalculator } from '../tube/bend.calculator'
import { compoundCalculator } from '../tube/compound.calculator'
import { copeCalculator } from '../tube/cope.calculator'
import { payloadCalculator } from '../vehicle/payload.calculator'
import { rolloverCalculator } from '../vehicle/rollover.calculator'
import { tyresCalculator } from '../vehicle/tyres.calculator'
import { wedgeCalculator } from '../wedge/wedge.calculator'
import { weighCalculator } from '../weigh/weigh.calculator'
import { leadCalculator } from '../weldMap/lead.calculator'
import { rampPullCalculator } from '../winch/rampPull.calculator'
import { wiringCalculator } from '../wiring/wiring.calculator'

/** In the order the work goes: on the tape, on the vehicle, on the bars, in the metal, at the saw and the brake. */
export const calculatorGroups = [
  {
    title: 'Measuring',
    calculators: [
      fractionCalculator,
      taperCalculator,
      offsetsCalculator,
      readingsCalculator,
      holePatternCalculator,
      payloadCalculator,
      tyresCalculator,
      strutCalculator,
      lidStrutsCalculator,
      trapezoidCalculator,
      tradeSizeCalculator,
    ],
  },
  {
    title: 'Carrying',
    calculators: [
      roofLoadCalculator,
      spacingCalculator,
      hitchCalculator,
      rolloverCalculator,
      windCalculator,
      openAwningCalculator,
      openTentCalculator,
      strapsCalculator,
      rampPullCalculator,
      evenSpacingCalculator,
      openingCalculator,
      tiltCalculator,
      slideCalculator,
      wedgeCalculator,
      insideRowCalculator,
      heightWindowCalculator,
      leaveLongCalculator,
      swingArmCalculator,
    ],
  },
  { title: 'Strength', calculators: [sectionCalculator, crossbarCalculator, frameCalculator, beamCalculator, stiffnessCalculator] },
  {
    title: 'Fastening',
    calculators: [
      boltCalculator,
      filletWeldCalculator,
      backingPlateCalculator,
      bracketCalculator,
      foldStressCalculator,
      stepCompareCalculator,
      thinFastenersCalculator,
      woodScrewCalculator,
      boltHolesCalculator,
      toolRoomCalculator,
      leadCalculator,
      wiringCalculator,
    ],
  },
  { title: 'Finishing and fitting', calculators: [coatCalculator, liftCalculator] },
  {
    title: 'Cutting and folding',
    calculators: [
      barNestingCalculator,
      gangCalculator,
      tubeBendCalculator,
      compoundCalculator,
      copeCalculator,
      bandCalculator,
      boardsCalculator,
      flatPatternCalculator,
      foldTrialCalculator,
      sheetNestingCalculator,
      cutRunCalculator,
      tabsCalculator,
      patternMatchCalculator,
      adapterCalculator,
      panelSplitCalculator,
      flatDxfCalculator,
      compoundMitreCalculator,
      scoredFoldCalculator,
      cutTimeCalculator,
      weighCalculator,
    ],
  },
] as unknown as { title: string; calculators: Calculator[] }[]
export const calculators: Calculator[] = calculatorGroups.flatMap((g) => g.calculators)
export const calculatorOf = (name: string): Calculator | null => calculators.find((c) => c.name === name) ?? null

export type Calculation = { ok: true; value: unknown } | { ok: false; kind: 'bad-input' | 'impossible'; faults: Fault[] }

/** Parses, computes, and checks its own answer; the same for every way in. */
export function calculate(c: Calculator, raw: unknown, tools: Tools): Calculation {
  const given = c.input.safeParse(raw)
  if (!given.success) return { ok: false, kind: 'bad-input', faults: faultsOf(given.error) }
  try {
    return { ok: true, value: c.output.parse(c.run(given.data, tools)) }
  } catch (error) {
    if (error instanceof Impossible) return { ok: false, kind: 'impossible', faults: [{ where: 'the whole', expected: error.message }] }
    throw error
  }
}

export const inputJsonSchema = (c: Calculator): unknown => z.toJSONSchema(c.input, { io: 'input', unrepresentable: 'any' })
