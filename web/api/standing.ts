import { create } from 'zustand'

/** How this page stands with the server: whether the device must be paired first, and whether the server has become a newer one since it was loaded. */
export const useStanding = create<{ unpaired: boolean; newer: boolean }>()(() => ({ unpaired: false, newer: false }))

let loaded: string | null = null
/** The release that answered; the first one heard is the one this page came from. */
export function heardFrom(release: string | null): void {
  if (!release) return
  loaded ??= release
  if (release !== loaded) useStanding.setState({ newer: true })
}
