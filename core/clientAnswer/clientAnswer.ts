import { z } from 'zod'
import { faultsOf, type Read, readJson } from '../issue/faults'

export const MOST_MARKS = 40
/** A job keeps so many of them. */
export const MOST_ANSWERS = 20
const MOST_BYTES = 200_000
const said = z.string().trim().min(1, 'say what is meant').max(500)
const views = ['plan', 'side', 'rear'] as const
const place = z.number().min(-50_000).max(50_000)

/** What a client sends back from his page: whether he agrees, his words, and his marks where he put them on the views, in their own mm. */
export const ClientAnswerSchema = z.object({
  format: z.literal('tide-line/client-answer', 'must be “tide-line/client-answer”: this is not an answer from a client’s page'),
  version: z.literal(1),
  title: z.string().max(120),
  revision: z.number().int().min(1).max(1_000_000_000),
  /** the design that the page showed, by its mark */
  design: z.string().regex(/^[0-9a-f]{16}$/, 'is no mark of a design'),
  who: z.string().trim().min(1, 'say who answers').max(80),
  at: z.iso.datetime({ local: true, offset: true }),
  agrees: z.boolean(),
  note: z.string().max(2000).default(''),
  marks: z.array(z.object({ view: z.enum(views), xMm: place, yMm: place, says: said })).max(MOST_MARKS, `${MOST_MARKS} marks at most`),
})
export type ClientAnswer = z.infer<typeof ClientAnswerSchema>

/** The answer as the job keeps it: each mark and the words stay open until somebody settles them. */
export const KeptAnswerSchema = z.object({
  id: z.string().min(1).max(60),
  who: z.string().min(1).max(80),
  at: z.string().max(40),
  revision: z.number().int().min(1),
  design: z.string().max(16),
  agrees: z.boolean(),
  note: z.string().max(2000),
  noteSettled: z.boolean(),
  marks: z
    .array(
      z.object({
        id: z.string().min(1).max(20),
        view: z.enum(views),
        xMm: place,
        yMm: place,
        says: z.string().min(1).max(500),
        settled: z.boolean(),
      }),
    )
    .max(MOST_MARKS),
})
export type KeptAnswer = z.infer<typeof KeptAnswerSchema>

export function readClientAnswer(text: string): Read<ClientAnswer> {
  const json = readJson(text, MOST_BYTES)
  if (!json.ok) return json
  const parsed = ClientAnswerSchema.safeParse(json.value)
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, faults: faultsOf(parsed.error) }
}

/** As it goes into the job; its id is who and when, so that one file read twice is one answer. */
export const keptAnswer = (a: ClientAnswer): KeptAnswer => ({
  id: `${a.at}:${a.who}`.slice(0, 60),
  who: a.who,
  at: a.at,
  revision: a.revision,
  design: a.design,
  agrees: a.agrees,
  note: a.note.trim(),
  noteSettled: a.note.trim() === '',
  marks: a.marks.map((m, i) => ({ ...m, id: String(i + 1), settled: false })),
})
