// Draws on demand; nothing runs while nothing changes.
import {
  AmbientLight,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  LineSegments,
  LineBasicMaterial,
  Mesh,
  MeshLambertMaterial,
  OrthographicCamera,
  Path,
  Points,
  PointsMaterial,
  Raycaster,
  Scene as ThreeScene,
  Shape,
  ShapeGeometry,
  Spherical,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import type { Body } from '@/api/client'

type V = readonly number[]
/** Something solid to be drawn. */
export type Thing = {
  id: string
  corners: readonly V[]
  triangles: readonly (readonly number[])[]
  edges: readonly (readonly V[])[]
}
/** A point that can be tapped. */
export type Dot = { id: string; at: V; taken: boolean }
/** A flag at its place on the body. */
export type Flag = { id: string; at: V; stop: boolean; said: string }
const at = (v: V) => new Vector3(v[0], v[1], v[2])

export class Scene {
  private readonly renderer: WebGLRenderer
  private readonly scene = new ThreeScene()
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, -10000, 10000)
  private readonly controls: OrbitControls
  private part = new Group()
  private dots: Dot[] = []
  private flags: Flag[] = []
  private radius = 0
  private pending = false

  constructor(
    private readonly host: HTMLElement,
    private readonly onReady: () => void,
  ) {
    this.renderer = new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true }) // pictures are made of it
    this.renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2))
    this.host.appendChild(this.renderer.domElement)
    this.camera.up.set(0, 0, 1)
    this.camera.position.set(-0.7, -1.2, 0.9)
    const key = new DirectionalLight(0xffffff, 1.9)
    key.position.set(-1, -2, 3)
    const fill = new DirectionalLight(0xffffff, 0.6)
    fill.position.set(2, 1, -1)
    this.scene.add(new AmbientLight(0xffffff, 1.0), key, fill, this.part)
    this.controls = new OrbitControls(this.camera, this.renderer.domElement)
    this.controls.enableDamping = false
    this.controls.addEventListener('change', () => this.render())
  }

  /** Draws a body; feature names the panel or bend to bring out, flags lie on it. */
  show(body: Body, feature?: string, flags: Flag[] = []) {
    this.clear()
    this.flags = flags
    const steel = this.material(this.token('--steel'))
    const picked = this.material(this.token('--pick'))
    const rims: V[][] = []
    for (const p of body.panels) rims.push(...holeRims(p, body.thickness))
    this.lines(rims, '--line')
    // One mesh of all that looks alike: a part may have hundreds of faces.
    for (const [paint, on] of [
      [steel, false],
      [picked, true],
    ] as const) {
      const out: number[] = []
      for (const p of body.panels) if ((p.id === feature) === on) plate(p, body.thickness, out)
      for (const b of body.bends) if ((b.id === feature) === on) swept(b.rows, out)
      if (out.length) this.part.add(new Mesh(solid(out), paint))
    }
    this.lines(body.edges, '--line')
    for (const stop of [false, true])
      this.points(
        flags.filter((f) => f.stop === stop),
        stop ? '--stop' : '--mind',
        11,
      )
    this.frame(at(body.min), at(body.max))
  }

  /** Draws solid things, the chosen one brought out, lines over them, and dots that can be taken hold of. */
  showThings(things: Thing[], chosen: string, over: { lines: V[][]; color: string }[], dots: Dot[] = []) {
    this.clear()
    this.dots = dots
    const steel = this.material(this.token('--steel'))
    const picked = this.material(this.token('--pick'))
    const lo = new Vector3(Infinity, Infinity, Infinity)
    const hi = new Vector3(-Infinity, -Infinity, -Infinity)
    for (const t of things) {
      const out: number[] = []
      for (const [a, b, c] of t.triangles) out.push(...t.corners[a!]!, ...t.corners[b!]!, ...t.corners[c!]!)
      const mesh = new Mesh(solid(out), t.id === chosen ? picked : steel)
      mesh.userData.id = t.id
      this.part.add(mesh)
      for (const v of t.corners.map(at)) {
        lo.min(v)
        hi.max(v)
      }
    }
    this.lines(
      things.flatMap((t) => t.edges),
      '--line',
    )
    for (const o of over) this.lines(o.lines, o.color)
    for (const taken of [false, true])
      this.points(
        dots.filter((d) => d.taken === taken),
        taken ? '--pick' : '--line',
      )
    if (things.length) this.frame(lo, hi)
    else this.render()
  }

  /** Answers the dot under a place of the host, if there is one. */
  dotUnder(x: number, y: number): Dot | undefined {
    return this.near(this.dots, x, y)
  }

  /** Answers the flag under a place of the host, if there is one. */
  flagUnder(x: number, y: number): Flag | undefined {
    return this.near(this.flags, x, y)
  }

  /** How wide and high the host is, px. */
  size(): [number, number] {
    return [this.host.clientWidth, this.host.clientHeight]
  }

  /** Where places of the body fall on the host, px. */
  spots(list: V[]): { x: number; y: number }[] {
    this.camera.updateMatrixWorld()
    const { clientWidth: w, clientHeight: h } = this.host
    return list.map((p) => {
      const v = at(p).add(this.part.position).project(this.camera)
      return { x: ((v.x + 1) * w) / 2, y: ((1 - v.y) * h) / 2 }
    })
  }

  private near<T extends { at: V }>(list: T[], x: number, y: number): T | undefined {
    const spots = this.spots(list.map((d) => d.at)) // the last turn may not be drawn yet
    return list.find((_, i) => Math.hypot(spots[i]!.x - x, spots[i]!.y - y) < 14)
  }

  /** Lets the drawing be turned by hand, or holds it still. */
  turning(on: boolean) {
    this.controls.enabled = on
  }

  /** What a move over the screen means in the frame: across, and along the ground or, seen level, up. */
  shift(dx: number, dy: number): [number, number, number] {
    const k = (this.camera.right - this.camera.left) / this.camera.zoom / this.host.clientWidth
    const right = new Vector3().setFromMatrixColumn(this.camera.matrixWorld, 0)
    const up = new Vector3().setFromMatrixColumn(this.camera.matrixWorld, 1)
    const ground = new Vector3(up.x, up.y, 0)
    const tilt = ground.length()
    const v = right.multiplyScalar(dx * k)
    if (tilt > 0.3) v.addScaledVector(ground.normalize(), (-dy * k) / tilt)
    else v.z += -dy * k
    return [v.x, v.y, v.z]
  }

  /** Answers the id of the thing under a place of the host, if there is one. */
  under(x: number, y: number): string | undefined {
    const { clientWidth: w, clientHeight: h } = this.host
    const dot = this.dotUnder(x, y)
    if (dot) return dot.id
    const ray = new Raycaster()
    ray.setFromCamera(new Vector2((2 * x) / w - 1, 1 - (2 * y) / h), this.camera)
    return ray.intersectObjects(this.part.children.filter((o) => o instanceof Mesh))[0]?.object.userData.id as string | undefined
  }

  private lines(list: readonly (readonly V[])[], color: string) {
    const line: number[] = []
    for (const e of list) for (let i = 1; i < e.length; i++) line.push(...e[i - 1]!, ...e[i]!)
    const edges = new BufferGeometry()
    edges.setAttribute('position', new Float32BufferAttribute(line, 3))
    this.part.add(new LineSegments(edges, new LineBasicMaterial({ color: new Color(this.token(color)) })))
  }

  private points(list: { at: V }[], color: string, large = 9) {
    if (!list.length) return
    const g = new BufferGeometry()
    g.setAttribute(
      'position',
      new Float32BufferAttribute(
        list.flatMap((d) => [...d.at]),
        3,
      ),
    )
    const size = large * this.renderer.getPixelRatio()
    const dots = new Points(
      g,
      new PointsMaterial({ color: new Color(this.token(color)), size, sizeAttenuation: false, depthTest: false }),
    )
    dots.renderOrder = 2
    this.part.add(dots)
  }

  private frame(lo: Vector3, hi: Vector3) {
    this.part.position.copy(lo.clone().add(hi).multiplyScalar(-0.5))
    const radius = hi.distanceTo(lo) / 2
    if (Math.abs(radius - this.radius) > this.radius * 0.02) {
      this.radius = radius
      this.resize()
    }
    this.render()
  }

  resize() {
    const { clientWidth: w, clientHeight: h } = this.host
    if (!w || !h) return
    this.renderer.setSize(w, h)
    const r = Math.max(this.radius, 1) * 0.96
    const k = Math.max(1, w / h)
    const l = Math.max(1, h / w)
    Object.assign(this.camera, { left: -r * k, right: r * k, top: r * l, bottom: -r * l, near: -20 * r, far: 20 * r })
    this.camera.updateProjectionMatrix()
    this.render()
  }

  turn(x: number, y: number) {
    const s = new Spherical().setFromVector3(new Vector3(this.camera.position.x, this.camera.position.z, -this.camera.position.y))
    s.theta += x * 0.2
    s.phi = Math.min(Math.max(s.phi + y * 0.2, 0.01), Math.PI - 0.01)
    const v = new Vector3().setFromSpherical(s)
    this.camera.position.set(v.x, -v.z, v.y)
    this.controls.update()
    this.render()
  }

  look(from: 'corner' | 'top' | 'front' | 'side') {
    const places = { corner: [-0.7, -1.2, 0.9], top: [0, -0.001, 1], front: [0, -1, 0], side: [1, 0, 0] }
    this.camera.position.copy(at(places[from]))
    this.camera.zoom = 1
    this.controls.target.set(0, 0, 0)
    this.camera.updateProjectionMatrix()
    this.controls.update()
    this.render()
  }

  dispose() {
    this.clear()
    this.controls.dispose()
    this.renderer.dispose()
    this.renderer.domElement.remove()
  }

  private render() {
    if (this.pending) return
    this.pending = true
    requestAnimationFrame(() => {
      this.pending = false
      this.renderer.render(this.scene, this.camera)
      this.onReady()
    })
  }

  private clear() {
    for (const o of this.part.children)
      if (o instanceof Mesh || o instanceof LineSegments || o instanceof Points) (o.geometry as BufferGeometry).dispose()
    this.part.clear()
  }

  private token(name: string) {
    return getComputedStyle(document.documentElement).getPropertyValue(name).trim()
  }

  private material(color: string) {
    return new MeshLambertMaterial({
      color: new Color(color),
      side: DoubleSide,
      polygonOffset: true,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
      flatShading: false,
    })
  }
}

