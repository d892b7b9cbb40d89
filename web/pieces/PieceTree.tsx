import AddIcon from '@mui/icons-material/Add'
import ArrowDownIcon from '@mui/icons-material/ArrowDownward'
import ArrowUpIcon from '@mui/icons-material/ArrowUpward'
import CopyIcon from '@mui/icons-material/ContentCopyOutlined'
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import FlipIcon from '@mui/icons-material/Flip'
import StowIcon from '@mui/icons-material/Inventory2Outlined'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Tooltip from '@mui/material/Tooltip'
import Typography from '@mui/material/Typography'
import { Fragment, type ReactNode, useState } from 'react'
import type { PieceState } from '../../core/families/family'
import type { Job } from '../../core/job/job'
import { copied, mayStandOn, mirrored, reordered, without } from '../../core/pieces/editPieces'
import { type Piece, pieceName } from '../../core/pieces/piece'
import type { Built } from '../../core/pieces/whole'
import { figureText } from '../../core/quantity/figureText'
import { restOf } from '../../core/resting/rest'
import { useView } from '../drawing/view'
import { editJob } from '../job/jobStore'
import { useResult, useRules } from '../job/useEvaluation'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { TextInput } from '../quantity/TextInput'
import { useUnits } from '../quantity/units'
import { Group } from '../stations/Group'
import { AddPiece } from './AddPiece'
import { useInHand, useWhole } from './inHand'

const states: { value: PieceState; label: string }[] = [
  { value: 'fitted', label: 'fitted' },
  { value: 'folded', label: 'folded' },
  { value: 'off', label: 'put away' },
]

/** The pieces of the job and the supports of each with what lies on them; the one in hand can be named, copied, turned over, moved, put away and removed. */
export function PieceTree({ job }: { job: Job }) {
  const [adding, setAdding] = useState(false)
  const whole = useWhole(job)
  const inHand = useInHand(job)
  const takeUp = useView((s) => s.takeUp)
  return (
    <Group
      title="Pieces"
      action={
        <Button startIcon={<AddIcon />} onClick={() => setAdding(true)} disabled={job.pieces.length >= 40}>
          Add a piece
        </Button>
      }
    >
      {job.pieces.length === 0 && (
        <Box sx={{ border: '1px dashed', borderColor: 'divider', p: 2, color: 'text.secondary', fontSize: 14 }}>
          No piece yet: this job asks only about the vehicle. Add a rack, a guard, a carrier, or what is there already.
        </Box>
      )}
      <Box component="ul" aria-label="Pieces of the job" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.5 }}>
        {whole.built.map((b) => (
          <Row key={b.piece.id} built={b} job={job} chosen={b.piece.id === inHand?.piece.id} take={() => takeUp(b.piece.id)} />
        ))}
      </Box>
      {adding && <AddPiece job={job} onClose={() => setAdding(false)} />}
    </Group>
  )
}

function Row({ built, job, chosen, take }: { built: Built; job: Job; chosen: boolean; take: () => void }) {
  const { piece, family } = built
  const units = useUnits()
  const massKg = useResult((s) => s.evaluation?.pieces.find((p) => p.id === piece.id)?.massKg)
  const under = job.pieces.find((p) => p.id === piece.on)
  const says = [
    family ? (piece.name ? family.title : null) : 'not known to this version: kept as it came',
    under ? `on ${pieceName(under)}` : null,
    piece.state === 'fitted' ? null : piece.state === 'off' ? 'put away' : 'folded',
    massKg === null ? 'mass unknown' : massKg ? figureText(massKg, 'kg', units) : null,
  ].filter((t) => t !== null)
  return (
    <Box
      component="li"
      sx={{
        border: 1,
        borderColor: chosen ? 'primary.main' : 'divider',
        bgcolor: chosen ? 'background.paper' : undefined,
        ml: under ? 2 : 0,
      }}
    >
      <Button
        fullWidth
        onClick={take}
        aria-pressed={chosen}
        sx={{
          justifyContent: 'flex-start',
          textAlign: 'left',
          px: 1,
          py: 0.5,
          color: 'text.primary',
          opacity: piece.state === 'off' ? 0.6 : 1,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box component="span" sx={{ fontWeight: 600 }}>
            {piece.letter ? `${piece.letter}  ` : ''}
            {pieceName(piece)}
          </Box>
          <Typography variant="caption" component="div" sx={{ color: 'text.secondary', lineHeight: 1.25 }}>
            {says.join(', ')}
          </Typography>
        </Box>
      </Button>
      <Supports built={built} job={job} />
      {chosen && <InHand built={built} job={job} />}
    </Box>
  )
}

/** What things lie on, and what lies there. */
function Supports({ built, job }: { built: Built; job: Job }) {
  const whole = useWhole(job)
  const select = useView((s) => s.select)
  const own = built.assembly.supports
  if (!own.length) return null
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, pl: 1.5, pr: 1, pb: 0.75, fontSize: 13 }}>
      {own.map((s) => {
        const on = job.brief.cargo.filter((c) => restOf(c, whole.assembly).supports.some((x) => x.id === s.id))
        return (
          <li key={s.id}>
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {s.name}:
            </Box>{' '}
            {on.length === 0 ? (
              <Box component="span" sx={{ color: 'text.secondary' }}>
                nothing on it
              </Box>
            ) : (
              on.map((c, i) => (
                <Fragment key={c.id}>
                  {i > 0 && ', '}
                  <Box
                    component="button"
                    type="button"
                    onClick={() => select(`cargo:${c.id}`)}
                    sx={{
                      border: 0,
                      p: 0,
                      bgcolor: 'transparent',
                      font: 'inherit',
                      color: 'inherit',
                      cursor: 'pointer',
                      textAlign: 'left',
                      textDecoration: 'underline dotted',
                    }}
                  >
                    {c.name}
                  </Box>
                </Fragment>
              ))
            )}
          </li>
        )
      })}
    </Box>
  )
}

