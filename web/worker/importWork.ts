import type { ReadJob } from '../../core/job/index.ts'
import {
  findSelfCrossings,
  type KeptMesh,
  type MeshHealth,
  prepareMesh,
  type ReadDrawing,
  readDxf,
  readSvg,
  unpackJob,
} from '../../core/readers/index.ts'

export type ImportRequest =
  | { readonly kind: 'job'; readonly file: File }
  | { readonly kind: 'drawing'; readonly file: File }
  | { readonly kind: 'mesh'; readonly file: File }

export type ImportReply =
  | { readonly kind: 'job'; readonly read: ReadJob; readonly meshes: readonly KeptMesh[] }
  | { readonly kind: 'drawing'; readonly drawing: ReadDrawing }
  | { readonly kind: 'refused'; readonly text: string }
  | {
      readonly kind: 'mesh'
      readonly id: string
      readonly found: MeshHealth
      readonly mended: MeshHealth
      readonly turnedCount: number
      readonly closedHoleCount: number
      readonly mmPerUnit: number | null
      readonly positions: Float32Array
      readonly triangles: Uint32Array
      readonly readMs: number
    }
  | { readonly kind: 'crossings'; readonly part: number; readonly count: number | null }

type Answering = (message: ImportReply) => void
const LARGEST = 400_000_000

/** Reads one file and answers as it goes: the work of an import worker, without the worker. */
export async function importWork(request: ImportRequest, reply: Answering): Promise<void> {
  const { kind, file } = request
  try {
    if (file.size > LARGEST) {
      reply({ kind: 'refused', text: `The file is larger than ${LARGEST / 1e6} MB.` })
      return
    }
    if (kind === 'job') reply({ kind: 'job', ...unpackJob(new Uint8Array(await file.arrayBuffer())) })
    else if (kind === 'drawing') await answerDrawing(file, reply)
    else await answerMesh(file, reply)
  } catch (error) {
    reply({
      kind: 'refused',
      text: `The file could not be read: ${error instanceof Error ? error.message : 'unknown'}.`,
    })
  }
}

async function answerDrawing(file: File, reply: Answering): Promise<void> {
  if (file.size > 30_000_000) {
    reply({ kind: 'refused', text: 'The drawing is larger than 30 MB.' })
    return
  }
  const text = await file.text()
  const svg =
    /\.svg$/i.test(file.name) || /^\s*(<\?xml[^>]*>)?\s*(<!--[\s\S]*?-->)?\s*<svg/i.test(text.slice(0, 2000))
  reply({ kind: 'drawing', drawing: svg ? readSvg(text) : readDxf(text) })
}

async function answerMesh(file: File, reply: Answering): Promise<void> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  const start = performance.now()
  const prepared = prepareMesh(file.name, bytes)
  if (!prepared.ok) {
    reply({ kind: 'refused', text: prepared.problem.text })
    return
  }
  const { ok: _, mesh, ...rest } = prepared
  reply({
    kind: 'mesh',
    ...rest,
    positions: mesh.positions.slice(),
    triangles: mesh.triangles.slice(),
    readMs: performance.now() - start,
  })
  const search = findSelfCrossings(mesh)
  for (;;) {
    const step = search.next()
    if (step.done) {
      reply({ kind: 'crossings', part: 1, count: step.value })
      return
    }
    reply({ kind: 'crossings', part: step.value, count: null })
    await new Promise((go) => setTimeout(go))
  }
}
