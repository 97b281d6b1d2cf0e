import * as THREE from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { type FilmFrame, tiltedPoint } from '../../core/release/index.ts'
import type { PartMesh, Scene } from '../worker/protocol.ts'

export type SolidScene = {
  show(scene: Scene): void
  dress(look: Look): void
  resize(width: number, height: number): void
  /** Lays triangles over the piece, in the frame of the pour, each corner with its colour; null takes them off. */
  tint(over: Tint | null): void
  /** Shows a moment of the mould coming apart; null shows it whole. Room is kept round it for what moves off. */
  film(frame: FilmFrame | null): void
  /** Where a point of the pour's frame is seen, px from the top left. */
  seenAt(p: readonly [number, number, number]): readonly [number, number]
  close(): void
}

export type Tint = { readonly positions: Float32Array; readonly colours: Float32Array }

type Look = {
  readonly attitude: 'poured' | 'placed'
  readonly lit: string | null
  readonly apart: boolean
  readonly theme: string
}

const COLOUR: Readonly<Record<PartMesh['role'], string>> = {
  piece: '--concrete',
  insert: '--steel',
  base: '--board',
  tube: '--card',
  cleat: '--board',
  core: '--card',
  rubber: '--rubber',
  layer: '--foam',
  shell: '--print',
  jacket: '--plaster',
  packing: '--earth',
  separator: '--board',
  liner: '--rubber',
  form: '--board',
  former: '--board',
  strip: '--board',
  skin: '--board',
  rib: '--board',
  corner: '--board',
  knockout: '--board',
  chamfer: '--board',
  wrap: '--foam',
  sealant: '--sealant',
}
const TURN_MS = 420
/** How much further back the eye stands for what moves off. */
const ROOM = 0.22

function dim(fill: THREE.Material, edges: THREE.LineBasicMaterial, share: number): void {
  for (const m of [fill, edges]) {
    m.transparent = share < 1
    m.opacity = share
    m.depthWrite = share === 1
  }
}

