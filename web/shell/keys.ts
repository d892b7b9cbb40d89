/** Whether a key press belongs to a field or an open dialog, and so is not a shortcut. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return (
    !!target &&
    (target.isContentEditable ||
      ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
      target.closest('[role="dialog"],[role="listbox"],[role="menu"]') !== null)
  )
}

export const shortcuts: { keys: string; does: string; where: string }[] = [
  { keys: 'Ctrl K', does: 'find a job, a station, a page, a calculator', where: 'Everywhere' },
  { keys: '?', does: 'this list', where: 'Everywhere' },
  { keys: 'N', does: 'new job', where: 'Slipway' },
  { keys: '/', does: 'search', where: 'Slipway' },
  { keys: '1 … 7', does: 'Brief, Measure, Layout, Loads, Fit, Cut, Hand-over', where: 'Job' },
  { keys: 'Ctrl Z, Ctrl Y', does: 'undo, redo (Ctrl Shift Z too)', where: 'Job' },
  { keys: 'V', does: 'next view of the drawing', where: 'Job' },
  { keys: 'U', does: 'inch or metric', where: 'Job' },
  { keys: 'Tab, arrow keys', does: 'take hold of a bar or load and move it; Shift for ten steps', where: 'Drawing' },
  { keys: '+ − 0', does: 'nearer, farther, all of it; the wheel and two fingers too', where: 'Drawing' },
  { keys: 'Drag the empty sheet', does: 'move it, when it is drawn near', where: 'Drawing' },
  { keys: 'Alt while dragging', does: 'leave the snapping off', where: 'Drawing' },
  { keys: '↑ ↓ in a field', does: 'one step up or down; Shift for ten', where: 'Fields' },
  { keys: 'Esc in a field', does: 'the figure as it was', where: 'Fields' },
]
