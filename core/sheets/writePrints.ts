import { strToU8, type Zippable, zipSync } from 'fflate'
import type { Placement } from '../geometry/index.ts'
import { BRIM } from '../mould/index.ts'
import { writeStl } from '../readers/index.ts'

/** A part's mesh, mm: coordinates and triangle corners. */
export type PrintMesh = {
  readonly name: string
  readonly positions: Float32Array
  readonly triangles: Uint32Array
  /** How it is turned onto the bed. */
  readonly lies: Placement
}

/** A mesh as it lies on the bed: turned, its lowest point on z = 0, its box in the corner of the bed with room for a brim. */
export function layOnBed({ positions, lies: { x, y, z } }: PrintMesh): Float32Array {
  const laid = new Float32Array(positions.length)
  const least = [Infinity, Infinity, Infinity]
  for (let i = 0; i < positions.length; i += 3)
    for (const k of [0, 1, 2] as const) {
      const at = x[k] * positions[i]! + y[k] * positions[i + 1]! + z[k] * positions[i + 2]!
      laid[i + k] = at
      least[k] = Math.min(least[k]!, at)
    }
  for (let i = 0; i < laid.length; i += 1) laid[i] = laid[i]! - least[i % 3]! + (i % 3 < 2 ? BRIM : 0)
  return laid
}

const fileName = (name: string, end: string) =>
  `${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${end}`

/** A zip with one file for each part, as it lies on the bed: binary STL, or 3MF, which also tells that it is in mm. */
export function writePrints(parts: readonly PrintMesh[], as: 'stl' | '3mf'): Uint8Array<ArrayBuffer> {
  const files: Zippable = {}
  for (const part of parts) {
    const positions = layOnBed(part)
    files[fileName(part.name, as)] =
      as === 'stl'
        ? writeStl({ positions, triangles: part.triangles })
        : // Already packed: the outer zip only holds it.
          [write3mf(part.name, positions, part.triangles), { level: 0 }]
  }
  return new Uint8Array(zipSync(files))
}

const XML = '<?xml version="1.0" encoding="UTF-8"?>\n'
/** One body as a 3MF package (3D Manufacturing Format core specification 1.3). */
function write3mf(name: string, positions: Float32Array, triangles: Uint32Array): Uint8Array {
  const vertices: string[] = []
  for (let i = 0; i < positions.length; i += 3)
    vertices.push(
      `<vertex x="${round(positions[i]!)}" y="${round(positions[i + 1]!)}" z="${round(positions[i + 2]!)}"/>`,
    )
  const faces: string[] = []
  for (let i = 0; i < triangles.length; i += 3)
    faces.push(`<triangle v1="${triangles[i]}" v2="${triangles[i + 1]}" v3="${triangles[i + 2]}"/>`)
  const label = name.replace(/[<>&"]/g, ' ')
  return zipSync({
    '[Content_Types].xml': strToU8(
      `${XML}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>`,
    ),
    '_rels/.rels': strToU8(
      `${XML}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>`,
    ),
    '3D/3dmodel.model': strToU8(
      `${XML}<model unit="millimeter" xml:lang="en" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources><object id="1" name="${label}" type="model"><mesh><vertices>${vertices.join('')}</vertices><triangles>${faces.join('')}</triangles></mesh></object></resources><build><item objectid="1"/></build></model>`,
    ),
  })
}

const round = (n: number): string => String(Math.round(n * 1e5) / 1e5)