function InHand({ built, job }: { built: Built; job: Job }) {
  const rules = useRules()
  const takeUp = useView((s) => s.takeUp)
  const { piece, design } = built
  const id = piece.id
  const change = (of: (pieces: Piece[]) => Piece[]) => {
    // what is worked on stays in hand, wherever it goes in the list
    takeUp(id)
    editJob((j) => ({ ...j, pieces: of(j.pieces) }))
  }
  const patch = (p: Partial<Piece>) => change((list) => list.map((o) => (o.id === id ? { ...o, ...p } : o)))
  const stands = mayStandOn(job.pieces, id)
  const at = job.pieces.findIndex((p) => p.id === id)
  const folds = built.assembly.motions.length > 0 || piece.state === 'folded'
  return (
    <Box sx={{ p: 1, display: 'grid', gap: 1, borderTop: 1, borderColor: 'divider' }}>
      <TextInput label="Name of the piece" value={piece.name} maxLength={80} onChange={(name) => patch({ name })} />
      <Box sx={{ display: 'grid', gridTemplateColumns: stands.length ? '1fr 1fr' : '1fr', gap: 1 }}>
        {stands.length > 0 && (
          <ChoiceInput
            label="Stands on"
            value={piece.on}
            empty="the vehicle"
            options={stands.map((p) => ({ value: p.id, label: pieceName(p) }))}
            onChange={(on) => patch({ on })}
            onEmpty={() => patch({ on: null })}
          />
        )}
        <ChoiceInput
          label="Set"
          value={piece.state}
          options={states.filter((s) => s.value !== 'folded' || folds)}
          onChange={(state) => patch({ state })}
        />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        <Act label="Copy it" onClick={() => change((list) => copied(list, id))} disabled={job.pieces.length >= 40}>
          <CopyIcon fontSize="small" />
        </Act>
        <Act
          label={design?.mirrored ? 'Mirror it to the other side' : 'The same on both sides: nothing to mirror'}
          onClick={() => change((list) => mirrored(list, id, { ...built.site, rules }))}
          disabled={!design?.mirrored}
        >
          <FlipIcon fontSize="small" />
        </Act>
        <Act label="Earlier in the list" onClick={() => change((list) => reordered(list, id, -1))} disabled={at === 0}>
          <ArrowUpIcon fontSize="small" />
        </Act>
        <Act label="Later in the list" onClick={() => change((list) => reordered(list, id, 1))} disabled={at === job.pieces.length - 1}>
          <ArrowDownIcon fontSize="small" />
        </Act>
        <Act
          label={piece.state === 'off' ? 'Fit it again' : 'Put it away'}
          onClick={() => patch({ state: piece.state === 'off' ? 'fitted' : 'off' })}
        >
          <StowIcon fontSize="small" />
        </Act>
        <Act
          label={`Remove ${pieceName(piece)}`}
          onClick={() => {
            change((list) => without(list, id))
            takeUp(null)
          }}
        >
          <RemoveIcon fontSize="small" />
        </Act>
      </Box>
      {built.issues.some((i) => i.code === 'piece_unknown') && (
        <Typography variant="caption" color="error">
          Its parameters are kept whole in the job file.
        </Typography>
      )}
    </Box>
  )
}

const Act = ({ label, onClick, disabled, children }: { label: string; onClick: () => void; disabled?: boolean; children: ReactNode }) => (
  <Tooltip title={label}>
    <span>
      <IconButton aria-label={label} onClick={onClick} disabled={disabled} sx={{ width: 40, height: 40 }}>
        {children}
      </IconButton>
    </span>
  </Tooltip>
)
