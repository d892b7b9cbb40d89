import { createContext, useContext } from 'react'
import { type DisplayUnits, METRIC } from '../../core/quantity/units'

/** The units of the job on screen. Values themselves are always mm, kg, N. */
export const UnitsContext = createContext<DisplayUnits>(METRIC)
export const useUnits = (): DisplayUnits => useContext(UnitsContext)
