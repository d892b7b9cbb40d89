import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { Chart as ChartCanvas } from 'react-chartjs-2'
import { N_PER_POUND_FORCE } from '../../../core/quantity/units'
import type { StrutCurve } from '../../../core/strut/strutCurve'
import { useUnits } from '../../quantity/units'

Chart.register(Legend, LineController, LineElement, LinearScale, PointElement, Tooltip)

/** What a hand feels at the edge over the whole way: above nothing it lifts, below it pulls. */
export default function StrutChart({ curve }: { curve: StrutCurve }) {
  const { inks, palette, typography } = useTheme()
  const inch = useUnits().system === 'inch'
  const exact = (n: number) => (inch ? n / N_PER_POUND_FORCE : n)
  const force = (n: number) => Math.round(exact(n) * 10) / 10
  const unit = inch ? 'lbf' : 'N'
  const text = { color: palette.text.secondary, font: { family: typography.fontFamily, size: 12 } }
  const { points } = curve
  const first = points[0]!
  const last = points[points.length - 1]!
  const inWords = `Hand at the edge: heavy and cold ${force(first.hand.heavy)} ${unit} shut, ${force(last.hand.heavy)} open; empty and hot ${force(first.hand.light)} shut, ${force(last.hand.light)} open`
  const line = (label: string, of: (p: (typeof points)[number]) => number, colour: string, dash: number[] = []) => ({
    label,
    data: points.map((p) => ({ x: Math.round(p.deg), y: exact(of(p)) })),
    borderColor: colour,
    backgroundColor: colour,
    borderDash: dash,
    borderWidth: 2,
    pointRadius: 0,
  })
  return (
    <Box sx={{ height: 210, minWidth: 0 }}>
      <ChartCanvas
        type="line"
        aria-label={inWords}
        options={{
          maintainAspectRatio: false,
          animation: false,
          interaction: { mode: 'index', intersect: false },
          plugins: {
            tooltip: { callbacks: { label: (i) => `${i.dataset.label}: ${Math.round((i.parsed.y ?? 0) * 10) / 10} ${unit}` } },
            legend: { position: 'bottom', labels: { ...text, boxWidth: 16, boxHeight: 2 } },
          },
          scales: {
            x: {
              type: 'linear',
              min: first.deg,
              max: last.deg,
              ticks: text,
              grid: { color: inks.line },
              title: { display: true, text: 'open by, °', ...text },
            },
            y: {
              ticks: text,
              grid: { color: (c) => (c.tick.value === 0 ? palette.text.primary : inks.line) },
              title: { display: true, text: `hand at the edge, ${unit}`, ...text },
            },
          },
        }}
        data={{
          datasets: [
            line('loaded, old, cold', (p) => p.hand.heavy, inks.signal),
            line('empty, new, hot', (p) => p.hand.light, inks.waterDeep, [6, 4]),
          ],
        }}
      />
    </Box>
  )
}
