import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { placedMinor } from '../../core/purchase/order'
import { moneyText } from '../../core/quantity/money'
import { useOrders } from './usePurchase'

/** What was ordered before, as it was ordered: each with its number and its sheet. */
export function OrdersPlaced() {
  const { data } = useOrders()
  if (!data?.rows.length) return null
  return (
    <Box component="section" aria-label="Orders placed">
      <Typography variant="h2">Orders placed</Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {data.rows.map((o) => {
          const minor = placedMinor(o)
          return (
            <Box
              component="li"
              key={o.number}
              sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', borderTop: 1, borderColor: 'divider', py: 0.5 }}
            >
              <Typography sx={{ fontWeight: 600, width: 90 }}>{o.number}</Typography>
              <Typography variant="body2" sx={{ flex: 1, minWidth: 200 }}>
                {o.supplier || 'nobody entered'} · placed {o.on}, to come {o.due} · {o.lines.length}{' '}
                {o.lines.length === 1 ? 'line' : 'lines'} · {minor === null ? 'not all of it had a price' : moneyText(minor)}
              </Typography>
              <Button component="a" href={`/api/shop/orders/${o.number}.pdf`} target="_blank" aria-label={`Print order ${o.number}`}>
                Print
              </Button>
            </Box>
          )
        })}
      </Box>
    </Box>
  )
}
