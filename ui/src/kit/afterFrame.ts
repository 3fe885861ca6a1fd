/** Does something once the next frame stands on the screen; answers how to call it off. */
export function afterFrame(then: () => void): () => void {
  let late: ReturnType<typeof setTimeout> | undefined
  const frame = requestAnimationFrame(() => (late = setTimeout(then)))
  return () => {
    cancelAnimationFrame(frame)
    clearTimeout(late)
  }
}
