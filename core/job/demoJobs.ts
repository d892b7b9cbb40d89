import { beekeeper } from './demo/beekeeper'
import { dronePanel } from './demo/dronePanel'
import { iceSwimmers } from './demo/iceSwimmers'
import { mappingPair } from './demo/mappingPair'
import { oysterGrower } from './demo/oysterGrower'
import { quayKitchen } from './demo/quayKitchen'
import { rowingClub } from './demo/rowingClub'
import { sparCarrier } from './demo/sparCarrier'
import { sparLoft } from './demo/sparLoft'
import { surveyTrust } from './demo/surveyTrust'
import { tidePoolCamp } from './demo/tidePoolCamp'
import type { Job } from './job'

/** The jobs of Skerry Quay Outfitting, each at another station and with another verdict. */
export const demoJobs: Job[] = [
  surveyTrust,
  oysterGrower,
  sparCarrier,
  mappingPair,
  sparLoft,
  beekeeper,
  quayKitchen,
  dronePanel,
  rowingClub,
  tidePoolCamp,
  iceSwimmers,
]
