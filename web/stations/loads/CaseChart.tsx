import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'
import { Chart as ChartCanvas } from 'react-chartjs-2'
import type { Evaluation } from '../../../core/job/evaluate'
import { usedInCase } from '../../../core/limits/usedInCase'

Chart.register(BarController, BarElement, CategoryScale, Legend, LinearScale, Tooltip)

/** How much each load case uses of the strongest-used member and of the most used foot, in per cent. */
export default function CaseChart({ evaluation }: { evaluation: Evaluation }) {
  const theme = useTheme()
  const labels = evaluation.cases.map((c) => c.case.name)
  const used = evaluation.cases.map((c) => usedInCase(c, evaluation))
  const percent = (v: number | null) => (v === null ? null : Math.round(v * 100))
  const members = used.map((u) => percent(u.members))
  const feet = used.map((u) => percent(u.feet))
  const unrated = feet.every((f) => f === null)
  const text = { color: theme.palette.text.secondary, font: { family: theme.typography.fontFamily, size: 12 } }
  const inWords = `Used by load case: ${labels.map((l, i) => `${l}, ${members[i] === null ? 'not assessed' : `members ${members[i]} %, feet ${feet[i] === null ? 'unrated' : `${feet[i]} %`}`}`).join('; ')}`
  return (
    <Box sx={{ height: 90 + 16 * labels.length, minWidth: 0 }}>
      <ChartCanvas
        type="bar"
        aria-label={inWords}
        options={{
          indexAxis: 'y',
          maintainAspectRatio: false,
          animation: false,
          plugins: { tooltip: { enabled: true }, legend: { position: 'bottom', labels: { ...text, boxWidth: 12, boxHeight: 12 } } },
          scales: {
            x: {
              ticks: text,
              grid: {
                color: (c) => (c.tick.value === 100 ? theme.inks.signal : theme.inks.line),
                lineWidth: (c) => (c.tick.value === 100 ? 2 : 1),
              },
              suggestedMax: 100,
              title: { display: true, text: unrated ? '% used; feet are unrated' : '% used; 100 is the line', ...text },
            },
            y: { ticks: { ...text, autoSkip: false }, grid: { display: false } },
          },
        }}
        data={{
          labels,
          datasets: [
            { label: 'strongest-used member', data: members, backgroundColor: theme.inks.waterDeep, barPercentage: 0.9 },
            {
              label: 'most used foot',
              data: feet,
              backgroundColor: theme.inks.memberFill,
              borderColor: theme.inks.member,
              borderWidth: 1,
              barPercentage: 0.9,
            },
          ],
        }}
      />
    </Box>
  )
}
