import { coatedAreaM2 } from '../assembly/assembly'
import { maskingOf } from '../coat/masking'
import { type CoatProduct, type InRoom, inRoom, productsFor } from '../coat/products'
import { answeredDays, byWhom, takesAll } from '../outside/standing'
import { paintedAreas } from '../purchase/coatNeeds'
import { type BuildGiven, type BuildStep, step } from './step'

/** What is put on, and how long it dries or is away. */
export function coating({ pieces, workshop, rules, outside = {} }: BuildGiven): BuildStep[] {
  // a lot that the coater will not take stays with what the shop reckons, and its price is not known
  const coater = takesAll(outside.coater)
  const area = (finish: 'painted' | 'powder') => pieces.filter((p) => p.finish === finish).reduce((s, p) => s + coatedAreaM2(p.assembly), 0)
  const [painted, powder] = [area('painted'), area('powder')]
  if (painted + powder === 0) return []
  const before = ['straighten', 'weld', 'drill', 'cut', 'plates', 'fold']
  return [
    step('prepare', 'Degrease, abrade, mask', bareWords(pieces), {
      minutes: (painted + powder) * rules.prepMinM2,
      tools: ['degreaser', 'abrasive', 'plugs and tape'],
      caution: 'Solvent and dust: gloves, mask and moving air.',
      needs: before,
    }),
    ...(powder
      ? [
          step('powder', `Powder coat${coater ? `, ${byWhom(coater)}` : ''}`, `${powder.toFixed(1)} m² go to the coater`, {
            minutes: 30,
            waitHours: ((coater && answeredDays(coater)) ?? rules.coaterDays) * 24,
            needs: ['prepare', 'vents'],
          }),
        ]
      : []),
    ...(painted ? paint(pieces, painted, { workshop, rules }) : []),
  ]
}

/** What stays bare, part by part. */
function bareWords(pieces: BuildGiven['pieces']): string {
  const coated = pieces.filter((p) => p.finish === 'painted' || p.finish === 'powder').map((p) => maskingOf(p.assembly))
  const [holes, faces] = [coated.flatMap((m) => m.boltHoles), coated.flatMap((m) => m.bearingFaces)]
  return [
    'these stay bare',
    ...(holes.length ? [`bolt holes and threads of ${holes.join(', ')}`] : []),
    ...(faces.length ? [`bearing faces of ${faces.join(', ')}`] : []),
    'one earthing point',
  ]
    .join('; ')
    .replace('; ', ': ')
}

/** Paint by the products on the shop's list, the slowest of those that are needed; by the shop's rules where none is listed for a metal. */
function paint(pieces: BuildGiven['pieces'], areaM2: number, { workshop, rules }: Pick<BuildGiven, 'workshop' | 'rules'>): BuildStep[] {
  const { roomC } = workshop
  const areas = new Map(paintedAreas(pieces).map((p) => [p.metal, p.areaM2]))
  const used = productsFor([...areas.keys()], workshop.coats).map(({ metal, product }) => ({
    metal,
    areaM2: areas.get(metal) ?? 0,
    product,
    dries: product
      ? inRoom(product, roomC, rules.coldDoublesC)
      : { recoatHours: rules.recoatHours, cureHours: rules.cureHours, times: 1, tooCold: false },
  }))
  const slowest = (of: (d: InRoom) => number) => Math.max(0, ...used.map((u) => of(u.dries)))
  const cold = used.flatMap((u) => (u.dries.tooCold && u.product ? [u.product] : []))
  const warm = cold.length ? [warmed(cold, roomC ?? 0)] : []
  return [
    ...warm,
    step(
      'paint',
      `Prime and paint, ${rules.coats} coats`,
      `${areaM2.toFixed(1)} m², face by face${used.map((u) => words(u, rules.coats)).join('')}`,
      {
        place: 'paint',
        minutes: areaM2 * rules.coatMinM2 * rules.coats,
        waitHours: (rules.coats - 1) * slowest((d) => d.recoatHours) + slowest((d) => d.cureHours),
        caution: 'Spray only with the mask and air that its maker’s sheet asks for.',
        needs: ['prepare', ...warm.map((s) => s.id)],
      },
    ),
  ]
}

const warmed = (cold: CoatProduct[], roomC: number): BuildStep =>
  step(
    'warm',
    'Warm the room for the coat',
    `${cold.map((p) => `${p.name} does not cure below ${p.leastC} °C`).join('; ')}, and the room has ${roomC} °C: kept warm until it carries`,
    {
      gate: true,
      minutes: 10,
      needs: ['prepare'],
      caution: 'No open flame and no heater that draws the room’s air over a glow while solvent is in it.',
    },
  )

type Used = { metal: string; areaM2: number; product: CoatProduct | null; dries: InRoom }
function words({ metal, areaM2, product, dries }: Used, coats: number): string {
  if (!product) return `; on ${metal} by the shop’s rules, no coat is listed for it`
  const litres = product.m2PerL === null ? '' : `, about ${((areaM2 * coats) / product.m2PerL).toFixed(1)} l`
  const long = dries.times > 1.005 ? `, ${dries.times.toFixed(1)} times as long as its sheet says at ${product.sheetC} °C` : ''
  return `; on ${metal} ${product.name}${product.beneath ? ` over ${product.beneath}` : ''}${litres}${long}`
}
