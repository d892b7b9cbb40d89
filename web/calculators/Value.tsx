import Box from '@mui/material/Box'
import { figureText } from '../../core/quantity/figureText'
import { trim } from '../../core/quantity/formatQuantity'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'
import { nameAndUnit } from './jsonSchema'

/** Any answer as names and figures; rows of the same figures as a table. */
export function Value({ value, field }: { value: unknown; field: string }) {
  const units = useUnits()
  const { unit } = nameAndUnit(field)
  if (value === null) return <>not known</>
  // a small movement is not to be rounded away to nothing
  if (typeof value === 'number' && unit === 'mm' && units.system === 'metric' && Math.abs(value) < 10) return <>{trim(value, 3)} mm</>
  if (typeof value === 'number') return <>{figureText(value, unit, units)}</>
  if (typeof value === 'boolean') return <>{value ? 'yes' : 'no'}</>
  if (Array.isArray(value)) {
    if (value.every((v) => typeof v !== 'object'))
      return (
        <>
          {value.length
            ? value.map((v, i) => (
                <span key={i}>
                  {i ? '; ' : ''}
                  <Value value={v} field={field} />
                </span>
              ))
            : 'none'}
        </>
      )
    return isFlat(value) ? (
      <Rows rows={value} />
    ) : (
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {value.map((v, i) => (
          <li key={i}>
            <Value value={v} field={field} />
          </li>
        ))}
      </Box>
    )
  }
  if (typeof value === 'object') {
    return (
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'minmax(90px, auto) 1fr', columnGap: 1.5, rowGap: 0.25, fontSize: 14 }}
      >
        {Object.entries(value).map(([k, v]) => (
          <Box key={k} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ color: 'text.secondary' }}>
              {nameAndUnit(k).name}
            </Box>
            <Box component="dd" sx={{ m: 0, fontFamily: FIGURES, overflowWrap: 'anywhere' }}>
              <Value value={v} field={k} />
            </Box>
          </Box>
        ))}
      </Box>
    )
  }
  return <>{String(value)}</>
}

type Row = Record<string, unknown>
const isFlat = (list: unknown[]): list is Row[] =>
  list.every((v) => typeof v === 'object' && v !== null && !Array.isArray(v) && Object.values(v).every((x) => typeof x !== 'object'))

function Rows({ rows }: { rows: Row[] }) {
  const columns = Object.keys(rows[0] ?? {})
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          fontFamily: FIGURES,
          fontSize: 14,
          '& th': { textAlign: 'left', fontWeight: 400, fontSize: 12, color: 'text.secondary', verticalAlign: 'bottom' },
          '& th, & td': { p: 0, pr: 1.5, pb: 0.25 },
          '& td': { verticalAlign: 'top' },
        }}
      >
        <thead>
          <tr>
            {columns.map((k) => (
              <th key={k} scope="col">
                {nameAndUnit(k).name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {columns.map((k) => (
                <td key={k}>
                  <Value value={row[k]} field={k} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  )
}
