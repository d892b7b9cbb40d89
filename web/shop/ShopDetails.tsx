import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { paperSizes, type Shop } from '../../core/shop/shop'
import { useSaveShelf, useShelf } from '../api/queries'
import { TextInput } from '../quantity/TextInput'

/** What is set once for every sheet and every new job. */
export function ShopDetails() {
  const shelf = useShelf('shop')
  const save = useSaveShelf('shop')
  const shop = shelf.data?.document
  const set = (change: Partial<Shop>) =>
    shelf.data && save.mutate({ revision: shelf.data.revision, document: { ...shelf.data.document, ...change } })
  const fault = shelf.error ?? save.error
  return (
    <Box component="section" aria-labelledby="details" sx={{ mb: 4 }}>
      <Typography variant="h2" id="details" sx={{ mb: 1.5 }}>
        On every sheet
      </Typography>
      {fault && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          {fault.message}
        </Alert>
      )}
      {shop && (
        <Box sx={{ display: 'grid', gap: 2, maxWidth: 760, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
          <TextInput label="Name of the shop" value={shop.name} maxLength={80} onChange={(name) => set({ name })} />
          <TextInput label="Address, one line" value={shop.address} maxLength={160} onChange={(address) => set({ address })} />
          <TextInput label="Currency, as on its sheets" value={shop.currency} maxLength={8} onChange={(currency) => set({ currency })} />
          <TextField select label="Paper" value={shop.paper} onChange={(e) => set({ paper: e.target.value as Shop['paper'] })}>
            {paperSizes.map((p) => (
              <MenuItem key={p} value={p}>
                {p}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="A new job begins in"
            value={shop.units}
            onChange={(e) => set({ units: e.target.value as Shop['units'] })}
          >
            <MenuItem value="metric">millimetres</MenuItem>
            <MenuItem value="inch">inches</MenuItem>
          </TextField>
        </Box>
      )}
    </Box>
  )
}
