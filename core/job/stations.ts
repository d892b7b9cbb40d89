/** The way a job goes through the shop, in order. */
export const stations = ['brief', 'measure', 'layout', 'loads', 'cut', 'hand-over'] as const
export type Station = (typeof stations)[number]
export const stationNames: Record<Station, string> = {
  brief: 'Brief',
  measure: 'Measure',
  layout: 'Layout',
  loads: 'Loads',
  cut: 'Cut',
  'hand-over': 'Hand-over',
}
