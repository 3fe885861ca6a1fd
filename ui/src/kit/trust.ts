import { wordOf } from '@/api/words'
import type { Given } from '@/api/client'

/** How a value came to be known. */
export type Trust = NonNullable<Given['trust']>
export const trustWord = (t?: Trust) => wordOf('Given', 'trust', t ?? 'assumed')?.text ?? ''
