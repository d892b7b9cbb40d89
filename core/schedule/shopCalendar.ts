import { z } from 'zod'

/** Where a step is done; each place has so many at a time. */
export const workPlaces = ['saw', 'bender', 'table', 'brake', 'drill', 'welding', 'paint', 'vehicle'] as const
export type WorkPlace = (typeof workPlaces)[number]
export const placeName: Record<WorkPlace, string> = {
  saw: 'saw',
  bender: 'bender',
  table: 'cutting table',
  brake: 'brake',
  drill: 'drill',
  welding: 'welding bay',
  paint: 'paint place',
  vehicle: 'vehicle bay',
}

const SpanSchema = z
  .object({
    from: z.iso.date('write the date as 2026-12-24'),
    to: z.iso.date('write the date as 2026-12-24'),
    why: z.string().trim().max(80).default(''),
  })
  .refine((s) => s.to >= s.from, { path: ['to'], message: 'the last day comes before the first' })
export type Span = z.infer<typeof SpanSchema>

const PersonSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().max(80),
  away: z.array(SpanSchema).max(60, '60 absences at most: take old ones away').default([]),
})
export type ShopPerson = z.infer<typeof PersonSchema>

const several = z.number().int().min(0).max(20).default(1)
/** Who works in the shop and when it is shut; how many can be worked at at a time; whether vehicles stand in the open. Nobody entered = one person. */
export const ShopCalendarSchema = z.object({
  people: z.array(PersonSchema).max(20, '20 people at most').default([]),
  closed: z.array(SpanSchema).max(100, '100 closures at most: take old ones away').default([]),
  places: z
    .object({
      saw: several,
      bender: several,
      table: several,
      brake: several,
      drill: several,
      welding: several,
      paint: several,
      vehicle: several,
    })
    .default({ saw: 1, bender: 1, table: 1, brake: 1, drill: 1, welding: 1, paint: 1, vehicle: 1 }),
  /** work on a vehicle waits for a dry day */
  outdoors: z.boolean().default(false),
})
export type ShopCalendar = z.infer<typeof ShopCalendarSchema>

export const ONE_PERSON: ShopPerson = { id: 'one', name: '', away: [] }
/** Those with these ids by name; the one person of a shop where nobody is entered has none. */
export const namesOf = (ids: string[], calendar: ShopCalendar): string[] =>
  calendar.people.flatMap((p) => (ids.includes(p.id) ? [p.name || p.id] : []))

export const within = (spans: Span[], date: string): Span | undefined => spans.find((s) => s.from <= date && date <= s.to)

const DAY_MS = 86_400_000
const timeOf = (date: string): number => Date.parse(`${date}T00:00:00Z`)
/** Days counted from one on: day 0 is `from`. Dates of the calendar alone, so that no hour of summer comes into it. */
export const dayOf = (from: string, date: string): number => Math.round((timeOf(date) - timeOf(from)) / DAY_MS)
export const dateOf = (from: string, day: number): string =>
  new Date(timeOf(from) + Math.floor(day + 1e-9) * DAY_MS).toISOString().slice(0, 10)
/** 0 = Monday */
export const weekdayOf = (from: string, day: number): number => (new Date(timeOf(from) + day * DAY_MS).getUTCDay() + 6) % 7
