import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useMutation } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { ApiError, call } from '../api/client'
import { queryClient } from '../api/queries'
import { useStanding } from '../api/standing'

/** A device that the shop does not know yet: the code from the desk, and what the device is to be called there. */
export default function PairPage() {
  const [code, setCode] = useState(() => decodeURIComponent(location.hash.slice(1)).slice(0, 40))
  const [name, setName] = useState('')
  useEffect(() => {
    document.title = 'Pair this device, Tide Line'
  }, [])
  const pair = useMutation({
    mutationFn: () => call('/pair', { method: 'POST', json: { code, name } }),
    onSuccess: () => {
      useStanding.setState({ unpaired: false })
      void queryClient.resetQueries()
      if (location.pathname === '/pair') location.replace('/')
    },
  })
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault()
        pair.mutate()
      }}
      sx={{ maxWidth: 420, mx: 'auto', p: 3, display: 'grid', gap: 2 }}
    >
      <Typography variant="h1">Pair this device</Typography>
      <Typography>Ask at the desk for a code: The shop, Devices. Scanned there, it stands here already.</Typography>
      <TextField
        label="Code from the desk"
        value={code}
        required
        onChange={(e) => setCode(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 40, autoComplete: 'off', autoCapitalize: 'characters', spellCheck: false } }}
      />
      <TextField
        label="What to call this device"
        placeholder="Bay tablet"
        value={name}
        required
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 60 } }}
      />
      {pair.error && (
        <Alert severity="error">
          {pair.error instanceof ApiError ? pair.error.faults.map((f) => `${f.where}: ${f.expected}`).join('; ') : pair.error.message}
        </Alert>
      )}
      <Button type="submit" variant="contained" disabled={pair.isPending} sx={{ minHeight: 48 }}>
        Pair
      </Button>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        What this device sends and shows travels over the network in clear: use it on the shop’s own network only.
      </Typography>
    </Box>
  )
}
