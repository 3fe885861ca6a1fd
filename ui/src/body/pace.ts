// How long the folded body takes to be drawn here. Without graphics hardware that
// is longer than the pause between two key presses: then it waits for a rest.
const long = 50 // ms
const rest = 300 // ms of quiet

let cost = 0

/** Tells how long the last drawing took, ms. */
export function drawnIn(ms: number) {
  cost = ms
}

/** How long to wait for quiet before the body is drawn anew, ms. */
export const pause = () => (cost > long ? rest : 0)
