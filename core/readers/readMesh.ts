import { unzipSync } from 'fflate'
import { SaxesParser } from 'saxes'
import { READ_LIMITS, type ReadMesh, type ReadProblem } from './types.ts'

const refuse = (code: ReadProblem['code'], text: string): ReadMesh => ({ ok: false, problem: { code, text } })
const MOST = READ_LIMITS.triangles
const tooMany = (count: number): ReadMesh =>
  refuse(
    'tooMany',
    `The mesh has ${count.toLocaleString('en')} triangles; ${MOST.toLocaleString('en')} is the most. Thin it out first.`,
  )

/** Reads a mesh by its name's ending: STL of both kinds, OBJ, 3MF. */
export function readMesh(name: string, bytes: Uint8Array): ReadMesh {
  if (bytes.length > READ_LIMITS.meshBytes)
    return refuse('tooLarge', `The file is larger than ${READ_LIMITS.meshBytes / 1e6} MB.`)
  if (bytes.length === 0) return refuse('empty', 'The file is empty.')
  const ending = name.toLowerCase().replace(/^.*\./, '')
  if (ending === 'stl') return readStl(bytes)
  if (ending === 'obj') return readObj(bytes)
  if (ending === '3mf') return read3mf(bytes)
  return refuse('notThis', `A .${ending} file is not read here: STL, OBJ or 3MF.`)
}

/** A mesh moved so that its box starts at the origin; refused when a coordinate is no number. */
function settled(positions: Float64Array, triangles: Uint32Array, mmPerUnit: number | null): ReadMesh {
  let [left, front, low] = [Infinity, Infinity, Infinity]
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = [positions[i]!, positions[i + 1]!, positions[i + 2]!]
    if (!Number.isFinite(x + y + z) && ![x, y, z].every(Number.isFinite))
      return refuse('broken', `Vertex ${i / 3 + 1} has a coordinate that is no number.`)
    if (x < left) left = x
    if (y < front) front = y
    if (z < low) low = z
  }
  const moved = new Float32Array(positions.length)
  for (let i = 0; i < positions.length; i += 3) {
    moved[i] = positions[i]! - left
    moved[i + 1] = positions[i + 1]! - front
    moved[i + 2] = positions[i + 2]! - low
  }
  return { ok: true, positions: moved, triangles, mmPerUnit }
}

/** STL of either kind. A binary file may begin with "solid" too: its length tells. */
function readStl(bytes: Uint8Array): ReadMesh {
  const head = text(bytes.subarray(0, 512))
  if (bytes.length >= 84) {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
    const count = view.getUint32(80, true)
    const needed = 84 + count * 50
    const looksText = /^\s*solid/i.test(head) && /facet|endsolid/i.test(text(bytes.subarray(0, 4000)))
    if (needed === bytes.length || (!looksText && needed < bytes.length)) return readBinaryStl(view, count)
    if (!looksText) {
      if (count > MOST) return tooMany(count)
      return refuse(
        'cutShort',
        `The file says ${count.toLocaleString('en')} triangles but ends after ${Math.floor((bytes.length - 84) / 50).toLocaleString('en')}: it was cut short.`,
      )
    }
  }
  if (!/^\s*solid/i.test(head))
    return refuse('notThis', 'This is not an STL: it is neither its text form nor its binary form.')
  return readTextStl(bytes)
}

function readBinaryStl(view: DataView, count: number): ReadMesh {
  if (count === 0) return refuse('empty', 'The mesh has no triangles.')
  if (count > MOST) return tooMany(count)
  const positions = new Float64Array(count * 9)
  for (let t = 0; t < count; t += 1)
    for (let k = 0; k < 9; k += 1) positions[t * 9 + k] = view.getFloat32(84 + t * 50 + 12 + k * 4, true)
  return settled(positions, inTurn(count * 3), null)
}

