import { create } from 'zustand'
import type { LookName } from './theme'

const KEY = 'tideline.look'
const first = (): LookName => {
  const kept = localStorage.getItem(KEY)
  if (kept === 'paper' || kept === 'bay') return kept
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'bay' : 'paper'
}
type Look = { look: LookName; toggle: () => void }
export const useLook = create<Look>()((set, get) => ({
  look: first(),
  toggle: () => {
    const look = get().look === 'paper' ? 'bay' : 'paper'
    localStorage.setItem(KEY, look)
    set({ look })
  },
}))
