// Whether a number is being typed: half of it is drawn at once, and is not saved before the
// hand leaves it, or rests.
const rest = 4000 // ms without a key after which an entry counts as whole

let open = 0 // fields that are typed into
export const typing = () => open > 0

/** One field's part in it: held by every key, until it lets go or rests. */
export function useTyping() {
  let timer: ReturnType<typeof setTimeout> | undefined
  function letGo() {
    if (timer === undefined) return
    clearTimeout(timer)
    timer = undefined
    open--
  }
  function hold() {
    if (timer === undefined) open++
    else clearTimeout(timer)
    timer = setTimeout(letGo, rest)
  }
  return { hold, letGo }
}
