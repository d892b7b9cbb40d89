import { coatedAreaM2 } from '../assembly/assembly'
import { type BuildGiven, type BuildStep, step } from './step'

/** What is put on, and how long it dries or is away. */
export function coating({ pieces, rules }: BuildGiven): BuildStep[] {
  const area = (finish: 'painted' | 'powder') => pieces.filter((p) => p.finish === finish).reduce((s, p) => s + coatedAreaM2(p.assembly), 0)
  const [painted, powder] = [area('painted'), area('powder')]
  if (painted + powder === 0) return []
  const before = ['straighten', 'weld', 'drill', 'cut', 'plates', 'fold']
  return [
    step('prepare', 'Degrease, abrade, mask', 'threads, bearing faces and earthing points stay bare', {
      minutes: (painted + powder) * rules.prepMinM2,
      tools: ['degreaser', 'abrasive', 'plugs and tape'],
      caution: 'Solvent and dust: gloves, mask and moving air.',
      needs: before,
    }),
    ...(powder
      ? [
          step('powder', 'Powder coat', `${powder.toFixed(1)} m² go to the coater`, {
            minutes: 30,
            waitHours: rules.coaterDays * 24,
            needs: ['prepare', 'vents'],
          }),
        ]
      : []),
    ...(painted
      ? [
          step('paint', `Prime and paint, ${rules.coats} coats`, `${painted.toFixed(1)} m², face by face`, {
            place: 'paint',
            minutes: painted * rules.coatMinM2 * rules.coats,
            waitHours: (rules.coats - 1) * rules.recoatHours + rules.cureHours,
            caution: 'Spray only with the mask and air that its maker’s sheet asks for.',
            needs: ['prepare'],
          }),
        ]
      : []),
  ]
}