/** 0, 1, 2 ...: each corner its own vertex. */
function inTurn(count: number): Uint32Array {
  const out = new Uint32Array(count)
  for (let i = 0; i < count; i += 1) out[i] = i
  return out
}

function readTextStl(bytes: Uint8Array): ReadMesh {
  const source = text(bytes)
  const numbers: number[] = []
  const vertex = /vertex\s+(\S+)\s+(\S+)\s+(\S+)/gi
  let corner = 0
  for (const m of source.matchAll(vertex)) {
    corner += 1
    const xyz = [Number(m[1]), Number(m[2]), Number(m[3])]
    if (!xyz.every(Number.isFinite))
      return refuse('broken', `Vertex ${corner} cannot be read: “${m[0].slice(0, 60)}”.`)
    numbers.push(...xyz)
    if (corner > MOST * 3) return tooMany(corner / 3)
  }
  if (corner === 0) return refuse('empty', 'The mesh has no triangles.')
  if (corner % 3 !== 0)
    return refuse(
      'cutShort',
      `The last triangle has ${corner % 3} of its three corners: the file was cut short.`,
    )
  return settled(Float64Array.from(numbers), inTurn(corner), null)
}

/** OBJ: vertices and faces of any number of corners, cut into fans. */
function readObj(bytes: Uint8Array): ReadMesh {
  const source = text(bytes)
  const positions: number[] = []
  const triangles: number[] = []
  let number = 0
  for (const line of source.split('\n')) {
    number += 1
    const words = line.trim().split(/\s+/)
    if (words[0] === 'v') {
      const xyz = words.slice(1, 4).map(Number)
      if (xyz.length < 3 || !xyz.every(Number.isFinite))
        return refuse('broken', `Line ${number} is no vertex: “${line.slice(0, 60).trim()}”.`)
      positions.push(...xyz)
    } else if (words[0] === 'f') {
      const count = positions.length / 3
      const corners = words.slice(1).map((w) => {
        const i = Number.parseInt(w, 10)
        return i < 0 ? count + i : i - 1
      })
      if (corners.length < 3 || corners.some((i) => !Number.isInteger(i) || i < 0 || i >= count))
        return refuse(
          'broken',
          `Line ${number} is no face, or names a vertex that is not there: “${line.slice(0, 60).trim()}”.`,
        )
      for (let k = 1; k + 1 < corners.length; k += 1)
        triangles.push(corners[0]!, corners[k]!, corners[k + 1]!)
      if (triangles.length > MOST * 3) return tooMany(triangles.length / 3)
    }
  }
  if (triangles.length === 0)
    return refuse(positions.length === 0 ? 'notThis' : 'empty', 'The file has no faces that can be read.')
  return settled(Float64Array.from(positions), Uint32Array.from(triangles), null)
}

const UNITS_3MF: Readonly<Record<string, number>> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: 25.4,
  foot: 304.8,
  meter: 1000,
}

type Object3 = {
  positions: number[]
  triangles: number[]
  components: { id: string; by: number[] }[]
}
const AS_IS = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0]

