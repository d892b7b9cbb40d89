import { create } from 'zustand'
import { recall, remember } from '../keeping/browserCopy'

const KEY = 'tideline.who'
type Who = { who: string; setWho: (who: string) => void }
/** Who works at this device: whose name stands with a reading, and under a gate. Kept on this device, not in the job. */
export const useWho = create<Who>()((set) => ({
  who: recall(KEY) ?? '',
  setWho: (who) => {
    remember(KEY, who)
    set({ who })
  },
}))
