import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { issueMessage } from '../../core/issue/messages.en'
import { counted } from '../../core/quantity/counted'
import { figureText } from '../../core/quantity/figureText'
import type { DisplayUnits } from '../../core/quantity/units'
import type { PartThere, PieceThere, Reused } from '../../core/reuse/reuse'

const SHOWN = 6
const LITTLE_MM = 5

/** What becomes of a job on another vehicle: its parts, its limits, what has to be measured there, and what stays with the first one. */
export function WhatChanges({ reused: r, units }: { reused: Reused; units: DisplayUnits }) {
  // as a tape reads it; what is only a little is told finer
  const mm = (v: number) => figureText(v, v < LITTLE_MM ? 'gauge' : 'mm', units)
  return (
    <>
      <Part title="What changes">
        {r.pieces.length === 0 && <li>Nothing is built in it.</li>}
        {r.pieces.map((p) => (
          <li key={p.id}>
            {pieceWords(p, mm)}
            {p.issues.map((i) => (
              <Box key={JSON.stringify(i)} sx={{ color: (t) => t.inks.signal }}>
                {issueMessage(i, (v) => figureText(v, 'mm', units))}
              </Box>
            ))}
          </li>
        ))}
      </Part>
      {r.worse.length > 0 && (
        <Part title="Worse there">
          {r.worse.map((l) => (
            <Box component="li" key={l.id} sx={{ color: (t) => (l.is === 'over' ? t.inks.signal : t.inks.unknown) }}>
              {l.name}: {l.is === 'over' ? 'over its line' : 'not assessed'}
            </Box>
          ))}
        </Part>
      )}
      <Part title="Measure there first">
        {r.unread.map((u) => (
          <Box component="li" key={u} sx={{ color: (t) => t.inks.unknown }}>
            {u}
          </Box>
        ))}
        {r.measure.length === 0 && r.unread.length === 0 && <li>Every figure that its parts hang on was read on that vehicle.</li>}
        {r.measure.slice(0, SHOWN).map((m) => (
          <li key={m.id}>
            {m.label}: {[...new Set(m.parts.map((p) => p.mark))].slice(0, SHOWN).join(', ')}
            {m.parts.length > SHOWN ? ' …' : ''}
          </li>
        ))}
        {r.measure.length > SHOWN && <li>and {counted(r.measure.length - SHOWN, 'figure')} more, at Measure</li>}
      </Part>
      {r.unknown.length > 0 && (
        <Part title="Unknown again">
          {r.unknown.map((u) => (
            <li key={u}>{u}</li>
          ))}
        </Part>
      )}
      {r.left.length > 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Stays with the first job: {r.left.join(', ')}. The client’s name is left out.
        </Typography>
      )}
    </>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h3" sx={{ fontSize: 15, fontWeight: 600 }}>
        {title}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.25, fontSize: 14.5 }}>
        {children}
      </Box>
    </Box>
  )
}

function pieceWords(p: PieceThere, mm: (v: number) => string): string {
  if (!p.same && !p.parts.length) return `${p.name}: no part of it can be made there`
  if (!p.parts.length) return `${p.name}: every part is the same`
  const more = p.parts.length - SHOWN
  const words = p.parts.slice(0, SHOWN).map((x) => partWords(x, mm))
  return `${p.name}: ${p.same ? `${counted(p.same, 'part')} the same; ` : ''}${words.join('; ')}${more > 0 ? `; and ${more} more` : ''}`
}

function partWords({ mark, becomes, byMm }: PartThere, mm: (v: number) => string): string {
  if (becomes === 'longer') return `${mark} ${mm(Math.abs(byMm))} ${byMm > 0 ? 'longer' : 'shorter'}`
  if (becomes === 'moved') return `${mark}: holes or corners move ${mm(byMm)}`
  return { another: `${mark} is another part`, gone: `${mark} falls away`, added: `${mark} is added` }[becomes]
}
