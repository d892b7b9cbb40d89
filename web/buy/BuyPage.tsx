import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Skeleton from '@mui/material/Skeleton'
import Typography from '@mui/material/Typography'
import { Link } from 'react-router'
import { INCH, METRIC } from '../../core/quantity/units'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { localDay } from '../../core/time/localDay'
import { useShelf } from '../api/queries'
import { UnitsContext } from '../quantity/units'
import { BarsTogether } from './BarsTogether'
import { OnTheWay } from './OnTheWay'
import { OrdersPlaced } from './OrdersPlaced'
import { SupplierOrder } from './SupplierOrder'
import { usePurchase, useTellKits } from './usePurchase'

/** What all open jobs together still need: ordered supplier by supplier, and taken in as it comes. */
export default function BuyPage() {
  const query = usePurchase()
  const shop = useShelf('shop')
  return (
    <UnitsContext.Provider value={shop.data?.document.units === 'inch' ? INCH : METRIC}>
      <Box sx={{ p: { xs: 1, sm: 2 }, display: 'grid', gap: 2, gridTemplateColumns: 'minmax(0, 1fr)', maxWidth: 1080 }}>
        {query.error && <Alert severity="error">What is to be bought could not be worked out. {query.error.message}</Alert>}
        {!query.error && !query.data && (
          <Box role="status" aria-label="Adding up what is needed">
            <Skeleton height={40} />
            <Skeleton variant="rectangular" height={240} />
          </Box>
        )}
        {query.data && <Bought answer={query.data} />}
      </Box>
    </UnitsContext.Provider>
  )
}

function Bought({ answer }: { answer: PurchaseAnswer }) {
  const { lines, coming, jobs, left, more } = answer
  const kit = useTellKits()
  const today = localDay()
  const sellers = [...new Map(lines.map((l) => [l.supplier?.id ?? '', l.supplier])).values()]
  const ways = [...new Map(coming.map((l) => [`${l.due} ${l.order ?? ''}`, { due: l.due, order: l.order }])).values()]
  const lacking = jobs.filter((j) => j.kit.state === 'missing').length
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h1">To buy</Typography>
        <Typography variant="body2" role="status">
          {lines.length
            ? `${lines.length} ${lines.length === 1 ? 'thing' : 'things'} for ${lacking} ${lacking === 1 ? 'job' : 'jobs'}`
            : 'Nothing is to be ordered'}
          {coming.length ? `, ${coming.length} on the way` : ''}
          {more ? `; ${more} more ${more === 1 ? 'job' : 'jobs'}, due later, left out` : ''}
        </Typography>
        {lines.length > 0 && (
          <>
            <Button component="a" href="/api/shop/orders.pdf" target="_blank" variant="outlined">
              Print the orders
            </Button>
            <Button component="a" href="/api/shop/orders.csv" variant="outlined">
              As a table (CSV)
            </Button>
          </>
        )}
      </Box>
      {kit.error && <Alert severity="error">{kit.error.message}</Alert>}
      {left.map((l) => (
        <Alert key={l.id} severity="warning">
          {l.title} is left out: {l.why}
        </Alert>
      ))}
      {!answer.suppliers.length && (
        <Alert severity="info">
          No supplier is entered: add who sells what, and how soon, under <Link to="/shop">The shop</Link>.
        </Alert>
      )}
      {lines.some((l) => l.kind === 'sections') && <BarsTogether />}
      {sellers.map((s) => (
        <SupplierOrder
          key={s?.id ?? 'nobody'}
          supplier={s}
          lines={lines.filter((l) => (l.supplier?.id ?? '') === (s?.id ?? ''))}
          today={today}
          busy={kit.isPending}
          onOrder={(mine, due) => kit.mutate({ lines: mine, to: { due } })}
        />
      ))}
      {ways.map((way) => (
        <OnTheWay
          key={`${way.due} ${way.order ?? ''}`}
          way={way}
          lines={coming.filter((l) => l.due === way.due && l.order === way.order)}
          late={way.due < today}
          busy={kit.isPending}
          onCome={(mine) => kit.mutate({ lines: mine, to: 'here' })}
        />
      ))}
      <OrdersPlaced />
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Lines come from the designs as they stand: what changes there is missing again here. What came, and what was wrong with it, stands
        in each job’s kit under Cut.
      </Typography>
    </>
  )
}
