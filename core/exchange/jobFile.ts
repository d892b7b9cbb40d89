import { z } from 'zod'
import { JOB_FORMAT, JOB_VERSION, type Job, JobSchema } from '../job/job'

/** Where an outside text broke, and what was expected there. Nothing of it is kept. */
export type Fault = { where: string; expected: string }
export type Read<T> = { ok: true; value: T } | { ok: false; faults: Fault[] }

export const MAX_FILE_BYTES = 2_000_000

/** Zod's findings as one line each: the path as people write it, and what was expected there. */
export const faultsOf = (error: z.ZodError): Fault[] =>
  error.issues.slice(0, 50).map((i) => ({ where: pathText(i.path), expected: i.message }))

export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, step) => (typeof step === 'number' ? `${text}[${step}]` : text ? `${text}.${String(step)}` : String(step)),
    '',
  ) || 'the whole'

/** Reads JSON and says line and column where it breaks. */
export function readJson(text: string): Read<unknown> {
  if (text.length > MAX_FILE_BYTES)
    return { ok: false, faults: [{ where: 'the whole', expected: `a file of ${MAX_FILE_BYTES / 1e6} MB or less` }] }
  try {
    return { ok: true, value: JSON.parse(text) }
  } catch (error) {
    const message = error instanceof Error ? error.message : ''
    const at = /position (\d+)/.exec(message)
    const offset = at ? Number(at[1]) : text.length
    const before = text.slice(0, offset).split('\n')
    return {
      ok: false,
      faults: [{ where: `line ${before.length}, column ${before[before.length - 1].length + 1}`, expected: 'well-formed JSON' }],
    }
  }
}

type Migration = (job: Record<string, unknown>) => Record<string, unknown>
/** A job of version n goes through every step from n on. A released step is never edited. */
export const jobMigrations: Migration[] = [
  // 0 → 1: the trial format kept one height for the whole job; from 1 on a job has a list of passages
  (job) => {
    const brief = (job.brief ?? {}) as Record<string, unknown>
    const { passHeightMm, ...rest } = brief
    return {
      ...job,
      version: 1,
      brief: { ...rest, ...(typeof passHeightMm === 'number' ? { passages: [{ name: 'lowest passage', heightMm: passHeightMm }] } : {}) },
    }
  },
]

/** A job file, of this version or an older one, as this version's job. Refused whole when anything does not fit. */
export function readJobFile(text: string): Read<Job> {
  const json = readJson(text)
  return json.ok ? readJob(json.value) : json
}

export function readJob(raw: unknown): Read<Job> {
  const head = z
    .object({
      format: z.literal(JOB_FORMAT, `must be “${JOB_FORMAT}”: this is not a job file`),
      version: z
        .number()
        .int()
        .min(0)
        .max(JOB_VERSION, `this file is of a newer version than ${JOB_VERSION}: open it with a newer Tide Line`),
    })
    .loose()
    .safeParse(raw)
  if (!head.success) return { ok: false, faults: faultsOf(head.error) }
  const moved = jobMigrations.slice(head.data.version).reduce<Record<string, unknown>>((job, step) => step(job), head.data)
  const parsed = JobSchema.safeParse(moved)
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, faults: faultsOf(parsed.error) }
}

export const writeJobFile = (job: Job): string => `${JSON.stringify(job, null, 2)}\n`

/** The published schema of the job file. */
export const jobJsonSchema = (): unknown => z.toJSONSchema(JobSchema, { io: 'input', unrepresentable: 'any' })
