import { ShelfFrame } from '../shelves/ShelfFrame'
import { Backups } from './Backups'
import { Devices } from './Devices'

/** What keeps the shop's work, and who may use it. */
export default function ShopPage() {
  return (
    <ShelfFrame title="The shop" about="How the work is kept, and which devices may use it." error={null}>
      <Backups />
      <Devices />
    </ShelfFrame>
  )
}
