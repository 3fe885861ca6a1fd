// From where the whole job is looked at: turned, brought nearer and shifted by hand, fingers
// and keys.
import { ref } from 'vue'
import type { Eye } from './whole'

type P = { x: number; y: number }
const half = Math.PI / 2
const level = half - 1e-4 // straight up there is no forward
export const sides: Record<string, Eye> = {
  corner: { yaw: 2.35, pitch: 0.42 },
  above: { yaw: -half, pitch: level },
  'right side': { yaw: -half, pitch: 0 },
  front: { yaw: 0, pitch: 0 },
}

/** Tapped is told of a press that was no drag, hovered of a pointer that only moves; px within the host. */
export function useEye(tapped: (x: number, y: number) => void, hovered: (x: number, y: number) => void) {
  const eye = ref<Eye>({ ...sides.corner! })
  const zoom = ref(1)
  const pan = ref<P>({ x: 0, y: 0 })
  const turn = (yaw: number, pitch: number) =>
    (eye.value = { yaw: eye.value.yaw + yaw, pitch: Math.min(level, Math.max(-level, eye.value.pitch + pitch)) })
  const nearer = (by: number) => (zoom.value = Math.min(12, Math.max(0.4, zoom.value * by)))
  const shift = (x: number, y: number) => (pan.value = { x: pan.value.x + x, y: pan.value.y + y })
  function look(from: string) {
    eye.value = { ...sides[from]! }
    zoom.value = 1
    pan.value = { x: 0, y: 0 }
  }

  const hands = new Map<number, P>()
  let began: P = { x: 0, y: 0 }
  let dragged = false
  const at = (e: PointerEvent): P => ({ x: e.clientX, y: e.clientY })
  const far = (a: P, b: P) => Math.hypot(a.x - b.x, a.y - b.y)
  function down(e: PointerEvent) {
    hands.set(e.pointerId, at(e))
    began = at(e)
    dragged = hands.size > 1
    ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
  }
  function move(e: PointerEvent) {
    const was = hands.get(e.pointerId)
    if (!was) return hovered(e.offsetX, e.offsetY)
    if (far(at(e), began) > 5) dragged = true
    if (!dragged) return
    const other = [...hands].find(([id]) => id !== e.pointerId)?.[1]
    const [dx, dy] = [e.clientX - was.x, e.clientY - was.y]
    if (other) {
      nearer(far(at(e), other) / Math.max(far(was, other), 1))
      shift(dx / 2, dy / 2)
    } else if (e.shiftKey || e.buttons & 6) shift(dx, dy)
    else turn(-dx * 0.008, dy * 0.008)
    hands.set(e.pointerId, at(e))
  }
  function up(e: PointerEvent) {
    hands.delete(e.pointerId)
    if (!dragged) tapped(e.offsetX, e.offsetY)
  }
  function key(e: KeyboardEvent) {
    const does: Record<string, () => void> = {
      ArrowLeft: () => turn(0.15, 0),
      ArrowRight: () => turn(-0.15, 0),
      ArrowUp: () => turn(0, 0.15),
      ArrowDown: () => turn(0, -0.15),
      '+': () => nearer(1.25),
      '-': () => nearer(0.8),
    }
    if (!does[e.key]) return
    e.preventDefault()
    does[e.key]!()
  }
  const hand = {
    pointerdown: down,
    pointermove: move,
    pointerup: up,
    pointercancel: (e: PointerEvent) => hands.delete(e.pointerId),
    keydown: key,
  }
  return { eye, zoom, pan, nearer, look, hand }
}
