// Enter goes to the next field, Shift+Enter to the one before; from the last one of a form
// it ends the form.
const fields = 'input:not([type=radio], [type=checkbox], [type=file], [type=hidden]), textarea, select'

export function nextField(from: HTMLElement, back: boolean) {
  const within = from.closest<HTMLElement>('form, [role=dialog], main')
  if (!within) return
  const list = [...within.querySelectorAll<HTMLInputElement>(fields)].filter((f) => !f.disabled && f.offsetParent !== null)
  const next = list[list.indexOf(from as HTMLInputElement) + (back ? -1 : 1)]
  if (next) {
    next.focus()
    next.scrollIntoView({ block: 'nearest' })
  } else if (!back && within instanceof HTMLFormElement) within.requestSubmit()
}
