import Button from '@mui/material/Button'
import CssBaseline from '@mui/material/CssBaseline'
import { ThemeProvider } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, type ReactNode, StrictMode, Suspense, useMemo } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, isRouteErrorResponse, Navigate, RouterProvider, useRouteError } from 'react-router'
import { queryClient } from './api/queries'
import { Shell } from './shell/Shell'
import { SlipwayPage } from './slipway/SlipwayPage'
import { themeOf } from './theme/theme'
import { useLook } from './theme/useLook'

const JobPage = lazy(() => import('./job/JobPage'))
const BuyPage = lazy(() => import('./buy/BuyPage'))
const DaysPage = lazy(() => import('./days/DaysPage'))
const LogPage = lazy(() => import('./log/LogPage'))
const VehiclesPage = lazy(() => import('./shelves/VehiclesPage'))
const StockPage = lazy(() => import('./shelves/StockPage'))
const PartsPage = lazy(() => import('./shelves/PartsPage'))
const RulesPage = lazy(() => import('./shelves/RulesPage'))
const CalculatorsPage = lazy(() => import('./calculators/CalculatorsPage'))
const ShopPage = lazy(() => import('./shop/ShopPage'))
const PairPage = lazy(() => import('./shop/PairPage'))

const page = (element: ReactNode) => (
  <Suspense
    fallback={
      <Typography sx={{ p: 3 }} role="status">
        Opening…
      </Typography>
    }
  >
    {element}
  </Suspense>
)

function Wreck() {
  const error = useRouteError()
  // parts of a page that were not loaded yet are gone once the server is a newer one
  if (error instanceof Error && /dynamically imported module|Importing a module script failed/.test(error.message))
    return (
      <Typography component="div" role="alert" sx={{ p: 4 }}>
        <h1>Load this page again</h1>
        <p>Tide Line was brought up to date meanwhile, or cannot be reached. What you typed is kept.</p>
        <Button variant="contained" onClick={() => location.reload()}>
          Load it again
        </Button>
      </Typography>
    )
  const text = isRouteErrorResponse(error) ? 'There is no page at this address.' : error instanceof Error ? error.message : String(error)
  return (
    <Typography component="div" role="alert" sx={{ p: 4 }}>
      <h1>Something gave way</h1>
      <p>{text}</p>
      <p>
        What was saved is saved. <a href="/">Back to the Slipway</a>
      </p>
    </Typography>
  )
}

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Wreck />,
    children: [
      { index: true, element: <SlipwayPage /> },
      { path: 'jobs/:id', element: page(<JobPage />) },
      { path: 'jobs/:id/:station', element: page(<JobPage />) },
      { path: 'days', element: page(<DaysPage />) },
      { path: 'buy', element: page(<BuyPage />) },
      { path: 'log', element: page(<LogPage />) },
      { path: 'vehicles', element: page(<VehiclesPage />) },
      { path: 'stock', element: page(<StockPage />) },
      { path: 'parts', element: page(<PartsPage />) },
      { path: 'rules', element: page(<RulesPage />) },
      { path: 'shop', element: page(<ShopPage />) },
      { path: 'pair', element: page(<PairPage />) },
      { path: 'calculators', element: page(<CalculatorsPage />) },
      { path: 'calculators/:name', element: page(<CalculatorsPage />) },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
])

function App() {
  const look = useLook((s) => s.look)
  const theme = useMemo(() => themeOf(look), [look])
  return (
    <ThemeProvider theme={theme}>
      <CssBaseline enableColorScheme />
      <QueryClientProvider client={queryClient}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ThemeProvider>
  )
}

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
