import { Link } from 'react-router'
import { usePlan } from '../state/PlanContext.tsx'
import { useWork } from '../state/useWork.ts'
import { Caution } from '../ui/Choice.tsx'

const all = () => true

/** In place of a station's bench where a box is glued up: its panels, and gluing. */
export function PanelsBench() {
  const { job, plan } = usePlan()
  const work = useWork(all)
  const panels = plan?.panels ?? []
  return (
    <>
      <h1>Panels</h1>
      <p>This box is not cast itself: its panels are, flat, and glued up.</p>
      <h2>Cast as pieces</h2>
      <table className="list">
        <tbody>
          {panels.map((p) => (
            <tr key={p.pieceId}>
              <td>
                {p.inJob ? (
                  <Link className="word" to={`/job/${job.id}/${p.pieceId}/mould`}>
                    {p.name}
                  </Link>
                ) : (
                  p.name
                )}
                {!p.inJob && <span className="block text-[13px] text-soft">no piece of the job yet</span>}
              </td>
              <td className="n">× {p.count}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>In this order</h2>
      <ol className="label list-decimal pl-5 text-[15px]">
        {work.map(({ text, of: [op] }) => (
          <li key={op!.id} className="border-b py-1">
            {text}
          </li>
        ))}
      </ol>
      <Caution>
        Adhesive wants dry, dusted faces and air in the room. Nothing is filled or carried by its rim before
        it is hard: its own sheet says when.
      </Caution>
    </>
  )
}
