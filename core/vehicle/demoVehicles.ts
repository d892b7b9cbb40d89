import type { Sourced, Vehicle } from './vehicle'

const tape = (value: number): Sourced => ({ value, method: 'tape', source: 'measured in the yard', date: '2026-10-14' })
const maker = (value: number): Sourced => ({ value, method: 'maker', source: "owner's handbook", date: '2026-10-14' })
const weighed = (value: number): Sourced => ({ value, method: 'weighed', source: 'weigh pads', date: '2026-10-15' })
const assumed = (value: number): Sourced => ({ value, method: 'assumed', source: 'like vehicles', date: '2026-10-14' })
const unknown: Sourced = { value: null, method: 'unknown', source: '', date: '' }

/** Vehicles of our own making: plain descriptions, no make. */
export const demoVehicles: Vehicle[] = [
  {
    id: 'tall-long-van', name: 'Tall long van', body: 'van', note: 'High roof, long wheelbase, rain gutter full length.',
    wheelbaseMm: tape(3660), trackWidthMm: maker(1730), lengthMm: maker(5960), rearOverhangMm: tape(1290), widthMm: maker(2020), heightMm: tape(2590), centreOfMassHeightMm: assumed(790),
    roofFromXMm: tape(-1180), roofToXMm: tape(3050), roofWidthRearMm: tape(1720), roofWidthFrontMm: tape(1640), roofHeightMm: tape(2575),
    kerbFrontKg: weighed(1185), kerbRearKg: weighed(965), occupantsKg: assumed(420),
    roofMovingKg: maker(150), roofParkedKg: maker(300), footDownKg: maker(75), footUpKg: maker(60),
    grossKg: maker(3500), frontAxleKg: maker(1850), rearAxleKg: maker(2100),
    mounts: [{ id: 'gutter', name: 'Rain gutter, both sides', kind: 'gutter', fromXMm: -1050, toXMm: 2850, halfWidthRearMm: 790, halfWidthFrontMm: 760, zMm: 2560, pointsXMm: null }],
    obstacles: [{ name: 'roof fan', xMm: 1500, yMm: 0, lengthMm: 420, widthMm: 420, heightMm: 70 }],
  },
  {
    id: 'crew-cab-pickup', name: 'Crew-cab pickup', body: 'pickup', note: 'Steel cab roof with four fixed points under plastic strips. Foot rating asked of the maker, no answer yet.',
    wheelbaseMm: tape(3220), trackWidthMm: maker(1560), lengthMm: maker(5340), rearOverhangMm: tape(1220), widthMm: maker(1860), heightMm: tape(1790), centreOfMassHeightMm: assumed(690),
    roofFromXMm: tape(850), roofToXMm: tape(2230), roofWidthRearMm: tape(1330), roofWidthFrontMm: tape(1280), roofHeightMm: tape(1775),
    kerbFrontKg: maker(1120), kerbRearKg: maker(890), occupantsKg: assumed(300),
    roofMovingKg: maker(75), roofParkedKg: maker(150), footDownKg: unknown, footUpKg: unknown,
    grossKg: maker(3050), frontAxleKg: maker(1450), rearAxleKg: maker(1850),
    mounts: [{ id: 'points', name: 'Fixed points on the cab', kind: 'point', fromXMm: 1100, toXMm: 1950, halfWidthRearMm: 560, halfWidthFrontMm: 545, zMm: 1770, pointsXMm: [1180, 1530, 1880] }],
    obstacles: [{ name: 'antenna', xMm: 950, yMm: 0, lengthMm: 60, widthMm: 40, heightMm: 160 }],
  },
  {
    id: 'camper-van', name: 'Camper van, middle roof', body: 'camper', note: 'Aluminium tracks bonded to the roof. Parked rating covers sleepers.',
    wheelbaseMm: tape(3000), trackWidthMm: maker(1640), lengthMm: maker(5140), rearOverhangMm: tape(1050), widthMm: maker(1920), heightMm: tape(2310), centreOfMassHeightMm: assumed(760),
    roofFromXMm: tape(-950), roofToXMm: tape(2500), roofWidthRearMm: tape(1560), roofWidthFrontMm: tape(1480), roofHeightMm: tape(2280),
    kerbFrontKg: maker(1080), kerbRearKg: maker(940), occupantsKg: assumed(380),
    roofMovingKg: maker(100), roofParkedKg: maker(280), footDownKg: maker(60), footUpKg: maker(45),
    grossKg: maker(2900), frontAxleKg: maker(1550), rearAxleKg: maker(1600),
    mounts: [{ id: 'track', name: 'Bonded tracks', kind: 'track', fromXMm: -700, toXMm: 2200, halfWidthRearMm: 640, halfWidthFrontMm: 620, zMm: 2290, pointsXMm: null }],
    obstacles: [{ name: 'roof hatch', xMm: 700, yMm: 0, lengthMm: 500, widthMm: 500, heightMm: 120 }],
  },
]
