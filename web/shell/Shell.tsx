import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { lazy, Suspense, useEffect, useState } from 'react'
import { Link, NavLink, Outlet } from 'react-router'
import { useStanding } from '../api/standing'
import { useLook } from '../theme/useLook'
import { isTyping } from './keys'
import { Standing } from './Standing'

const loadFinder = () => import('./Finder')
const Finder = lazy(loadFinder)
const Shortcuts = lazy(() => import('./Shortcuts'))
const PairPage = lazy(() => import('../shop/PairPage'))
const places = [
  ['/', 'Slipway'],
  ['/days', 'Days'],
  ['/buy', 'To buy'],
  ['/log', 'Log'],
  ['/vehicles', 'Vehicles'],
  ['/stock', 'Stock rack'],
  ['/parts', 'Bought parts'],
  ['/rules', 'Shop rules'],
  ['/calculators', 'Calculators'],
  ['/shop', 'The shop'],
] as const

/** What stands round every page: the shop's places, find, help, and the look for bench or bay. */
export function Shell() {
  const [open, setOpen] = useState<'finder' | 'shortcuts' | null>(null)
  const { look, toggle } = useLook()
  const unpaired = useStanding((s) => s.unpaired)
  // fetched while the page is idle: whoever presses Ctrl K types on at once
  useEffect(() => {
    const timer = setTimeout(() => void loadFinder().catch(() => undefined), 1500)
    return () => clearTimeout(timer)
  }, [])
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault()
        setOpen('finder')
      } else if (event.key === '?' && !isTyping(event)) setOpen('shortcuts')
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100dvh' }}>
      <Box
        component="a"
        href="#main"
        sx={{ position: 'absolute', left: -9999, '&:focus': { left: 8, top: 8, zIndex: 9, bgcolor: 'background.paper', p: 1 } }}
      >
        Skip to the work
      </Box>
      <Box
        component="header"
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: { xs: 0.5, sm: 2 },
          px: 1.5,
          minHeight: 44,
          borderBottom: 1,
          borderColor: 'divider',
          bgcolor: 'background.paper',
          flexWrap: { xs: 'wrap', md: 'nowrap' },
        }}
      >
        <Brand />
        <Places />
        <Box sx={{ ml: 'auto', display: 'flex', gap: 0.5 }}>
          <Button onClick={() => setOpen('finder')} aria-keyshortcuts="Control+K">
            Find
          </Button>
          <Button onClick={() => setOpen('shortcuts')} aria-label="Keys and help">
            Keys
          </Button>
          <Button onClick={toggle} aria-label={look === 'paper' ? 'Dim look for the bay' : 'Paper look for the bench'}>
            {look === 'paper' ? 'Bay' : 'Bench'}
          </Button>
        </Box>
      </Box>
      <Box component="main" id="main" tabIndex={-1} sx={{ flex: 1, minHeight: 0, overflow: 'auto', outline: 'none !important' }}>
        <Standing />
        {unpaired ? (
          <Suspense fallback={null}>
            <PairPage />
          </Suspense>
        ) : (
          <Outlet />
        )}
      </Box>
      <Suspense fallback={null}>
        {open === 'finder' && <Finder onClose={() => setOpen(null)} />}
        {open === 'shortcuts' && <Shortcuts onClose={() => setOpen(null)} />}
      </Suspense>
    </Box>
  )
}

function Brand() {
  return (
    <Box
      component={Link}
      to="/"
      aria-label="Tide Line, to the Slipway"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        color: 'text.primary',
        textDecoration: 'none',
        fontWeight: 600,
        fontSize: 17,
        letterSpacing: 0.2,
      }}
    >
      <svg width="26" height="20" viewBox="0 0 26 20" aria-hidden="true">
        <path d="M1 5h24" stroke="#b3261e" strokeWidth="2" />
        <path d="M1 13q4-6 8 0t8 0 8 0" fill="none" stroke="currentColor" strokeWidth="2.2" />
      </svg>
      Tide Line
    </Box>
  )
}

/** The shop's places; on a phone a row of their own that scrolls. */
function Places() {
  return (
    <Box
      component="nav"
      aria-label="Places"
      sx={{
        display: 'flex',
        gap: { xs: 0, sm: 0.5 },
        order: { xs: 3, md: 0 },
        width: { xs: '100%', md: 'auto' },
        overflowX: 'auto',
        whiteSpace: 'nowrap',
      }}
    >
      {places.map(([to, label]) => (
        <Box
          key={to}
          component={NavLink}
          to={to}
          end={to === '/'}
          sx={{
            px: { xs: 1, sm: 1.25 },
            py: { xs: 0.75, md: 1 },
            color: 'text.secondary',
            textDecoration: 'none',
            fontSize: 14.5,
            borderBottom: '3px solid transparent',
            '&.active': { color: 'text.primary', borderColor: 'primary.main', fontWeight: 600 },
            '&:hover': { color: 'text.primary' },
          }}
        >
          {label}
        </Box>
      ))}
    </Box>
  )
}
