// What is open and chosen on the shape bench. Parts of the screen share it.
import { computed, effectScope, type EffectScope, nextTick, onScopeDispose, ref, shallowRef } from 'vue'
import type { Edge, Flange, Hole, PanelMade } from '@/api/client'
import { words } from '@/api/client'
import { newId } from '@/api/ids'
import type { Style } from '@/kit/readLength'
import { remembered, remember } from './lastUsed'
import { type OpenPart, usePart } from './usePart'

export type Bench = ReturnType<typeof useBench>

export function useBench(style: () => Style) {
  const part = shallowRef<OpenPart>()
  const trouble = ref('')
  const path = ref('')
  const feature = ref<string>()
  const edge = ref<Edge>()
  const adding = ref(false)
  const focusTick = ref(0)
  const unread = ref<Record<string, string>>({}) // entries that were refused, by path
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
    unread.value = {}
    trouble.value = ''
    const p = scope.run(() => usePart(id, style))!
    part.value = p
    p.load().then(
      () => (path.value = '/base/length'),
      (e) => (trouble.value = words(e)),
    )
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

  function addFlange(panel: PanelMade, on: Edge, up: boolean) {
    const p = part.value!
    const list = (p.get(`${panel.path}/flanges`) as Flange[] | undefined) ?? []
    const last = remembered('flange', {
      length: style().unit === 'mm' ? 40 : 38.1,
      angle: 90,
      insideRadius: Math.ceil(p.recipe.value!.thickness * 3) / 2,
    })
    const flange: Flange = { id: newId(), edge: on, ...last, up, measure: 'outside', relief: { kind: 'round' } }
    p.set(`${panel.path}/flanges`, [...list, flange])
    void added(`${panel.path}/flanges/${list.length}/length`)
  }

  function addHole(panel: PanelMade, kind: 'round' | 'slot' | 'grid' | 'circle') {
    const p = part.value!
    const list = (p.get(`${panel.path}/holes`) as Hole[] | undefined) ?? []
    const inches = style().unit !== 'mm'
    const last = remembered('hole', { diameter: inches ? (25.4 * 13) / 32 : 9 })
    const root = panel.edges.find((e) => e.role === 'bend')?.edge
    const away = { front: 'back', back: 'front', left: 'right', right: 'left' } as const
    const across = Math.abs(panel.edges[0]!.to.x - panel.edges[0]!.from.x) > 1e-6
    const size = (e: { from: { x: number; y: number }; to: { x: number; y: number } }) =>
      Math.hypot(e.to.x - e.from.x, e.to.y - e.from.y)
    const w = size(panel.edges[across ? 0 : 1]!)
    const h = size(panel.edges[across ? 1 : 0]!)
    const x = root === 'left' || root === 'right' ? away[root] : 'left'
    const y = root === 'front' || root === 'back' ? away[root] : 'front'
    const grain = style().grain
    const snap = (v: number) => Math.max(grain, Math.round(v / grain) * grain)
    const hole: Hole = {
      id: newId(),
      kind: kind === 'slot' ? 'slot' : 'round',
      diameter: last.diameter,
      x: { edge: x, distance: snap(w / 2) },
      y: { edge: y, distance: snap(h / 2) },
    }
    if (kind === 'slot') hole.length = snap(last.diameter * 2.5)
    if (kind === 'grid') {
      hole.x.distance = snap(w / 4)
      hole.pattern = { kind: 'grid', columns: 2, rows: 1, pitchX: snap(w / 2), pitchY: snap(h / 2) }
    }
    if (kind === 'circle') hole.pattern = { kind: 'circle', count: 4, diameter: snap(Math.min(w, h) / 2), start: 45 }
    p.set(`${panel.path}/holes`, [...list, hole])
    void added(`${panel.path}/holes/${list.length}/diameter`)
  }

  /** Types a value over a dimension and remembers it for the next feature. */
  function type(to: string, value: number) {
    part.value!.set(to, value)
    remember(to, value)
  }
  function refuse(to: string, text?: string) {
    const next = { ...unread.value }
    if (text === undefined) delete next[to]
    else next[to] = text
    unread.value = next
  }

  function remove(featurePath: string) {
    part.value!.set(featurePath, undefined)
    path.value = '/base/length'
    feature.value = undefined
    adding.value = false
  }

  return {
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
    addFlange,
    addHole,
    addNothing,
    unread,
    refuse,
    type,
    remove,
  }
}
