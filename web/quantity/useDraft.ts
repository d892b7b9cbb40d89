import { useState } from 'react'

/**
 * What is being typed over a value. Once the value is another, by undo or from elsewhere, what was typed over the old one is gone at once and for good: kept until
 * an effect has run, it could still be taken over and undo the undoing; kept aside, it would come back with the old value.
 */
export function useDraft(value: string): [draft: string, setDraft: (text: string) => void] {
  const [typed, setTyped] = useState<{ text: string; over: string } | null>(null)
  const gone = typed !== null && typed.over !== value
  if (gone) setTyped(null)
  return [typed && !gone ? typed.text : value, (text) => setTyped({ text, over: value })]
}
