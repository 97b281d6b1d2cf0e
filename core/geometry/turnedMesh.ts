import { chordCount } from './chords.ts'
import { emptyMesh, type FacedMesh, faceIndex } from './facedMesh.ts'
import type { SolidRecipe } from './recipe.ts'

type Turned = Extract<SolidRecipe, { kind: 'turned' }>

/** Radii under this, mm, lie on the axis. */
const ON_AXIS = 1e-6

/** Chords of the largest circle of a turned body. */
export const turnedChords = (profile: Turned['profile'], coarser = 1): number =>
  Math.max(
    8,
    2 * Math.ceil(chordCount(Math.max(...profile.map((p) => p.radius)), Math.PI * 2, 1 / coarser) / 2),
  )

/** The mesh of a turned body: a ring for each point of the half section, one vertex where it lies on the axis. */
export function turnedMesh({ profile, at }: Turned, coarser: number): FacedMesh {
  const mesh = emptyMesh()
  const n = turnedChords(profile, coarser)
  const rings = profile.map(({ radius, z }) => {
    const first = mesh.vertices.length / 3
    if (radius < ON_AXIS) {
      mesh.vertices.push(at[0], at[1], z)
      return { first, single: true }
    }
    for (let i = 0; i < n; i += 1) {
      const a = (2 * Math.PI * i) / n
      mesh.vertices.push(at[0] + radius * Math.cos(a), at[1] + radius * Math.sin(a), z)
    }
    return { first, single: false }
  })
  profile.forEach(({ name }, j) => {
    const [a, b] = [rings[j]!, rings[(j + 1) % rings.length]!]
    if (a.single && b.single) return
    const face = faceIndex(mesh, name)
    for (let i = 0; i < n; i += 1) {
      const k = (i + 1) % n
      const [a0, a1] = a.single ? [a.first, a.first] : [a.first + i, a.first + k]
      const [b0, b1] = b.single ? [b.first, b.first] : [b.first + i, b.first + k]
      if (!a.single) {
        mesh.triangles.push(a0, a1, b1)
        mesh.faces.push(face)
      }
      if (!b.single) {
        mesh.triangles.push(a0, b1, b0)
        mesh.faces.push(face)
      }
    }
  })
  return mesh
}
