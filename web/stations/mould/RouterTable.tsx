import { showNumber } from '../../../core/units/index.ts'
import { More } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** Passes of the router from the top down: how deep, and how large the hollow is there. */
export function RouterTable() {
  const { figures, mm } = useMould()
  if (!figures || figures.router.length === 0) return null
  return (
    <More title={`Router, ${figures.router.length} passes`}>
      <table className="list">
        <thead>
          <tr>
            <th>Pass</th>
            <th className="n">Depth</th>
            <th className="n">Hollow</th>
            <th className="n">In by</th>
          </tr>
        </thead>
        <tbody>
          {figures.router.map((s) => (
            <tr key={s.pass}>
              <td>{s.pass}</td>
              <td className="n">{showNumber(s.depthMm, 1)}</td>
              <td className="n">
                {mm(s.lengthMm)} × {mm(s.widthMm)}
              </td>
              <td className="n">{showNumber(s.inMm, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </More>
  )
}
