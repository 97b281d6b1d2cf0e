import { useState } from 'react'
import { type AgentRow, agentNote, lifeWords, schoolWords } from '../../../core/release/index.ts'
import { rowAmount } from '../../../core/stock/index.ts'
import { faceWords, isStripping } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useWork } from '../../state/useWork.ts'
import { Caution, More, Pick } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { CheckList, useChecks } from '../CheckList.tsx'
import { AgentTable } from './AgentTable.tsx'
import { AirRows } from './AirRows.tsx'
import { FaceChoices } from './FaceChoices.tsx'
import { faceLetters } from './faceLetters.ts'
import { MakingRows } from './MakingRows.tsx'
import { PullRows } from './PullRows.tsx'
import { WaysUpRows } from './WaysUpRows.tsx'

export function ReleaseBench() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const figures = plan?.stations.release?.figures
  const words = useWordsStyle()
  /** Only what has raw faces is sealed; a row that is gone must be chosen anew wherever it is wanted. */
  const seals =
    !figures?.agents.every((a) => a.use !== 'seal') ||
    !job.stock.agents.some((a) => a.id === piece.release.edgeSeal)
  /** Rubber takes none: then there is nothing to choose, to leave out or to mind. */
  const taken =
    !figures ||
    piece.release.leftOut !== null ||
    figures.agents.some((a) => a.use === 'release' || a.leftOut !== null)
  const chosen = job.stock.agents.find((a) => a.id === piece.release.faceAgent)
  const off = useWork(isStripping)
  const checks = useChecks().filter((c) => c.operation.station === 'release')
  const letters = faceLetters(figures?.agents ?? [])
  const letterOf = (row: AgentRow) => letters.find((l) => l.rows.includes(row))?.letter ?? ''
  const choose = (label: string, patch: Partial<typeof piece.release>) =>
    change(label, { type: 'releaseChosen', pieceId: piece.id, patch })
  return (
    <>
      <h1>Release</h1>
      <p>What goes on the faces, and how the mould comes off.</p>
      {(taken || seals) && <h2>Agents</h2>}
      {taken && (
        <Pick
          label="Release agent"
          value={piece.release.faceAgent}
          options={job.stock.agents}
          onChoose={(faceAgent) => choose('release agent', { faceAgent })}
        />
      )}
      {taken && chosen && (
        <p className="mb-2 mt-1 text-[13px] leading-snug text-soft">{schoolWords(chosen.kind)}</p>
      )}
      {seals && (
        <Pick
          label="Seal where it is raw"
          value={piece.release.edgeSeal}
          options={job.stock.agents}
          onChoose={(edgeSeal) => choose('edge seal', { edgeSeal })}
        />
      )}
      {figures && (
        <div className={looks.release}>
          <h2>By face</h2>
          <AgentTable
            rows={figures.agents.map((a) => ({
              key: `${a.face}${a.surface}${a.use}`,
              face: (
                <>
                  <strong>
                    {letterOf(a)} {faceWords(a.face)}
                  </strong>
                  , {a.material}
                </>
              ),
              note: [
                agentNote(a),
                ...(a.amount > 0 && a.unit ? [rowAmount(a.amount, a.unit, 3, words)] : []),
                ...figures.lives
                  .filter((l) => a.use !== 'seal' && l.face === a.face && l.material === a.material)
                  .slice(0, 1)
                  .map((l) => `lasts ${lifeWords(l)}`),
              ].join('; '),
              coats: a.coats,
              waitMinutes: a.waitMinutes,
            }))}
          />
        </div>
      )}
      {figures && taken && <FaceChoices key={piece.id} letters={letters} />}
      {figures && <MakingRows rows={figures.making} />}
      <AirRows />
      <PullRows />
      <WaysUpRows />
      {checks.length > 0 && (
        <div className={looks.release}>
          <h2>Looked at before the pour</h2>
          <CheckList checks={checks} label="Checks of the release" />
        </div>
      )}
      {off.length > 0 && (
        <More title="Every step in words">
          <ol className={`label list-decimal pl-5 text-[15px] ${looks.release}`}>
            {off.map(({ text, of: [op] }) => (
              <li key={op!.id} className="border-b py-1">
                {text}
              </li>
            ))}
          </ol>
        </More>
      )}
      {taken && (
        <More title="Leave the release out">
          <LeftOut
            key={piece.id}
            value={piece.release.leftOut}
            onChange={(leftOut) => choose(leftOut ? 'leave the release out' : 'use release', { leftOut })}
          />
        </More>
      )}
      <Caution>
        {taken && 'Wax and solvents: fresh air, no flame. '}Never fuel or engine oil: it soaks into soil and
        skin, stains the face and gives off fumes{taken && '; paste wax does the work'}.
      </Caution>
    </>
  )
}

function LeftOut({ value, onChange }: { value: string | null; onChange: (value: string | null) => void }) {
  const [why, setWhy] = useState(value ?? '')
  return (
    <div className="flex flex-col gap-2 pt-2">
      <label className="label text-[15px]">
        Reason
        <input
          className="w-full border-b border-ink bg-transparent"
          value={why}
          maxLength={500}
          onChange={(e) => setWhy(e.target.value)}
        />
      </label>
      <span>
        <button
          type="button"
          className="act"
          disabled={why.trim() === '' || why === value}
          onClick={() => onChange(why.trim())}
        >
          Leave it out
        </button>
        {value !== null && (
          <button type="button" className="word" onClick={() => onChange(null)}>
            use release after all
          </button>
        )}
      </span>
    </div>
  )
}
