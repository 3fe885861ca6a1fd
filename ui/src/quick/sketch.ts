/** A small drawing that names letters, in a field of 200 by 146. */
export type Sketch = { d: string; thin?: string; letters: [string, number, number][]; says: string }
