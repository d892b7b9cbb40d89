/** The way a job goes through the shop, in order. */
export const stations = ['brief', 'measure', 'layout', 'loads', 'fit', 'cut', 'hand-over'] as const
export type Station = (typeof stations)[number]
export const stationNames: Record<Station, string> = {
  brief: 'Brief',
  measure: 'Measure',
  layout: 'Layout',
  loads: 'Loads',
  fit: 'Fit',
  cut: 'Cut',
  'hand-over': 'Hand-over',
}
