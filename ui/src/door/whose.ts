// Whose this browser is now, known before the server has answered: the name last signed
// in, or nobody's where nobody signs in.
const key = 'warmanvil.whose'
let name = localStorage.getItem(key) ?? ''

export const whose = () => name

/** Says who is signed in; empty for nobody. */
export function belongsTo(next: string) {
  name = next.trim().toLowerCase()
  if (name) localStorage.setItem(key, name)
  else localStorage.removeItem(key)
}
