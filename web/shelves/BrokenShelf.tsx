import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import { FileButton } from '../quantity/FileButton'

const Body = z.object({ revision: z.number(), unreadable: z.array(z.object({ where: z.string(), expected: z.string() })) })
export type Broken = z.infer<typeof Body>
/** What a refusal says of a shelf that cannot be read; null when it is another refusal. */
export const brokenOf = (error: Error | null): Broken | null =>
  error instanceof ApiError ? (Body.safeParse(error.body).data ?? null) : null

/** A shelf that is kept but cannot be read: look at it, put it right in a file, and write that over it. */
export function BrokenShelf({ name, broken }: { name: string; broken: Broken }) {
  const client = useQueryClient()
  const replace = useMutation({
    mutationFn: async (file: File) => {
      const document = await file.text().then(JSON.parse)
      return call(`/shelves/${name}`, { method: 'PUT', json: { revision: broken.revision, document } })
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: ['shelf', name] }),
  })
  return (
    <Alert severity="error" sx={{ mb: 2 }}>
      This shelf is kept, but cannot be read. Nothing of it is lost: fetch it, put the places named here right, and write it back.
      <ul>
        {broken.unreadable.slice(0, 8).map((f) => (
          <li key={f.where + f.expected}>
            {f.where}: {f.expected}
          </li>
        ))}
      </ul>
      {replace.error && (
        <p role="alert">
          Not written.{' '}
          {replace.error instanceof ApiError
            ? replace.error.faults
                .slice(0, 4)
                .map((f) => `${f.where}: ${f.expected}`)
                .join('; ')
            : 'the file: well-formed JSON'}
        </p>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        <Button variant="outlined" component="a" href={`/api/shelves/${name}/as-kept.json`}>
          Fetch it as it is kept
        </Button>
        <FileButton named="Shelf put right" accept=".json,application/json" onFile={(f) => replace.mutate(f)} disabled={replace.isPending}>
          Write it back from a file
        </FileButton>
      </Box>
    </Alert>
  )
}
