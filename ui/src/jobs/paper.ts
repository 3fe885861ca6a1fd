// The paper of the shop: Letter where inches are spoken, A4 else, until another is chosen.
export type Paper = 'a4' | 'letter'

const key = (inches: boolean) => `warmanvil.paper.${inches ? 'in' : 'mm'}`

export const paperOf = (inches: boolean) => (localStorage.getItem(key(inches)) as Paper | null) ?? (inches ? 'letter' : 'a4')
export const choosePaper = (inches: boolean, p: Paper) => localStorage.setItem(key(inches), p)
/** The papers there are, the usual one first. */
export function papers(inches: boolean): { value: Paper; text: string }[] {
  const list: { value: Paper; text: string }[] = [
    { value: 'a4', text: 'A4' },
    { value: 'letter', text: 'Letter' },
  ]
  return inches ? list.reverse() : list
}
