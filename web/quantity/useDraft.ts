import { useState } from 'react'

/**
 * What is being typed over a value. Once the value is another, by undo or from elsewhere, what was typed over the old one is gone at once: kept until an effect
 * has run, it could still be taken over and undo the undoing.
 */
export function useDraft(value: string): [draft: string, setDraft: (text: string) => void] {
  const [typed, setTyped] = useState<{ text: string; over: string } | null>(null)
  return [typed && typed.over === value ? typed.text : value, (text) => setTyped({ text, over: value })]
}
