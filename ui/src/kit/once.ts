/** What makes a thing, so that a second press while it is under way makes no second one. */
export function once<A extends unknown[]>(make: (...a: A) => Promise<unknown>): (...a: A) => Promise<void> {
  let going = false
  return async (...a) => {
    if (going) return
    going = true
    try {
      await make(...a)
    } finally {
      going = false
    }
  }
}