/** The 3D view without React: frames are drawn on demand, and native buffers freed. */
export function openSolidScene(
  canvas: HTMLCanvasElement,
  onPoint: (id: string | null) => void,
  onDrawn: () => void = () => {},
): SolidScene {
  const renderer = new THREE.WebGLRenderer({ canvas, antialias: true, alpha: true })
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio))
  const world = new THREE.Scene()
  const turning = new THREE.Group()
  world.add(turning, new THREE.HemisphereLight(0xffffff, 0x8a8577, 2.1))
  const sun = new THREE.DirectionalLight(0xffffff, 1.7)
  sun.position.set(-0.5, -0.8, 1.4)
  world.add(sun)
  const camera = new THREE.PerspectiveCamera(28, 1, 1, 100_000)
  camera.up.set(0, 0, 1)
  const controls = new OrbitControls(camera, canvas)
  controls.enableDamping = false
  let parts: {
    part: PartMesh
    group: THREE.Group
    fill: THREE.MeshLambertMaterial
    edges: THREE.LineBasicMaterial
  }[] = []
  let size: readonly [number, number, number] = [1, 1, 1]
  /** The box of piece and mould, as poured. */
  const around = new THREE.Box3()
  let look: Look = { attitude: 'poured', lit: null, apart: false, theme: 'day' }
  let framed = ''
  let room = 0
  let queued = false
  /** How far turned over: 0 as poured, 1 as placed. */
  let turned = 0
  const toPlaced = new THREE.Quaternion()
  const centre = new THREE.Mesh(
    new THREE.OctahedronGeometry(1),
    new THREE.MeshBasicMaterial({ depthTest: false, transparent: true }),
  )
  centre.renderOrder = 2
  turning.add(centre)
  let animation = 0
  let filmed: FilmFrame | null = null

  const draw = () => {
    if (queued) return
    queued = true
    requestAnimationFrame(() => {
      queued = false
      renderer.render(world, camera)
      onDrawn()
    })
  }
  controls.addEventListener('change', draw)

  function clear(): void {
    for (const { group, fill, edges } of parts) {
      group.traverse((o) => {
        if (o instanceof THREE.Mesh || o instanceof THREE.LineSegments) o.geometry.dispose()
      })
      fill.dispose()
      edges.dispose()
      group.removeFromParent()
    }
    parts = []
  }

  function addPart(part: PartMesh): void {
    const geometry = new THREE.BufferGeometry()
    geometry.setAttribute('position', new THREE.BufferAttribute(part.mesh.positions, 3))
    geometry.setIndex(new THREE.BufferAttribute(part.mesh.triangles, 1))
    const fill = new THREE.MeshLambertMaterial({
      flatShading: true,
      polygonOffset: true,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
    })
    const edges = new THREE.LineBasicMaterial()
    const group = new THREE.Group()
    const mesh = new THREE.Mesh(geometry, fill)
    mesh.userData.id = part.id
    const lines = new THREE.BufferGeometry()
    lines.setAttribute('position', new THREE.BufferAttribute(part.lines, 3))
    group.add(mesh, new THREE.LineSegments(lines, edges))
    turning.add(group)
    parts.push({ part, group, fill, edges })
  }

  function dressParts(): void {
    const css = getComputedStyle(document.documentElement)
    const colour = (name: string) => new THREE.Color(css.getPropertyValue(name).trim())
    ;(centre.material as THREE.MeshBasicMaterial).color = colour('--oxide')
    for (const { part, group, fill, edges } of parts) {
      const isLit =
        look.lit === part.id || (part.openingId !== null && look.lit === `opening/${part.openingId}`)
      group.children
        .filter((c) => c.userData.overlay)
        .forEach((c) => {
          c.removeFromParent()
          ;(c as THREE.Mesh).geometry.dispose()
        })
      const faceLit = look.lit !== null && part.mesh.faceNames.includes(look.lit)
      fill.color = colour(isLit && !faceLit ? '--oxide' : COLOUR[part.role])
      edges.color = colour('--ink')
      group.visible = part.role === 'piece' || part.role === 'insert' || look.attitude === 'poured'
      group.position.set(0, 0, 0)
      group.quaternion.identity()
      dim(fill, edges, 1)
      group.children[0]!.visible = true
      if (filmed) {
        filmPart(part, group, fill, edges, colour)
        continue
      }
      if (look.apart && look.attitude === 'poured') group.position.copy(apartBy(part))
      if (faceLit && part.role === 'piece') lightFace(part, group, colour('--oxide'))
    }
  }

  /** A part at a moment of the film: what leaves is on its way, edged in oxide; of what is off only edges are left where it stood. */
  function filmPart(
    part: PartMesh,
    group: THREE.Group,
    fill: THREE.Material,
    edges: THREE.LineBasicMaterial,
    colour: (name: string) => THREE.Color,
  ): void {
    const by = filmed?.offsets[part.id]
    const off = filmed?.off.includes(part.id)
    group.children[0]!.visible = !off
    if (off) edges.color = colour('--hair')
    if (!by) return
    const tilt = filmed?.tilts[part.id]
    if (tilt) {
      group.quaternion.setFromAxisAngle(new THREE.Vector3(...tilt.axis), (tilt.deg * Math.PI) / 180)
      const [x, y, z] = tiltedPoint([0, 0, 0], tilt)
      group.position.set(x + by[0], y + by[1], z + by[2])
    } else group.position.set(...by)
    edges.color = colour('--oxide')
    dim(fill, edges, filmed?.fading[part.id] ?? 1)
  }

  /** Lays the pointed face's own triangles over it in oxide. */
  function lightFace(part: PartMesh, group: THREE.Group, colour: THREE.Color): void {
    const { mesh } = part
    const face = mesh.faceNames.indexOf(look.lit ?? '')
    const index: number[] = []
    mesh.faceOfTriangle.forEach((f, t) => {
      if (f === face)
        index.push(mesh.triangles[t * 3]!, mesh.triangles[t * 3 + 1]!, mesh.triangles[t * 3 + 2]!)
    })
    const geometry = new THREE.BufferGeometry()
    geometry.setAttribute('position', new THREE.BufferAttribute(mesh.positions, 3))
    geometry.setIndex(index)
    const overlay = new THREE.Mesh(
      geometry,
      new THREE.MeshBasicMaterial({ color: colour, transparent: true, opacity: 0.55, polygonOffset: true }),
    )
    overlay.userData.overlay = true
    group.add(overlay)
  }

  /** How far a part stands off when parts are shown apart: along the way it leaves the mould. */
  function apartBy({ id, role, pull }: PartMesh): THREE.Vector3 {
    const reach = Math.max(size[0], size[1]) * 0.12
    if (!pull) return new THREE.Vector3()
    if (role === 'sealant' || role === 'chamfer')
      return new THREE.Vector3(0, 0, id === 'sealant/outline' ? -reach / 2 : 0)
    return new THREE.Vector3(...pull).multiplyScalar(reach * (role === 'wrap' ? 0.6 : 1))
  }

  function pose(): void {
    const middle = new THREE.Vector3(...size).multiplyScalar(0.5)
    const now = filmed
      ? new THREE.Quaternion().setFromAxisAngle(longAxis(), Math.PI * filmed.turned)
      : new THREE.Quaternion().slerp(toPlaced, turned)
    turning.matrixAutoUpdate = false
    turning.matrix
      .makeTranslation(middle.x, middle.y, middle.z)
      .multiply(new THREE.Matrix4().makeRotationFromQuaternion(now))
      .multiply(new THREE.Matrix4().makeTranslation(-middle.x, -middle.y, -middle.z))
    draw()
  }

  /** What lies is turned over about its longer side. */
  const longAxis = () => (size[0] >= size[1] ? new THREE.Vector3(1, 0, 0) : new THREE.Vector3(0, 1, 0))

  const restTurn = () => (look.attitude === 'placed' ? 1 : 0)

  function turnTo(target: number): void {
    cancelAnimationFrame(animation)
    if (matchMedia('(prefers-reduced-motion: reduce)').matches || Math.abs(target - turned) < 1e-3) {
      turned = target
      pose()
      return
    }
    const from = turned
    const start = performance.now()
    const step = (now: number) => {
      const t = Math.min(1, (now - start) / TURN_MS)
      turned = from + (target - from) * (t * t * (3 - 2 * t))
      pose()
      if (t < 1) animation = requestAnimationFrame(step)
    }
    animation = requestAnimationFrame(step)
  }

  /** How far back the camera must stand along `way` so that every corner of piece and mould is seen. */
  function fitDistance(way: THREE.Vector3): number {
    const middle = new THREE.Vector3(...size).multiplyScalar(0.5)
    const right = new THREE.Vector3().crossVectors(way, camera.up).normalize()
    const up = new THREE.Vector3().crossVectors(right, way).normalize()
    const tall = Math.tan((camera.fov * Math.PI) / 360) * 0.94
    const wide = tall * camera.aspect
    let far = 1
    const own = new THREE.Box3(new THREE.Vector3(), new THREE.Vector3(...size))
    // As poured its mould stands round it; as placed it is alone.
    for (const [box, placed] of [
      [around, false],
      [own, true],
    ] as const)
      for (const x of [box.min.x, box.max.x])
        for (const y of [box.min.y, box.max.y])
          for (const z of [box.min.z, box.max.z]) {
            const corner = new THREE.Vector3(x, y, z).sub(middle)
            if (placed) corner.applyQuaternion(toPlaced)
            const toward = corner.dot(way)
            far = Math.max(
              far,
              Math.abs(corner.dot(right)) / wide + toward,
              Math.abs(corner.dot(up)) / tall + toward,
            )
          }
    return far
  }

  /** Steps back until all of it shows; only when the size of the piece changed. */
  function frame(): void {
    const reach = [...around.min, ...around.max, room].map((s) => Math.round(s)).join('x')
    const key = `${size.map((s) => Math.round(s)).join('x')}in${reach}@${camera.aspect.toFixed(2)}`
    if (key === framed) return
    framed = key
    const [length, width, thickness] = size
    controls.target.set(length / 2, width / 2, thickness / 2)
    const way = new THREE.Vector3(-0.42, -0.82, 0.72).normalize()
    const distance = fitDistance(way) * (1 + room)
    camera.position.copy(controls.target).addScaledVector(way, distance)
    camera.near = distance / 50
    camera.far = distance * 10
    camera.updateProjectionMatrix()
    controls.update()
  }

  let tinted: THREE.Mesh<THREE.BufferGeometry, THREE.MeshLambertMaterial> | null = null
  function untint(): void {
    tinted?.geometry.dispose()
    tinted?.material.dispose()
    tinted?.removeFromParent()
    tinted = null
  }

  const ray = new THREE.Raycaster()
  let pointed: string | null = null
  const onMove = (event: PointerEvent) => {
    if (event.buttons !== 0) return
    const rect = canvas.getBoundingClientRect()
    ray.setFromCamera(
      new THREE.Vector2(
        ((event.clientX - rect.left) / rect.width) * 2 - 1,
        1 - ((event.clientY - rect.top) / rect.height) * 2,
      ),
      camera,
    )
    const [hit] = ray
      .intersectObjects(
        turning.children.filter((c) => c.visible && c !== centre),
        true,
      )
      .filter((h) => h.object instanceof THREE.Mesh)
    const part = parts.find((p) => p.part.id === hit?.object.userData.id)?.part
    const face =
      part?.role === 'piece' && hit?.faceIndex != null
        ? part.mesh.faceNames[part.mesh.faceOfTriangle[hit.faceIndex]!]
        : undefined
    const id = face ?? part?.id ?? null
    if (id === pointed) return
    pointed = id
    onPoint(id)
  }
  const onLeave = () => {
    if (pointed === null) return
    pointed = null
    onPoint(null)
  }
  canvas.addEventListener('pointermove', onMove)
  canvas.addEventListener('pointerleave', onLeave)

  return {
    show(scene) {
      clear()
      size = scene.size
      around.makeEmpty()
      for (const { mesh } of scene.parts) around.union(new THREE.Box3().setFromArray(mesh.positions))
      const { x, y, z } = scene.toPoured
      // The way back is the transpose: the rows of the matrix become its columns.
      toPlaced.setFromRotationMatrix(
        new THREE.Matrix4().set(x[0], x[1], x[2], 0, y[0], y[1], y[2], 0, z[0], z[1], z[2], 0, 0, 0, 0, 1),
      )
      const [cx, cy, cz] = scene.centre
      const { origin: o } = scene.toPoured
      centre.position.set(
        x[0] * cx + y[0] * cy + z[0] * cz + o[0],
        x[1] * cx + y[1] * cy + z[1] * cz + o[1],
        x[2] * cx + y[2] * cy + z[2] * cz + o[2],
      )
      centre.scale.setScalar(Math.max(...size) * 0.014)
      for (const part of scene.parts) addPart(part)
      dressParts()
      frame()
      turned = restTurn()
      pose()
    },
    dress(next) {
      const over = next.attitude !== look.attitude
      look = next
      dressParts()
      if (over) turnTo(restTurn())
      draw()
    },
    resize(width, height) {
      renderer.setSize(width, height, false)
      camera.aspect = width / height
      camera.updateProjectionMatrix()
      frame()
      draw()
    },
    film(frameShown) {
      const kept = frameShown ? ROOM : 0
      filmed = frameShown
      dressParts()
      if (kept !== room) {
        room = kept
        frame()
      }
      pose()
    },
    tint(over) {
      untint()
      // A mark in oxide would read as one of the fills.
      centre.visible = !over
      if (over) {
        const geometry = new THREE.BufferGeometry()
        geometry.setAttribute('position', new THREE.BufferAttribute(over.positions, 3))
        geometry.setAttribute('color', new THREE.BufferAttribute(over.colours, 3))
        geometry.computeVertexNormals()
        tinted = new THREE.Mesh(
          geometry,
          new THREE.MeshLambertMaterial({ vertexColors: true, flatShading: true }),
        )
        turning.add(tinted)
      }
      draw()
    },
    seenAt(p) {
      const at = new THREE.Vector3(...p).applyMatrix4(turning.matrix).project(camera)
      const { width, height } = renderer.getSize(new THREE.Vector2())
      return [((at.x + 1) / 2) * width, ((1 - at.y) / 2) * height]
    },
    close() {
      untint()
      cancelAnimationFrame(animation)
      canvas.removeEventListener('pointermove', onMove)
      canvas.removeEventListener('pointerleave', onLeave)
      clear()
      controls.dispose()
      renderer.dispose()
    },
  }
}