/** 3MF: a zip with a model of objects, components and build items; each item's transform is applied. */
function read3mf(bytes: Uint8Array): ReadMesh {
  let model: Uint8Array | undefined
  try {
    const files = unzipSync(bytes, {
      filter: (f) => /\.model$/i.test(f.name) && f.originalSize <= READ_LIMITS.meshBytes,
    })
    model = files['3D/3dmodel.model'] ?? Object.values(files)[0]
  } catch {
    return refuse('notThis', 'This is not a 3MF: it cannot be unpacked.')
  }
  if (!model) return refuse('notThis', 'This 3MF holds no model, or one too large to unpack.')
  const objects = new Map<string, Object3>()
  const items: { id: string; by: number[] }[] = []
  let unit = 'millimeter'
  let current: Object3 | null = null
  let problem: ReadMesh | null = null
  const parser = new SaxesParser({ xmlns: false })
  const matrix = (value: string | undefined): number[] => {
    const n = (value ?? '').trim().split(/\s+/).map(Number)
    return n.length === 12 && n.every(Number.isFinite) ? n : AS_IS
  }
  parser.on('error', (error) => {
    problem ??= refuse('broken', `The model in this 3MF cannot be read: ${error.message.split('\n')[0]}.`)
  })
  parser.on('opentag', (tag) => {
    if (problem) return
    const a = tag.attributes as Record<string, string>
    switch (tag.name.replace(/^.*:/, '')) {
      case 'model':
        unit = a.unit ?? unit
        break
      case 'object':
        current = { positions: [], triangles: [], components: [] }
        objects.set(a.id ?? '', current)
        break
      case 'vertex':
        current?.positions.push(Number(a.x), Number(a.y), Number(a.z))
        break
      case 'triangle':
        current?.triangles.push(Number(a.v1), Number(a.v2), Number(a.v3))
        if (current && current.triangles.length > MOST * 3) problem = tooMany(current.triangles.length / 3)
        break
      case 'component':
        current?.components.push({ id: a.objectid ?? '', by: matrix(a.transform) })
        break
      case 'item':
        items.push({ id: a.objectid ?? '', by: matrix(a.transform) })
    }
  })
  try {
    parser.write(text(model)).close()
  } catch (error) {
    problem ??= refuse(
      'broken',
      `The model in this 3MF cannot be read: ${error instanceof Error ? error.message : 'unknown'}.`,
    )
  }
  if (problem) return problem
  const positions: number[] = []
  const triangles: number[] = []
  const put = (id: string, by: readonly number[], depth: number): ReadMesh | null => {
    const object = objects.get(id)
    if (!object) return refuse('broken', `The build names object ${id}, which is not there.`)
    if (depth > 16) return refuse('broken', 'Components are nested too deep, or in a ring.')
    const first = positions.length / 3
    const count = object.positions.length / 3
    for (let i = 0; i < object.positions.length; i += 3) {
      const [x, y, z] = [object.positions[i]!, object.positions[i + 1]!, object.positions[i + 2]!]
      for (let k = 0; k < 3; k += 1) positions.push(x * by[k]! + y * by[3 + k]! + z * by[6 + k]! + by[9 + k]!)
    }
    for (const v of object.triangles) {
      if (!Number.isInteger(v) || v < 0 || v >= count)
        return refuse('broken', `A triangle names vertex ${v}, which is not there.`)
      triangles.push(first + v)
    }
    if (triangles.length > MOST * 3) return tooMany(triangles.length / 3)
    for (const part of object.components) {
      const wrong = put(part.id, combine(part.by, by), depth + 1)
      if (wrong) return wrong
    }
    return null
  }
  const build = items.length > 0 ? items : [...objects.keys()].slice(-1).map((id) => ({ id, by: AS_IS }))
  for (const { id, by } of build) {
    const wrong = put(id, by, 0)
    if (wrong) return wrong
  }
  if (triangles.length === 0) return refuse('empty', 'The model holds no triangles.')
  return settled(Float64Array.from(positions), Uint32Array.from(triangles), UNITS_3MF[unit] ?? 1)
}

/** Row-vector 4 x 3 transforms, inner first. */
function combine(a: readonly number[], b: readonly number[]): number[] {
  const out: number[] = []
  for (let r = 0; r < 4; r += 1)
    for (let c = 0; c < 3; c += 1)
      out.push(
        a[r * 3]! * b[c]! + a[r * 3 + 1]! * b[3 + c]! + a[r * 3 + 2]! * b[6 + c]! + (r === 3 ? b[9 + c]! : 0),
      )
  return out
}

/** UTF-8 or Latin text without the platform's decoder, which the core does not have. */
function text(bytes: Uint8Array): string {
  const parts: string[] = []
  for (let i = 0; i < bytes.length; i += 32_768)
    parts.push(String.fromCharCode(...bytes.subarray(i, i + 32_768)))
  return parts.join('')
}
