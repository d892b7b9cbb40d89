import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { profileOf } from '../../../core/catalogue/profiles'
import type { CutPart } from '../../../core/cutList/cutList'
import { moreFit } from '../../../core/cutList/stops'
import { barLine, barLineText } from '../../../core/nesting/barLine'
import type { CutPlan, PlannedBar } from '../../../core/nesting/planCuts'
import { figureText } from '../../../core/quantity/figureText'
import { formatLength } from '../../../core/quantity/formatQuantity'
import { moneyText } from '../../../core/quantity/money'
import type { Rules } from '../../../core/rules/rules'
import { useView } from '../../drawing/view'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'

/** Every bar to one scale with its cuts in order and what is left of it. */
export function BarPictures({ plan, rules, parts, plain = false }: { plan: CutPlan; rules: Rules; parts: CutPart[]; plain?: boolean }) {
  const longest = Math.max(1, ...plan.profiles.flatMap((p) => [...p.bars, ...p.plain].map((b) => b.lengthMm)))
  return (
    <Box component="section" aria-label={plain ? 'Bars, longest piece first' : 'Bars'} sx={{ mb: 3 }}>
      {plan.profiles.map((p) => (
        <Box key={p.profileId} sx={{ mb: 2 }}>
          <Typography variant="h3" gutterBottom>
            {profileOf(p.profileId).name}
          </Typography>
          {(plain ? p.plain : p.bars).map((b, i) => (
            <BarPicture
              key={i}
              bar={b}
              longest={longest}
              rules={rules}
              more={moreFit(
                b.offcutMm,
                parts.filter((x) => x.profileId === p.profileId),
                rules.kerfMm,
              )}
            />
          ))}
          {p.unplaced.map((u) => (
            <Typography key={u.marks.join()} role="alert" sx={{ color: (t) => t.inks.signal, fontWeight: 600 }}>
              Not placed: {u.marks.join(', ')}. {u.reason}
            </Typography>
          ))}
        </Box>
      ))}
    </Box>
  )
}

type More = ReturnType<typeof moreFit>
function BarPicture({ bar, longest, rules, more }: { bar: PlannedBar; longest: number; rules: Rules; more: More }) {
  const { inks } = useTheme()
  const units = useUnits()
  const select = useView((s) => s.select)
  const share = (mm: number) => `${(100 * mm) / longest}%`
  const line = barLineText(barLine(bar, rules), units)
  const left = bar.offcutMm
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '120px 1fr', gap: 1, alignItems: 'center', mb: 0.75 }}>
      <Box sx={{ fontSize: 13, lineHeight: 1.25 }}>
        <Box sx={{ fontFamily: FIGURES, fontWeight: 500, fontSize: 15 }}>{figureText(bar.lengthMm, 'mm', units)}</Box>
        <Box sx={{ color: 'text.secondary' }}>
          {bar.source === 'sale'
            ? `buy, ${moneyText(bar.priceMinor)}`
            : `offcut, ${bar.place || 'rack'}${bar.priceMinor ? `, ${moneyText(bar.priceMinor)} to clean` : ''}`}
        </Box>
      </Box>
      <Box
        sx={{
          display: 'flex',
          width: share(bar.lengthMm),
          height: 34,
          border: 1,
          borderColor: 'text.primary',
          bgcolor: inks.roofFill,
          pl: share(rules.endTrimMm),
        }}
      >
        {bar.cuts.map((c, i) => (
          <Box
            key={c.mark}
            onMouseEnter={() => select(c.partId)}
            title={`${c.name} ${c.mark}, ${formatLength(c.lengthMm, units)}`}
            sx={{
              flex: `0 0 ${(100 * c.lengthMm) / (bar.lengthMm - rules.endTrimMm)}%`,
              minWidth: 0,
              bgcolor: inks.memberFill,
              borderRight: 1,
              borderColor: 'text.primary',
              px: 0.5,
              overflow: 'hidden',
              whiteSpace: 'nowrap',
              fontFamily: FIGURES,
              fontSize: 13.5,
              fontWeight: 500,
              lineHeight: '32px',
              ...(i === 0 ? { borderLeft: 1 } : {}),
            }}
          >
            <b>{c.mark}</b> {formatLength(c.lengthMm, units)}
          </Box>
        ))}
        {left > longest * 0.04 && (
          <Box
            sx={{
              flex: 1,
              minWidth: 0,
              px: 0.75,
              overflow: 'hidden',
              whiteSpace: 'nowrap',
              color: 'text.secondary',
              fontSize: 12.5,
              lineHeight: '32px',
              backgroundImage: bar.keepsRemnant ? 'none' : `repeating-linear-gradient(45deg, transparent 0 5px, ${inks.line} 5px 6px)`,
            }}
          >
            {left < longest * 0.17 ? '' : bar.keepsRemnant ? 'to the rack ' : 'scrap '}
            {line.offcut}
          </Box>
        )}
      </Box>
      <Box sx={{ gridColumn: 2, fontFamily: FIGURES, fontSize: 12.5, color: 'text.secondary' }}>
        {line.text}
        {more ? `; ${more.count} more like ${more.marks[0]} would come out of the rest` : ''}
      </Box>
    </Box>
  )
}
