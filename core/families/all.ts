import { alreadyThere } from './alreadyThere/family'
import { barMounts } from './barMounts/family'
import { brackets } from './brackets/family'
import { cabGuard } from './cabGuard/family'
import { chest } from './chest/family'
import { clampOn } from './clampOn/family'
import { crossbarRack } from './crossbarRack/family'
import { type ListedFamily, listed } from './design'
import { drawers } from './drawers/family'
import { extrusionRack } from './extrusionRack/family'
import { halfGuard } from './halfGuard/family'
import { headboard } from './headboard/family'
import { holders } from './holders/family'
import { hoopBasket } from './hoopBasket/family'
import { ladder } from './ladder/family'
import { ladderRack } from './ladderRack/family'
import { lattice } from './lattice/family'
import { panel } from './panel/family'
import { receiverCarrier } from './receiverCarrier/family'
import { swingOut } from './swingOut/family'
import { weldedDeck } from './weldedDeck/family'

/** Every family there is, in the order of the shelf. A new one is one folder and one line here. */
export const families: ListedFamily[] = [
  listed(crossbarRack),
  listed(hoopBasket),
  listed(weldedDeck),
  listed(lattice),
  listed(extrusionRack),
  listed(cabGuard),
  listed(halfGuard),
  listed(ladderRack),
  listed(headboard),
  listed(chest),
  listed(drawers),
  listed(panel),
  listed(holders),
  listed(barMounts),
  listed(brackets),
  listed(clampOn),
  listed(receiverCarrier),
  listed(swingOut),
  listed(ladder),
  listed(alreadyThere),
]

/** Null for a family that this version does not know: its piece is kept whole and shown as such. */
export const familyOf = (id: string): ListedFamily | null => families.find((f) => f.id === id) ?? null
