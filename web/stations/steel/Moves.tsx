import { formatLength, wordsStyle } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { lensTurned } from '../../state/viewSlice.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { MOVE_NAMES } from './moveWords.ts'

/** Each move of a flat piece with the strength it wants and when that is there. */
export function Moves() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const say = wordsStyle(style)
  const handling = plan?.stations.steel?.figures.handling
  const gravity = plan?.stations.piece?.figures.centreOfGravity
  const { handling: chosen } = piece.steel
  const flat = plan?.stations.steel?.handling != null
  const geometry = plan?.stations.piece?.geometry
  const stands = geometry !== undefined && geometry.height > Math.max(geometry.length, geometry.width)
  const choose = (label: string, patch: Partial<typeof chosen>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { handling: { ...chosen, ...patch } } })
  return (
    <div className={looks.steel}>
      <h2>
        Handling{' '}
        <button type="button" className="word text-[15px]" onClick={() => dispatch(lensTurned('handling'))}>
          look at it
        </button>
      </h2>
      {(flat || !stands) && (
        <Choice
          label="Lies in use"
          stacked
          value={chosen.use}
          options={[
            { value: 'bedded', name: 'bedded', note: 'held up all over' },
            { value: 'ends', name: 'on its ends', note: 'as a step or lintel' },
            ...(flat
              ? ([
                  { value: 'rails', name: 'on rails', note: 'along both edges' },
                  { value: 'supports', name: 'on two supports', note: 'leaned on beyond them' },
                ] as const)
              : []),
          ]}
          onChoose={(use) => choose(`lies ${use}`, { use })}
        />
      )}
      {handling?.moves.map((m) => (
        <Row key={m.move} label={MOVE_NAMES[m.move]}>
          {m.move === 'use'
            ? `margin ${Math.min(20, m.fullMarginShare).toFixed(1)}`
            : m.earliestMinutes === null
              ? 'never'
              : `${say.mpa(Math.ceil(m.neededMpa - 0.05), 0)}, ${Math.ceil(m.earliestMinutes / 60)} h`}
        </Row>
      ))}
      {gravity && handling && flat && (
        <p className="text-soft">
          {`It balances ${formatLength(gravity.xMm, style)} from the left and ${formatLength(gravity.yMm, style)} from the front.`}
        </p>
      )}
      {(chosen.bearers || chosen.hands) && (
        <button
          type="button"
          className="word"
          onClick={() => choose('held where it bends least', { bearers: null, hands: null })}
        >
          hold it where it bends least
        </button>
      )}
    </div>
  )
}
