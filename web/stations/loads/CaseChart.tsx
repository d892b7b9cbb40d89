import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { BarController, BarElement, CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { Chart as ChartCanvas } from 'react-chartjs-2'
import type { Evaluation } from '../../../core/job/evaluate'
import { N_PER_POUND_FORCE } from '../../../core/quantity/units'
import { useUnits } from '../../quantity/units'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip)

/** The most loaded foot in each load case, against the rating. */
export default function CaseChart({ evaluation, ratingN }: { evaluation: Evaluation; ratingN: number | null }) {
  const theme = useTheme()
  const units = useUnits()
  const [divide, unit] = units.system === 'inch' ? [N_PER_POUND_FORCE, 'lbf'] : [1, 'N']
  const labels = evaluation.cases.map((c) => c.case.name)
  const values = evaluation.cases.map((c) => Math.max(...c.feetDownN) / divide)
  const text = { color: theme.palette.text.secondary, font: { family: theme.typography.fontFamily, size: 12 } }
  const inWords = `Most loaded foot by case: ${labels.map((l, i) => `${l} ${Math.round(values[i])} ${unit}`).join('; ')}${ratingN === null ? '; rating unknown' : `; rating ${Math.round(ratingN / divide)} ${unit}`}`
  return (
    <Box sx={{ height: 220, minWidth: 0 }}>
      <ChartCanvas
        type="bar"
        aria-label={inWords}
        options={{
          indexAxis: 'y',
          maintainAspectRatio: false,
          animation: false,
          plugins: { tooltip: { enabled: true } },
          scales: {
            x: {
              ticks: text,
              grid: { color: theme.inks.line },
              title: {
                display: true,
                text: `most loaded foot, ${unit}${ratingN === null ? '; rating unknown' : `; rating ${Math.round(ratingN / divide)}`}`,
                ...text,
              },
            },
            y: { ticks: { ...text, autoSkip: false }, grid: { display: false } },
          },
        }}
        data={{
          labels,
          datasets: [
            {
              data: values,
              backgroundColor: values.map((v) => (ratingN !== null && v * divide > ratingN ? theme.inks.signal : theme.inks.waterDeep)),
              barPercentage: 0.7,
            },
          ],
        }}
      />
    </Box>
  )
}
