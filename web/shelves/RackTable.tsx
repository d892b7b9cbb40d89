import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

type Props = {
  title: string
  /** how its table is called */
  name: string
  add: string
  onAdd: () => void
  /** what is said while there is nothing; null = there is something */
  empty: string | null
  leastPx: number
  /** heads and their widths; none = what is left */
  columns: [head: string, widthPx?: number][]
  children: ReactNode
}

/** What stands on the rack, one thing to a row, with a way to add one. */
export function RackTable({ title, name, add, onAdd, empty, leastPx, columns, children }: Props) {
  return (
    <section>
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
        <Typography variant="h2">{title}</Typography>
        <Button onClick={onAdd}>{add}</Button>
      </Box>
      {empty ? (
        <Typography sx={{ color: 'text.secondary' }}>{empty}</Typography>
      ) : (
        <Box sx={{ overflowX: 'auto' }}>
          <Table size="small" aria-label={name} sx={{ minWidth: leastPx, '& td': { verticalAlign: 'top' } }}>
            <TableHead>
              <TableRow>
                {columns.map(([head, width]) => (
                  <TableCell key={head} sx={width ? { width } : {}}>
                    {head}
                  </TableCell>
                ))}
                <TableCell sx={{ width: 40 }} />
              </TableRow>
            </TableHead>
            <TableBody>{children}</TableBody>
          </Table>
        </Box>
      )}
    </section>
  )
}
