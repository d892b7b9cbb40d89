import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { localMinute } from '../../core/time/localDay'
import { call } from '../api/client'
import { FIGURES } from '../theme/theme'

type Role = 'desk' | 'floor'
type Device = { id: string; name: string; role: Role; pairedAt: string; seenAt: string }
type Offer = { code: string; role: Role; until: string }

const roles: Record<Role, string> = { desk: 'Desk: does everything', floor: 'Floor: ticks, measures, photographs' }
/** In this device's own time. */
const day = (iso: string) => localMinute(new Date(iso))

/** Who else may use this shop: a code for a new device, and the list of those that are paired. */
export function Devices() {
  const client = useQueryClient()
  const known = useQuery({
    queryKey: ['devices'],
    queryFn: () => call<{ devices: Device[]; addresses: string[] }>('/devices'),
    refetchInterval: 5_000,
  })
  const offer = useMutation({ mutationFn: (role: Role) => call<Offer>('/devices/codes', { method: 'POST', json: { role } }) })
  const putOut = useMutation({
    mutationFn: (id: string) => call(`/devices/${id}/put-out`, { method: 'POST', json: {} }),
    onSuccess: () => void client.invalidateQueries({ queryKey: ['devices'] }),
  })
  const fault = known.error ?? offer.error ?? putOut.error
  const [address] = known.data?.addresses ?? []
  return (
    <Box component="section" aria-labelledby="devices">
      <Typography variant="h2" id="devices" gutterBottom>
        Devices
      </Typography>
      {fault && <Alert severity="error">{fault.message}</Alert>}
      {known.data && !address && (
        <Typography sx={{ mb: 1.5 }}>
          Tide Line answers this machine only. For a tablet or a phone on the shop’s network, start it with <code>--host 0.0.0.0</code>.
        </Typography>
      )}
      {address && (
        <>
          <Alert severity="warning" sx={{ mb: 1.5 }}>
            Everybody on this network who listens can read what paired devices send and show: it travels in clear. Use the shop’s own
            network, not one that clients use.
          </Alert>
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1.5 }}>
            {(['floor', 'desk'] as const).map((role) => (
              <Button key={role} variant="outlined" onClick={() => offer.mutate(role)} disabled={offer.isPending} sx={{ minHeight: 40 }}>
                Code for a {role} device
              </Button>
            ))}
          </Box>
          {offer.data && <OfferShown offer={offer.data} address={address} />}
        </>
      )}
      {known.data?.devices.length === 0 && <Typography sx={{ color: 'text.secondary' }}>No device is paired.</Typography>}
      <Box component="ul" aria-label="Paired devices" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {known.data?.devices.map((d) => (
          <Box
            component="li"
            key={d.id}
            sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', py: 1, borderBottom: 1, borderColor: 'divider' }}
          >
            <Box sx={{ flex: '1 1 220px' }}>
              <strong>{d.name}</strong>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                {roles[d.role]}
              </Typography>
            </Box>
            <Box sx={{ fontFamily: FIGURES, fontSize: 14 }}>
              paired {day(d.pairedAt)}, last seen {day(d.seenAt)}
            </Box>
            <Button onClick={() => putOut.mutate(d.id)} disabled={putOut.isPending} aria-label={`Put out ${d.name}`}>
              Put out
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  )
}

/** One code, to be typed or scanned once within ten minutes. */
function OfferShown({ offer, address }: { offer: Offer; address: string }) {
  const [sign, setSign] = useState('')
  const link = `${address}/pair#${offer.code}`
  useEffect(() => {
    let here = true
    void import('bwip-js/browser').then(({ toSVG }) => {
      if (here) setSign(toSVG({ bcid: 'qrcode', text: link, scale: 3, paddingwidth: 4, paddingheight: 4, backgroundcolor: 'FFFFFF' }))
    })
    return () => {
      here = false
    }
  }, [link])
  return (
    <Box
      role="status"
      sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 2, p: 1.5, border: 1, borderColor: 'divider' }}
    >
      {sign && (
        <Box
          component="img"
          alt={`Sign to scan: ${link}`}
          src={`data:image/svg+xml,${encodeURIComponent(sign)}`}
          sx={{ width: 164, height: 164 }}
        />
      )}
      <Box>
        <Typography variant="body2">{roles[offer.role]}</Typography>
        <Box sx={{ fontFamily: FIGURES, fontSize: 34, letterSpacing: 3, fontWeight: 600 }}>
          {offer.code.slice(0, 4)}-{offer.code.slice(4)}
        </Box>
        <Typography variant="body2">
          Scan it, or open <strong>{address}</strong> on the device and type the code. Once, within ten minutes.
        </Typography>
      </Box>
    </Box>
  )
}
