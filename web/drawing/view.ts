import { create } from 'zustand'
import { pieceIdOf } from '../../core/assembly/ids'
import type { ViewName } from '../../core/drawing/sheet'

export type Arrangement = ViewName | 'all' | '3d'
/** What is moved at Fit and how far, in degrees or mm; `firstId` = what must have gone all its way before. */
type Moving = { id: string; value: number; firstId?: string | null }
type View = {
  view: Arrangement
  selected: string | null
  /** the piece that is being worked on; null = the first */
  pieceId: string | null
  when: 'driving' | 'parked'
  /** the load case shown at Loads; null = the worst */
  caseId: string | null
  /** at Fit: what is moved and how far, and the gap that is looked at */
  moving: Moving | null
  /** somebody stands beside it, to see the size by */
  person: boolean
  gapId: string | null
  show: (view: Arrangement) => void
  select: (ref: string | null) => void
  takeUp: (pieceId: string | null) => void
  count: (when: 'driving' | 'parked') => void
  load: (caseId: string | null) => void
  stand: (person: boolean) => void
  move: (moving: Moving | null) => void
  lookAt: (gapId: string | null) => void
}
/** What is looked at: not part of the job, not undone. Taking hold of a part takes up its piece. */
export const useView = create<View>()((set) => ({
  view: 'all',
  selected: null,
  pieceId: null,
  when: 'driving',
  caseId: null,
  moving: null,
  person: false,
  gapId: null,
  show: (view) => set({ view }),
  select: (selected) => set((s) => ({ selected, pieceId: (selected && pieceIdOf(selected)) ?? s.pieceId })),
  takeUp: (pieceId) => set({ pieceId, selected: null }),
  count: (when) => set({ when }),
  load: (caseId) => set({ caseId }),
  stand: (person) => set({ person }),
  move: (moving) => set({ moving, gapId: null }),
  lookAt: (gapId) => set({ gapId, moving: null }),
}))
