/** How a value came to be known, best first. */
export const trusts = [
  { value: 'measured' as const, text: 'measured here' },
  { value: 'copied' as const, text: 'copied' },
  { value: 'memory' as const, text: 'from memory' },
  { value: 'assumed' as const, text: 'assumed' },
]
export type Trust = (typeof trusts)[number]['value']
export const trustWord = (t?: Trust) => trusts.find((x) => x.value === (t ?? 'assumed'))!.text
