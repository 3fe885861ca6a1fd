// Quick numbers by what people call them.
import type { Calculation } from './calculation'

const plain = (s: string) => s.toLowerCase().replace(/[^a-z0-9°]+/g, ' ')

/** How well a calculation answers to words: every word must begin one of its own. 0 is not at all. */
function answers(c: Calculation, asked: string[]): number {
  const title = plain(c.title).split(' ')
  const own = [...title, ...plain(`${c.about} ${c.said} ${c.results.map((r) => r.label).join(' ')}`).split(' ')]
  if (!asked.every((w) => own.some((o) => o.startsWith(w)))) return 0
  const inTitle = asked.filter((w) => title.some((o) => o.startsWith(w))).length
  const together = plain(c.said).includes(asked.join(' ')) || plain(c.title).includes(asked.join(' '))
  return 1 + inTitle + (together ? 2 : 0)
}

/** Those that answer to what was typed, best first; in the order they came where alike. */
export function find(list: Calculation[], text: string): Calculation[] {
  const asked = plain(text).split(' ').filter(Boolean)
  return list
    .map((c) => ({ c, how: answers(c, asked) }))
    .filter((x) => x.how > 0)
    .sort((a, b) => b.how - a.how)
    .map((x) => x.c)
}
