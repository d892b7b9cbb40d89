import { useQuery } from '@tanstack/react-query'
import { call } from '../api/client'
import { ShelfFrame } from '../shelves/ShelfFrame'
import { Backups } from './Backups'
import { Devices } from './Devices'
import { PeopleAndDays } from './PeopleAndDays'
import { ShopDetails } from './ShopDetails'
import { WorkshopList } from './WorkshopList'

/** What keeps the shop's work, and who may use it. */
export default function ShopPage() {
  const who = useQuery({ queryKey: ['who'], queryFn: () => call<{ role: 'desk' | 'floor' }>('/who') })
  if (who.data?.role === 'floor')
    return (
      <ShelfFrame
        title="The shop"
        about="Backups and devices are seen to at the desk. This one reads, ticks, measures and photographs."
        error={null}
      >
        {null}
      </ShelfFrame>
    )
  return (
    <ShelfFrame
      title="The shop"
      about="What stands on its sheets, what it can do itself, how the work is kept, and which devices may use it."
      error={null}
    >
      <ShopDetails />
      <PeopleAndDays />
      <WorkshopList />
      <Backups />
      <Devices />
    </ShelfFrame>
  )
}
