// What is open and chosen on the shape bench. Parts of the screen share it.
import { computed, effectScope, type EffectScope, nextTick, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { api, type Edge, type PanelMade, type Recipe, take, words } from '@/api/client'
import { newId } from '@/api/ids'
import type { components } from '@/api/schema'
import { afresh } from './afresh'
import type { Carried } from './carried'
import { copyGroup, removeGroup, renameGroup } from './groups'
import type { BuildStyle } from '@/kit/readLength'
import { useEntries } from './entries'
import { lastUsed, remember } from './lastUsed'
import { type OpenPart, usePart } from './usePart'

type Changing = components['schemas']['ChangeRequest']
export type Bench = ReturnType<typeof useBench>

export function useBench(style: () => BuildStyle) {
  const part = shallowRef<OpenPart>()
  const trouble = ref('')
  const path = ref('')
  const feature = ref<string>()
  const edge = ref<Edge>()
  const adding = ref(false)
  const focusTick = ref(0)
  const { unread, entry, forget } = useEntries(type)
  let scope: EffectScope | undefined
  let openId = ''

  function open(id: string) {
    if (id === openId) {
      void part.value?.build() // the job's unit may have changed
      return
    }
    openId = id
    scope?.stop()
    scope = effectScope(true)
    feature.value = edge.value = undefined
    adding.value = false
    forget()
    trouble.value = ''
    const p = scope.run(() => usePart(id, style))!
    part.value = p
    scope.run(() => {
      watch(p.error, (e) => (trouble.value = e ? words(e) : ''))
      watch(p.built, (now, was) => now && !was && (path.value = now.dimensions[0]?.path ?? ''))
    })
  }
  onScopeDispose(() => scope?.stop())

  const dimensions = computed(() => part.value?.built.value?.dimensions ?? [])
  const chosen = computed(() => dimensions.value.find((d) => d.path === path.value))

  function choose(to: string) {
    path.value = to
    feature.value = dimensions.value.find((d) => d.path === to)?.feature
    edge.value = undefined
    adding.value = false
    focusTick.value++
  }
  /** Steps to the next or previous dimension, round the end. */
  function walk(by: number) {
    const list = dimensions.value
    if (!list.length) return
    const i = list.findIndex((d) => d.path === path.value)
    choose(list[(i + by + list.length) % list.length]!.path)
  }
  /** A face, an edge or a hole was tapped. */
  function pick(id: string, side?: Edge) {
    feature.value = id
    edge.value = side
    // On the twin left and right are changed round: features are added on the drawn hand.
    adding.value = !part.value?.mirrored.value && panels().some((p) => p.id === id)
    const first = dimensions.value.find((d) => d.feature === id)
    if (first && !side) path.value = first.path
  }

  const addNothing = () => (adding.value = false)

  const panels = (): PanelMade[] => part.value?.built.value?.panels ?? []

  async function added(next: string) {
    adding.value = false
    for (let i = 0; i < 40 && !dimensions.value.some((d) => d.path === next); i++) await new Promise((r) => setTimeout(r, 25))
    await nextTick()
    choose(next)
  }

  /** Puts a new feature at the end of a list of the recipe and goes to its first size. */
  function append(list: string, feature: unknown, first: string) {
    const p = part.value!
    const had = (p.get(list) as unknown[] | undefined) ?? []
    p.set(list, [...had, feature])
    void added(`${list}/${had.length}${first}`)
  }
  /** Adds a thing with usual or last used sizes, as the server makes it. */
  async function add(panel: PanelMade, thing: string, on?: Edge) {
    const p = part.value!
    const body = { part: p.asked(), thing, id: newId(), panel: panel.id, edge: on, last: lastUsed() }
    try {
      const f = await take(api.POST('/api/v1/fresh', { body }))
      append(f.list, f.flange ?? f.hole ?? f.cut ?? f.mark, f.first)
    } catch (e) {
      trouble.value = words(e)
    }
  }
  /** Makes a flange, hole or base into another kind, as the server does. */
  async function changeTo(to: string, what: Pick<Changing, 'flange' | 'hole' | 'base' | 'long' | 'wide'>, kind: string) {
    const { unit, grain } = style()
    const body = { ...what, to: kind, unit, grain, thickness: part.value!.recipe.value!.thickness, last: lastUsed() }
    try {
      const now = await take(api.POST('/api/v1/change', { body }))
      part.value!.set(to, now.flange ?? now.hole ?? now.base)
    } catch (e) {
      trouble.value = words(e)
    }
  }
  /** Sets down what was taken along, with ids of its own. */
  function setDown(panel: PanelMade, c: Carried, on?: Edge) {
    const f = afresh(c.feature) as Record<string, unknown>
    if ((c.kind === 'flanges' || c.kind === 'edges') && on) f.edge = on
    const first = { flanges: '/length', holes: '/x/distance', edges: '/width', marks: '/x/distance' }[c.kind]
    append(`${panel.path}/${c.kind}`, f, first)
  }

  /** Types a value over a dimension and remembers it for the next feature. */
  function type(to: string, value: number) {
    part.value!.set(to, value)
    remember(to, value)
  }

  function remove(featurePath: string) {
    part.value!.set(featurePath, undefined)
    forget(featurePath.slice(0, featurePath.lastIndexOf('/')))
    path.value = dimensions.value[0]?.path ?? ''
    feature.value = undefined
    adding.value = false
  }

  /** Changes what goes by a group's name; the sizes of it may be gone then. */
  function regroup(change: (r: Recipe) => Recipe) {
    forget()
    part.value!.change({ recipe: change(JSON.parse(JSON.stringify(part.value!.recipe.value!)) as Recipe) })
    adding.value = false
  }
  const groups = {
    renameGroup: (was: string, now: string) => regroup((r) => renameGroup(r, was, now)),
    copyGroup: (name: string) => regroup((r) => copyGroup(r, name)),
    removeGroup: (name: string) => {
      regroup((r) => removeGroup(r, name))
      path.value = '/base/length'
      feature.value = undefined
    },
  }

  return {
    ...groups,
    part,
    trouble,
    open,
    path,
    chosen,
    dimensions,
    feature,
    edge,
    adding,
    focusTick,
    style,
    choose,
    walk,
    pick,
    panels,
    add,
    changeTo,
    setDown,
    addNothing,
    unread,
    entry,
    forget,
    type,
    remove,
  }
}
