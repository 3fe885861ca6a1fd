// What one undo takes back: a number typed digit by digit is saved more than once, and is
// still one change. It goes on until its field is come back to or another is changed. What
// a press does, a row moved or taken out, stands for itself.
let visits = 0
let presses = 0
document.addEventListener('focusin', () => visits++)
document.addEventListener('click', (e) => (e.target as Element).closest('button') && presses++, true)

export function useEntry() {
  const touched = new Set<string>()
  let visit = 0
  let press = 0
  let last: { path: string; visit: number; press: number } | undefined
  return {
    /** Something was changed; without a path it stands for itself. */
    touch(path = '') {
      if (!touched.size) [visit, press] = [visits, presses]
      touched.add(path)
    },
    /** Whether what is saved now goes on with what was saved last. The last digit may be
     * understood only when the next field has the focus already. */
    goesOn() {
      const path = touched.size === 1 ? [...touched][0]! : ''
      touched.clear()
      const on = path !== '' && path === last?.path && visit - last.visit <= 1 && press === last.press
      last = path ? { path, visit: on ? last!.visit : visit, press } : undefined
      return on
    },
  }
}
