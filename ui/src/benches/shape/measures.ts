// How a length along a bent sheet is measured.
export const measures: { value: 'outside' | 'tangent' | 'inside' | 'flat'; text: string; hint: string }[] = [
  { value: 'outside', text: 'outside', hint: 'to the outer apex' },
  { value: 'tangent', text: 'to tangent', hint: 'to the outermost tangent plane' },
  { value: 'inside', text: 'inside', hint: 'to the inner apex' },
  { value: 'flat', text: 'flat', hint: 'to the tangent line' },
]
