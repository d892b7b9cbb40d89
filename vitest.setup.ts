import fc from 'fast-check'

// the same cases on every machine: a run that fails can be run again
fc.configureGlobal({ seed: 20261125 })

// jsdom works out every style sheet's rules anew for each element whose name is asked for, which is most of what these tests would take; what is
// hidden in them is hidden by its own style or an attribute
if (typeof window !== 'undefined') window.getComputedStyle = (element: Element) => (element as HTMLElement).style ?? document.body.style
// likewise it asks every label on the page whom it names, for each field; a field's labels are found from the field
if (typeof window !== 'undefined')
  for (const field of [HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement, HTMLButtonElement, HTMLOutputElement, HTMLMeterElement])
    Object.defineProperty(field.prototype, 'labels', {
      get(this: HTMLElement) {
        const named = this.id ? [...document.querySelectorAll(`label[for="${CSS.escape(this.id)}"]`)] : []
        const around = this.closest('label:not([for])')
        return around ? [...named, around] : named
      },
    })
// React keeps the stack of every element it makes, for warnings nobody reads here: a sixth of the time of these tests
if (typeof window !== 'undefined') {
  const inner = Object.values(await import('react')).find(
    (x: unknown) => typeof x === 'object' && x !== null && 'recentlyCreatedOwnerStacks' in x,
  )
  if (inner) Object.defineProperty(inner, 'recentlyCreatedOwnerStacks', { get: () => 1e9, set: () => undefined })
}
