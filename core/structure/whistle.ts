/** Strouhal number: round tubes about 0.2, flat-faced bars about 0.13 (Blevins, Flow-Induced Vibration, 2nd ed., ch. 3). */
export const strouhal = { round: 0.2, flat: 0.13 } as const

/** Tone of the eddies behind a bare bar: f = St·v/D. km/h, mm → Hz. */
export const sheddingHz = (shape: keyof typeof strouhal, speedKmh: number, acrossMm: number): number =>
  (strouhal[shape] * (speedKmh / 3.6)) / (acrossMm / 1000)

/** Speed at which that tone meets the bar's own frequency and it begins to sing: v = f·D/St. Hz, mm → km/h. */
export const singsAtKmh = (shape: keyof typeof strouhal, ownHz: number, acrossMm: number): number =>
  ((ownHz * (acrossMm / 1000)) / strouhal[shape]) * 3.6

/** First natural frequency of a bar on two feet: (π/2L²)·√(EI/m) (Blevins, Formulas for Natural Frequency and Mode Shape, table 8-1). mm, MPa, kg/m → Hz. */
export const barHz = (spanMm: number, elasticMPa: number, inertiaMm4: number, massKgPerM: number): number =>
  (Math.PI / (2 * (spanMm / 1000) ** 2)) * Math.sqrt((elasticMPa * inertiaMm4 * 1e-6) / massKgPerM)
