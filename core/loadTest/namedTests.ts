import type { LoadClass } from '../brief/brief'

/** Days of driving before bolts are looked at again; the shop's own. */
export const DRIVEN_DAYS = 7
/** What is loaded hard is shaken by hand before anything lies on it; so is what nobody said how hard. */
export const isShaken = (loadClass: LoadClass | null): boolean => loadClass !== 'light' && loadClass !== 'medium'
