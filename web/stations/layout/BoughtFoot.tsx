import { useState } from 'react'
import { figureText } from '../../../core/quantity/figureText'
import { useShelf } from '../../api/queries'
import { editBy, type PieceInHand } from '../../pieces/inHand'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { useUnits } from '../../quantity/units'

/** The height of a foot that is really on the parts shelf, instead of a round number. A foot whose height nobody measured is not offered. */
export function BoughtFoot({ inHand }: { inHand: PieceInHand }) {
  const shelf = useShelf('parts')
  const units = useUnits()
  const [chosen, setChosen] = useState<string | null>(null)
  const feet = (shelf.data?.document ?? []).filter((p) => p.kind === 'foot' && p.heightMm !== null)
  const { footHeight } = inHand.design
  if (!feet.length || !footHeight) return null
  const now = feet.find((f) => f.id === chosen && f.heightMm === footHeight.mm)
  const take = (id: string) => {
    const foot = feet.find((f) => f.id === id)
    if (!foot || foot.heightMm === null) return
    setChosen(id)
    editBy(inHand.piece.id, footHeight.set(foot.heightMm))
  }
  return (
    <ChoiceInput
      label="Foot from the parts shelf"
      value={now?.id ?? null}
      empty="none chosen: height as typed"
      options={feet.map((f) => ({
        value: f.id,
        label: `${f.number} ${f.name}, ${figureText(f.heightMm, 'mm', { ...units, mmStep: 0.5 })}`,
      }))}
      onChange={take}
    />
  )
}
