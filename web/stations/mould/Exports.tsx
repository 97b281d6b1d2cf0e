import { partOutlines } from '../../../core/mould/index.ts'
import { writeCutCsv, writeDxf } from '../../../core/sheets/index.ts'
import { download } from '../../app/files.ts'
import { usePlan } from '../../app/PlanContext.tsx'

/** The mould's lists and outlines as files for the saw, the router and the print shop. */
export function Exports() {
  const { piece, plan } = usePlan()
  const mould = plan?.stations.mould
  if (!mould) return null
  const name = piece.name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()
  const outlines = partOutlines(mould.parts)
  return (
    <div className="flex flex-wrap gap-2 pt-3">
      {mould.figures.cutList.length > 0 && (
        <button
          type="button"
          className="act"
          onClick={() => download(`${name}-cut-list.csv`, writeCutCsv(mould.figures.cutList), 'text/csv')}
        >
          Cut list as CSV
        </button>
      )}
      {outlines.length > 0 && (
        <button
          type="button"
          className="act"
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
    </div>
  )
}
