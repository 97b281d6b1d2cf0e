import { exactDecimals } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { Pick } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

const NONE = { id: 'none', name: 'none more' }

/** Pigment and admixtures by the mass of cement: each with what it comes to, and one more to add. */
export function Doses() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const { doses } = piece.mix
  const rows = plan?.stations.mix?.figures.doses ?? []
  const put = (label: string, next: typeof doses) =>
    change(label, { type: 'mixChosen', pieceId: piece.id, patch: { doses: next } })
  const left = job.stock.doses.filter((d) => !doses.some((own) => own.dose === d.id))
  if (left.length === 0 && doses.length === 0) return null
  return (
    <>
      <h2>Colour and admixtures</h2>
      {doses.map((own, i) => {
        const row = job.stock.doses.find((d) => d.id === own.dose)
        const name = row?.name ?? 'not in the stock'
        const amount = rows.find((r) => r.doseId === own.dose)?.amountKg
        return (
          <div key={own.dose}>
            <NumberField
              label={name}
              unit="% of cement"
              value={own.percent}
              min={0.01}
              max={100}
              step={0.1}
              onCommit={(percent) =>
                percent !== null && put(`${name} ${percent}%`, doses.with(i, { ...own, percent }))
              }
            />
            <p className={`label flex items-center justify-between text-[14px] text-soft ${looks.mix}`}>
              <span>{amount === undefined ? '' : `${words.kg(amount, exactDecimals(amount))} in all`}</span>
              <button
                type="button"
                className="word p-0!"
                aria-label={`leave out ${name}`}
                onClick={() => put(`leave out ${name}`, doses.toSpliced(i, 1))}
              >
                leave out
              </button>
            </p>
          </div>
        )
      })}
      {left.length > 0 && doses.length < 8 && (
        <Pick
          label="Add"
          value={NONE.id}
          options={[NONE, ...left]}
          onChoose={(id) => {
            const row = left.find((d) => d.id === id)
            if (row) put(`add ${row.name}`, [...doses, { dose: row.id, percent: row.percent }])
          }}
        />
      )}
    </>
  )
}