/** The rims of a panel's holes, on both faces. */
export function holeRims(p: Body['panels'][number], thickness: number): V[][] {
  return (p.holes ?? []).flatMap((ring) =>
    [-thickness / 2, thickness / 2].map((w) =>
      [...ring, ring[0]!].map((q) => [0, 1, 2].map((k) => p.origin[k]! + p.x[k]! * q.x + p.y[k]! * q.y + p.z[k]! * w)),
    ),
  )
}

/** A panel's plate, put to the triangles there are: both faces with their holes, and the sides. */
function plate(p: Body['panels'][number], thickness: number, out: number[]) {
  const shape = new Shape(p.face.map((q) => new Vector2(q.x, q.y)))
  for (const ring of p.holes ?? []) shape.holes.push(new Path(ring.map((q) => new Vector2(q.x, q.y))))
  const flat = new ShapeGeometry(shape)
  const spots = flat.getAttribute('position').array
  const index = flat.index?.array ?? []
  const { origin: o, x, y, z } = p
  const put = (u: number, v: number, w: number) =>
    out.push(
      o[0]! + x[0]! * u + y[0]! * v + z[0]! * w,
      o[1]! + x[1]! * u + y[1]! * v + z[1]! * w,
      o[2]! + x[2]! * u + y[2]! * v + z[2]! * w,
    )
  const half = thickness / 2
  for (let i = 0; i < index.length; i += 3)
    for (const [order, w] of [
      [[0, 1, 2], half],
      [[0, 2, 1], -half],
    ] as const)
      for (const k of order) put(spots[3 * index[i + k]!]!, spots[3 * index[i + k]! + 1]!, w)
  for (const ring of [p.face, ...(p.holes ?? [])])
    ring.forEach((q, i) => {
      const r = ring[(i + 1) % ring.length]!
      put(q.x, q.y, -half)
      put(r.x, r.y, -half)
      put(r.x, r.y, half)
      put(q.x, q.y, -half)
      put(r.x, r.y, half)
      put(q.x, q.y, half)
    })
  flat.dispose()
}

/** A bend, put to the triangles there are: strips of inner and outer skin, and its two ends. */
function swept(rows: Body['bends'][number]['rows'], out: number[]) {
  const quad = (a: V, b: V, c: V, d: V) => out.push(...a, ...b, ...c, ...a, ...c, ...d)
  for (let i = 1; i < rows.length; i++) {
    const a = rows[i - 1]!
    const b = rows[i]!
    quad(a[0]!, a[2]!, b[2]!, b[0]!)
    quad(a[1]!, b[1]!, b[3]!, a[3]!)
    quad(a[0]!, b[0]!, b[1]!, a[1]!)
    quad(a[2]!, a[3]!, b[3]!, b[2]!)
  }
}

function solid(positions: number[]): BufferGeometry {
  const g = new BufferGeometry()
  g.setAttribute('position', new Float32BufferAttribute(positions, 3))
  g.computeVertexNormals()
  return g
}
