import { type ShopCalendar, ShopCalendarSchema } from './shopCalendar'

/** Skerry Quay: two people at the bench, one of them off for a week, the shop shut over the turn of the year. Days keep their distance to the jobs' own. */
export const demoCalendar: ShopCalendar = ShopCalendarSchema.parse({
  people: [
    { id: 'person-1', name: 'Maren' },
    { id: 'person-2', name: 'Tjark', away: [{ from: '2026-12-07', to: '2026-12-11', why: 'welding course' }] },
  ],
  closed: [{ from: '2026-12-24', to: '2027-01-03', why: 'turn of the year' }],
  places: { saw: 1, bender: 1, table: 1, brake: 1, drill: 2, welding: 1, paint: 1, vehicle: 2 },
  outdoors: true,
})
