import type { Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { CalendarApi } from './calendar.worker'
import { calendar } from './calendarBench'

/**
 * An answer of the calendar about what stands in `of`; null until it is there. Of a row of questions that follow one another while one is being answered, as in
 * a drag, only the last is asked.
 */
export function useCalendar<T>(of: unknown[], ask: ((c: Remote<CalendarApi>) => Promise<T>) | null): T | null {
  const [worked, setWorked] = useState<{ of: unknown[]; answer: T } | null>(null)
  const [fault, setFault] = useState<Error | null>(null)
  const busy = useRef(false)
  const waiting = useRef<(() => void) | null>(null)
  useEffect(() => {
    if (!ask) return
    let gone = false
    const run = async () => {
      if (gone) return
      busy.current = true
      try {
        const answer = await ask(calendar())
        if (!gone) setWorked({ of, answer })
      } catch (error) {
        if (!gone) setFault(error instanceof Error ? error : new Error(String(error)))
      }
      busy.current = false
      const next = waiting.current
      waiting.current = null
      next?.()
    }
    if (busy.current) waiting.current = () => void run()
    else void run()
    return () => {
      gone = true
    }
    // biome-ignore lint/correctness/useExhaustiveDependencies: what it is about says when it is asked anew
  }, of)
  // whoever shows the page says what went wrong
  if (fault) throw fault
  return worked && worked.of.length === of.length && worked.of.every((v, i) => Object.is(v, of[i])) ? worked.answer : null
}
