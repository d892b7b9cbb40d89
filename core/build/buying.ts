import { type BuildGiven, type BuildStep, step } from './step'

/** What is ordered, received and complete before anything is cut. */
export function buying({ assembly: a, rules }: BuildGiven): BuildStep[] {
  const bought = a.hardware.reduce((s, h) => s + h.quantity, 0) + a.fittings.filter((f) => !f.there).length
  const sections = new Set(a.members.map((m) => m.profileId)).size
  const sheets = new Set(a.plates.map((p) => `${p.materialId} ${p.thicknessMm}`)).size
  const kinds = [
    ...(sections ? [`${sections} ${sections === 1 ? 'section' : 'sections'}`] : []),
    ...(sheets ? [`sheet of ${sheets} ${sheets === 1 ? 'kind' : 'kinds'}`] : []),
  ]
  return [
    step('buy', 'Order what is bought', [...kinds, `${bought} small parts`].join(', '), {
      minutes: 20,
      waitHours: rules.leadDays * 24,
    }),
    step('receive', 'Receive and check', 'sections, walls and alloy against the list, before anything is cut', {
      minutes: 15,
      tools: ['calliper', 'tape'],
      needs: ['buy'],
    }),
    step('kit', 'Everything is here', 'a nut that is missing on the day moves the day', { minutes: 10, needs: ['receive'], gate: true }),
  ]
}
