import { compareWays } from '../../../core/release/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { More } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** What each of its faces brings when it is down in the pour, the best first; another is chosen at a press. */
export function WaysUpRows() {
  const { piece, plan, looks, whole } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const ways = (plan?.stations.release?.figures.waysUp ?? []).toSorted(compareWays)
  if (ways.length < 2) return null
  const patch = (m2: number) => words.of('patch', m2 * 1e4, 0)
  const litres = (n: number) => words.litres(n, n < 0.1 ? 3 : 2)
  return (
    <More title="Which face down">
      <p className="text-[14px] leading-snug">
        In a form all round, open at the level of the fill: air that stays under it, what grips with too
        little draft, the face that is struck off and not formed, and how high it is filled.
      </p>
      <table className={`list ${whole ? looks.release : 'stale'}`}>
        <thead>
          <tr>
            <th>down</th>
            <th className="n">air</th>
            <th className="n">grips</th>
            <th className="n">open</th>
            <th className="n">high</th>
          </tr>
        </thead>
        <tbody>
          {ways.map((w) => (
            <tr key={w.down}>
              <td>
                {w.down === piece.attitude.down ? (
                  <strong>{w.face}, as now</strong>
                ) : (
                  <button
                    type="button"
                    className="word p-0!"
                    onClick={() =>
                      change(`pour with the ${w.face} down`, {
                        type: 'pieceDescribed',
                        pieceId: piece.id,
                        patch: { attitude: { ...piece.attitude, down: w.down } },
                      })
                    }
                  >
                    {w.face}
                  </button>
                )}
                {(w.jointMm > 0 || w.turnedOver) && (
                  <span className="block text-[13px] leading-none text-soft">
                    {[
                      ...(w.jointMm > 0 ? [`a joint of ${words.mm(Math.round(w.jointMm))}`] : []),
                      ...(w.turnedOver ? ['then turned over'] : []),
                    ].join(', ')}
                  </span>
                )}
              </td>
              <td className="n">{w.pocketCount === 0 ? '–' : litres(w.airLitres)}</td>
              <td className="n">{w.shortM2 < 1e-4 ? '–' : patch(w.shortM2)}</td>
              <td className="n">{patch(w.openM2)}</td>
              <td className="n">{words.mm(Math.round(w.heightMm))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </More>
  )
}
