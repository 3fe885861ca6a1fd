// What one undo takes back: a number typed digit by digit is saved more than once, and is
// still one change. It goes on until its field is come back to or another is changed.
let visits = 0
document.addEventListener('focusin', () => visits++)

export function useEntry() {
  const touched = new Set<string>()
  let visit = 0
  let last: { path: string; visit: number } | undefined
  return {
    /** Something was changed; without a path it stands for itself. */
    touch(path = '') {
      if (!touched.size) visit = visits
      touched.add(path)
    },
    /** Whether what is saved now goes on with what was saved last. The last digit may be
     * understood only when the next field has the focus already. */
    goesOn() {
      const path = touched.size === 1 ? [...touched][0]! : ''
      touched.clear()
      const on = path !== '' && path === last?.path && visit - last.visit <= 1
      last = path ? { path, visit: on ? last!.visit : visit } : undefined
      return on
    },
  }
}
