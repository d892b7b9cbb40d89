import { create } from 'zustand'
import { recall, remember } from '../keeping/browserCopy'
import type { LookName } from './theme'

const KEY = 'tideline.look'
const first = (): LookName => {
  const kept = recall(KEY)
  if (kept === 'paper' || kept === 'bay') return kept
  const dark = typeof matchMedia === 'function' && matchMedia('(prefers-color-scheme: dark)').matches
  return dark ? 'bay' : 'paper'
}
type Look = { look: LookName; toggle: () => void }
export const useLook = create<Look>()((set, get) => ({
  look: first(),
  toggle: () => {
    const look = get().look === 'paper' ? 'bay' : 'paper'
    remember(KEY, look)
    set({ look })
  },
}))
