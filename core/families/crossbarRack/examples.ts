import { demoVehicles } from '../../vehicle/demoVehicles'
import { type CrossbarParams, plainRack } from './params'

const plain: CrossbarParams = { ...plainRack, mountId: 'gutter', barXMm: [0, 1100, 2200] }
const [van, pickup, camper] = demoVehicles

/** Every school once: aluminium and steel, bolted and welded, raw and coated, plain and with everything on. */
export const crossbarExamples: { name: string; vehicle: typeof van; params: CrossbarParams }[] = [
  { name: 'three plain bars on a gutter', vehicle: van, params: plain },
  {
    name: 'steel, welded, rails, fairing, stepped brackets',
    vehicle: van,
    params: {
      ...plain,
      profileId: 'round-32x2-steel',
      railProfileId: 'round-25x2-steel',
      barXMm: [-200, 700, 1600, 2500],
      bracketInsetMm: 45,
      sideRails: true,
      fairing: true,
      build: 'welded',
    },
  },
  {
    name: 'bolted rails with corner plates',
    vehicle: van,
    params: { ...plain, barXMm: [-200, 900, 2000], sideRails: true, cornerPlates: true, railProfileId: 'square-30x2-al6063t6' },
  },
  {
    name: 'slotted extrusion on tracks',
    vehicle: camper,
    params: { ...plain, mountId: 'track', profileId: 'slotted-40x40-al6063t5', barXMm: [200, 1000, 1800], finish: 'raw' },
  },
  {
    name: 'two bars on the fixed points of a cab',
    vehicle: pickup,
    params: { ...plain, mountId: 'points', barXMm: [1180, 1880], profileId: 'rect-30x60x2-steel', finish: 'painted' },
  },
]
