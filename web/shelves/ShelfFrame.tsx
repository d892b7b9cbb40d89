import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { type ReactNode, useEffect } from 'react'
import { ApiError } from '../api/client'
import { BrokenShelf, brokenOf } from './BrokenShelf'

/** Head of a shelf: what it is, its actions, and what went wrong in words. */
export function ShelfFrame({
  title,
  about,
  actions,
  error,
  retry,
  children,
  shelf,
}: {
  title: string
  about: string
  actions?: ReactNode
  error: Error | null
  retry?: () => void
  /** the shelf's own name, where it is one */
  shelf?: string
  children: ReactNode
}) {
  const broken = brokenOf(error)
  useEffect(() => {
    document.title = `${title}, Tide Line`
  }, [title])
  return (
    <Box sx={{ maxWidth: 1240, mx: 'auto', px: { xs: 1.5, sm: 3 }, py: 2 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 0.5 }}>
        <Typography variant="h1" sx={{ mr: 'auto' }}>
          {title}
        </Typography>
        {actions}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 2, maxWidth: 760 }}>
        {about}
      </Typography>
      {broken && shelf && <BrokenShelf name={shelf} broken={broken} />}
      {error && !broken && (
        <Alert severity="error" sx={{ mb: 2 }} action={retry && <Button onClick={retry}>Load again</Button>}>
          {error instanceof ApiError
            ? error.faults.slice(0, 5).map((f) => (
                <div key={f.where + f.expected}>
                  {f.where}: {f.expected}
                </div>
              ))
            : error.message}
        </Alert>
      )}
      {children}
    </Box>
  )
}
