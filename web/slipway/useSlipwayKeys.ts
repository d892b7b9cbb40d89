import { type RefObject, useEffect, useRef } from 'react'
import { isTyping } from '../shell/keys'

/** N begins a job, / goes to the search. */
export function useSlipwayKeys(search: RefObject<HTMLInputElement | null>, make: () => void): void {
  const begin = useRef(make)
  begin.current = make
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key === 'n') {
        event.preventDefault()
        begin.current()
      }
      if (event.key === '/') {
        event.preventDefault()
        search.current?.focus()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [search])
}
