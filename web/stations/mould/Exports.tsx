import { partOutlines } from '../../../core/mould/index.ts'
import { writeCutCsv, writeDxf } from '../../../core/sheets/index.ts'
import { download } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'

/** The mould's lists and outlines as files for the saw, the router and the print shop. */
export function Exports() {
  const { piece, plan, scene, solidFresh, looks } = usePlan()
  const mould = plan?.stations.mould
  if (!mould) return null
  // What is guessed, or lacks a part of the piece, is never exported.
  const settled = looks.mould === '' && plan.leftOut.length === 0
  const name = piece.name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()
  const outlines = [...partOutlines(mould.parts), ...mould.outlines]
  const prints = async (as: 'stl' | '3mf') => {
    const { writePrints } = await import('../../../core/sheets/writePrints.ts')
    const meshes = mould.figures.prints.flatMap(({ partId, name: part, lies }) => {
      const mesh = scene?.parts.find((p) => p.id === partId)?.mesh
      return mesh
        ? [{ name: `${piece.name}, ${part}`, positions: mesh.positions, triangles: mesh.triangles, lies }]
        : []
    })
    download(`${name}-prints-${as}.zip`, writePrints(meshes, as), 'application/zip')
  }
  return (
    <div className="flex flex-wrap gap-2 pt-3">
      {mould.figures.cutList.length > 0 && (
        <button
          type="button"
          className="act"
          disabled={!settled}
          onClick={() => download(`${name}-cut-list.csv`, writeCutCsv(mould.figures.cutList), 'text/csv')}
        >
          Cut list as CSV
        </button>
      )}
      {outlines.length > 0 && (
        <button
          type="button"
          className="act"
          disabled={!settled}
          onClick={() =>
            download(
              `${name}-outlines.dxf`,
              writeDxf(outlines.map(({ name: layer, loops }) => ({ layer, loops }))),
              'image/vnd.dxf',
            )
          }
        >
          Outlines as DXF
        </button>
      )}
      {mould.figures.prints.length > 0 &&
        (['stl', '3mf'] as const).map((as) => (
          <button
            key={as}
            type="button"
            className="act"
            disabled={!solidFresh}
            onClick={() => void prints(as)}
          >
            Prints as {as.toUpperCase()}
          </button>
        ))}
    </div>
  )
}
