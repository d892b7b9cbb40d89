import { z } from 'zod'
import { type Fault, faultsOf, type Read, readJson } from '../issue/faults'
import { withReading } from '../measure/settle'
import { letterOf, measureOf, measuringSheets, rangeOf, withMeasure } from '../measure/sheets'
import { formatQuantity } from '../quantity/formatQuantity'
import { parseQuantity } from '../quantity/parseQuantity'
import { defaultUnit, INCH, METRIC } from '../quantity/units'
import type { Reading, Vehicle } from '../vehicle/vehicle'

export const MOST_CLIENT_PHOTOS = 8
export const MAX_ANSWER_BYTES = 12_000_000
/** A client's own tape, read once by an unpractised hand. mm, degrees. The shop's own. */
export const CLIENT_TOLERANCE_MM = 5

/** What a client far away sends back: what he typed, as he typed it, and his photographs. */
export const ClientAnswersSchema = z.object({
  format: z.literal('tide-line/answers', 'must be “tide-line/answers”: this is not a client’s answer file'),
  version: z.literal(1),
  title: z.string().max(120).default(''),
  who: z.string().max(80),
  at: z.string().max(30),
  system: z.enum(['metric', 'inch']),
  note: z.string().max(2000).default(''),
  readings: z.array(z.object({ id: z.string().min(1).max(60), typed: z.string().min(1).max(60) })).max(200),
  photos: z
    .array(
      z.object({
        name: z.string().min(1).max(120),
        type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
        base64: z.base64().max(4_000_000),
      }),
    )
    .max(MOST_CLIENT_PHOTOS)
    .default([]),
})
export type ClientAnswers = z.infer<typeof ClientAnswersSchema>

/** Answers from a file, with every figure read; refused whole, naming each field that cannot be read. */
export function readClientAnswers(text: string): Read<{ answers: ClientAnswers; readings: { id: string; reading: Reading }[] }> {
  const json = readJson(text, MAX_ANSWER_BYTES)
  if (!json.ok) return json
  const parsed = ClientAnswersSchema.safeParse(json.value)
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) }
  const answers = parsed.data
  const faults: Fault[] = []
  const readings = answers.readings.flatMap(({ id, typed }) => {
    const sheet = measuringSheets.find((s) => s.quantities.some((q) => q.id === id))
    const quantity = sheet?.quantities.find((q) => q.id === id)
    if (!sheet || !quantity) {
      faults.push({ where: id, expected: 'a figure of one of the measuring sheets' })
      return []
    }
    const where = `${sheet.title}, ${letterOf(sheet, id)} (${quantity.label.toLowerCase()})`
    const read = parseQuantity(typed, quantity.dimension, answers.system)
    if (!read.ok) faults.push({ where, expected: read.message })
    else if (read.value < rangeOf(quantity).min || read.value > rangeOf(quantity).max) {
      const { min, max } = rangeOf(quantity)
      const unit = defaultUnit(quantity.dimension, answers.system)
      const show = (v: number) => `${formatQuantity(v, quantity.dimension, answers.system === 'inch' ? INCH : METRIC)} ${unit}`
      faults.push({ where, expected: `between ${show(min)} and ${show(max)}: is the unit right?` })
    } else {
      const reading: Reading = {
        value: read.value,
        typed,
        tolerance: CLIENT_TOLERANCE_MM,
        method: 'tape',
        who: answers.who || 'client',
        at: answers.at,
      }
      return [{ id, reading }]
    }
    return []
  })
  return faults.length ? { ok: false, faults } : { ok: true, value: { answers, readings } }
}

/** The vehicle with the client's readings beside what was known: one that disagrees is flagged like any other. */
export const withClientReadings = (vehicle: Vehicle, readings: { id: string; reading: Reading }[]): Vehicle =>
  readings.reduce((v, { id, reading }) => {
    const quantity = measuringSheets.flatMap((s) => s.quantities).find((q) => q.id === id)
    return quantity ? withMeasure(v, quantity, withReading(measureOf(v, quantity), reading)) : v
  }, vehicle)
