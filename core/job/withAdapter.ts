import type { AdapterGiven } from '../adapter/adapter'
import type { BoughtPart } from '../catalogue/boughtParts'
import { familyOf } from '../families/all'
import type { Fault } from '../issue/faults'
import { homeFor } from '../pieces/homeFor'
import { nextPlace } from '../pieces/piece'
import { wholeOf } from '../pieces/whole'
import type { Rules } from '../rules/rules'
import type { Job } from './job'

/** An adapter as it was laid out on the shelf: the two parts, how the second lies, and the sheet. mm */
export type LaidOut = Pick<AdapterGiven, 'boltOne' | 'boltOther' | 'turnDeg' | 'shiftXMm' | 'shiftYMm'> & {
  one: BoughtPart
  other: BoughtPart
  materialId: string
  thicknessMm: number
}

/** The job with that adapter as one more piece of it, on the first piece that takes it or on the vehicle; what the second part lacks stays unknown. */
export function withAdapter(job: Job, laid: LaidOut, rules: Rules): { job: Job; pieceId: string } | { faults: Fault[] } {
  const family = familyOf('brackets')!
  const home = homeFor(family, wholeOf(job, rules).built, { vehicle: job.vehicle, brief: job.brief, rules, below: null, state: 'fitted' })
  const { one, other } = laid
  const size = (mm: number | null) => (mm === null || mm <= 0 ? {} : { mm })
  const [long, wide, high] = [size(other.lengthMm), size(other.widthMm), size(other.heightMm)]
  const start = family.start(home.site)
  const read = family.read({
    ...start,
    // one plate: more of them are set out on the drawing
    atMm: [(start.atMm as number[])[0] ?? 0],
    form: 'flat',
    one: { name: one.name, holes: one.holes },
    other: { name: other.name, holes: other.holes },
    ...{ boltOne: laid.boltOne, boltOther: laid.boltOther, turned: String(laid.turnDeg) },
    ...{ shiftXMm: laid.shiftXMm, shiftYMm: laid.shiftYMm, materialId: laid.materialId, thicknessMm: laid.thicknessMm },
    name: other.name.slice(0, 60),
    massKg: other.massKg,
    priceMinor: other.priceMinor,
    ...(long.mm ? { lengthMm: long.mm } : {}),
    ...(wide.mm ? { highMm: wide.mm } : {}),
    ...(high.mm ? { deepMm: high.mm } : {}),
  })
  if (!read.ok) return { faults: read.faults }
  const piece = { ...nextPlace(job.pieces), name: '', family: family.id, params: read.value, on: home.on, state: 'fitted' as const }
  return { job: { ...job, pieces: [...job.pieces, piece] }, pieceId: piece.id }
}
