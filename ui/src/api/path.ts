/** Paths into a document, as JSON pointers that the compiler knows: a misspelt one does not build. */
type Steps = [never, 0, 1, 2, 3, 4, 5, 6, 7, 8]
type Known<T> = NonNullable<T>

/** The paths into T, at most so many steps deep. */
export type Path<T, Deep extends Steps[number] = 7> = [Deep] extends [never]
  ? never
  : Known<T> extends readonly (infer E)[]
    ? `/${number}` | `/${number}${Path<E, Steps[Deep]>}`
    : Known<T> extends object
      ? { [K in keyof Known<T> & string]-?: `/${K}` | `/${K}${Path<Known<T>[K], Steps[Deep]>}` }[keyof Known<T> & string]
      : never

/** What stands at a path of T. */
export type Under<T, P extends string> = P extends `/${infer K}/${infer Rest}`
  ? Under<Step<T, K>, `/${Rest}`>
  : P extends `/${infer K}`
    ? Step<T, K>
    : never

type Step<T, K extends string> = Known<T> extends readonly (infer E)[] ? E : K extends keyof Known<T> ? Known<T>[K] : never
