import { z } from 'zod'

/** Fields that most calculators have: a title, a unit, and the bounds within which the number is believed. */
export const number = z.number()
export const triple = z.tuple([number, number, number])
export const positive = (title: string, unit = 'mm', most = 1e6) =>
  z.number().positive('must be more than 0').max(most).meta({ title, unit })
export const zero = (title: string, unit = 'mm', most = 1e6) => z.number().min(0).max(most).meta({ title, unit })
export const any = (title: string, unit = 'mm', most = 50_000) => z.number().min(-most).max(most).meta({ title, unit })
