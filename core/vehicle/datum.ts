import type { Vehicle } from './vehicle'

/** The datum for running positions: the rear edge of the roof, or the rear axle when the roof was not measured. mm from the rear axle. */
export const datumXMm = (vehicle: Vehicle): number => vehicle.roofFromXMm.value ?? 0
