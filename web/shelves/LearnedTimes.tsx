import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useQuery } from '@tanstack/react-query'
import { trim } from '../../core/quantity/formatQuantity'
import { type RuleKey, type Rules, ruleFields } from '../../core/rules/rules'
import { ENOUGH_TIMES, type LearnedTime, timeOffer } from '../../core/workLog/learnedTimes'
import { call } from '../api/client'

/** What steps took by the log of all jobs, beside what they were reckoned at; where one figure would set it right, it is offered. */
export function LearnedTimes({ rules, onUse }: { rules: Rules; onUse: (key: RuleKey, value: number) => void }) {
  const log = useQuery({ queryKey: ['times'], queryFn: () => call<{ rows: LearnedTime[] }>('/times') })
  if (!log.data?.rows.length) return null
  return (
    <Box component="section" sx={{ mb: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        By the log
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Steps that were timed, against what they were reckoned at. A figure is offered once a step was timed {ENOUGH_TIMES} times.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 760 }}>
        {log.data.rows.map((l) => (
          <Row key={l.id} learned={l} rules={rules} onUse={onUse} />
        ))}
      </Box>
    </Box>
  )
}

function Row({ learned, rules, onUse }: { learned: LearnedTime; rules: Rules; onUse: (key: RuleKey, value: number) => void }) {
  const offer = timeOffer(learned, rules)
  const field = offer && ruleFields.find((f) => f.key === offer.key)
  return (
    <Box
      component="li"
      sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', borderTop: 1, borderColor: 'divider', py: 0.75 }}
    >
      <Box sx={{ flex: '1 1 320px' }}>
        {field?.label ?? `Step “${learned.id}”`}: {trim(learned.tookMin, 0)} min for what was reckoned at {trim(learned.reckonedMin, 0)},
        timed {learned.times} {learned.times === 1 ? 'time' : 'times'}
        {offer ? `; ${trim(learned.tookMin, 0)} min over ${trim(learned.pieces, 0)} of them` : ''}
      </Box>
      {offer && offer.would !== offer.now && (
        <Button variant="outlined" onClick={() => onUse(offer.key, offer.would)}>
          {trim(offer.would, 1)} min instead of {trim(offer.now, 1)}
        </Button>
      )}
    </Box>
  )
}
