import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { type ReactNode, useId } from 'react'
import type { Workshop } from '../../core/workshop/workshop'
import { RemoveButton } from '../quantity/RemoveButton'

/** A list of the workshop, and how it is changed. */
export type WorkshopPart = { workshop: Workshop; put: (patch: Partial<Workshop>) => void }

export const row = <T extends { id: string }>(list: T[], id: string, patch: Partial<T>): T[] =>
  list.map((x) => (x.id === id ? { ...x, ...patch } : x))
export const without = <T extends { id: string }>(list: T[], id: string): T[] => list.filter((x) => x.id !== id)
/** An id that none of a list has. */
export function fresh(list: { id: string }[], word: string): string {
  let n = list.length + 1
  while (list.some((x) => x.id === `${word}-${n}`)) n++
  return `${word}-${n}`
}

/** One part of the shop's own document, with what it is for, and why a change of it was refused. */
export function Part({ title, about, fault, children }: { title: string; about: string; fault: Error | null; children: ReactNode }) {
  const id = useId()
  return (
    <Box component="section" aria-labelledby={id} sx={{ mb: 4 }}>
      <Typography variant="h2" id={id} gutterBottom>
        {title}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1.5, maxWidth: 760 }}>
        {about}
      </Typography>
      {fault && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          {fault.message}
        </Alert>
      )}
      {children}
    </Box>
  )
}

/** One kind of thing of the shop, with a way to add another. */
export function Kind({ title, add, onAdd, children }: { title: string; add?: string; onAdd?: () => void; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ borderTop: 1, borderColor: 'divider', py: 1.5 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', maxWidth: 1040, mb: 1.25 }}>
        <Typography variant="h3">{title}</Typography>
        {add && <Button onClick={onAdd}>{add}</Button>}
      </Box>
      {children}
    </Box>
  )
}

/** One of them, and a way to take it away. */
export function Row({ name, onRemove, children }: { name: string; onRemove: () => void; children: ReactNode }) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'start', maxWidth: 1040, py: 0.75 }}>
      <Box sx={{ flex: 1, display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(140px, 1fr))' }}>{children}</Box>
      <RemoveButton of={name} onClick={onRemove} />
    </Box>
  )
}
