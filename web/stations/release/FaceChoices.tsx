import { useState } from 'react'
import type { FaceWord } from '../../../core/work/index.ts'
import { faceWords } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { More, Pick } from '../../ui/Choice.tsx'
import type { FaceLetter } from './faceLetters.ts'

const REST = { id: 'as-the-rest', name: 'as the rest' }
const NONE = { id: 'left-out', name: 'none, for a reason' }

/** An agent of its own for a face, or none on it with the reason why. */
export function FaceChoices({ letters }: { letters: readonly FaceLetter[] }) {
  const faces = [
    ...new Map(
      letters
        .filter((l) => l.rows.some((r) => r.use === 'release' || r.leftOut !== null))
        .map((l) => [l.rows[0]!.face, l.letter]),
    ),
  ]
  if (faces.length === 0) return null
  return (
    <More title="One face otherwise than the rest">
      {faces.map(([face, letter]) => (
        <FaceChoice key={face} face={face} letter={letter} />
      ))}
    </More>
  )
}

function FaceChoice({ face, letter }: { face: FaceWord; letter: string }) {
  const { piece, job } = usePlan()
  const change = useChange()
  const own = piece.release.faces[face] ?? { agent: null, leftOut: null }
  const [asking, setAsking] = useState(false)
  const [why, setWhy] = useState('')
  const name = faceWords(face)
  const keep = (next: typeof own) => {
    const faces = { ...piece.release.faces, [face]: next }
    if (next.agent === null && next.leftOut === null) delete faces[face]
    change(`release of ${name}`, { type: 'releaseChosen', pieceId: piece.id, patch: { faces } })
  }
  const value = asking || own.leftOut !== null ? NONE.id : (own.agent ?? REST.id)
  return (
    <>
      <Pick
        label={`${letter} ${name}`}
        value={value}
        options={[REST, ...job.stock.agents, NONE]}
        onChoose={(id) => {
          setAsking(id === NONE.id)
          if (id !== NONE.id) keep({ agent: id === REST.id ? null : id, leftOut: null })
        }}
      />
      {asking && (
        <form
          className="flex items-center gap-2 py-1"
          onSubmit={(e) => {
            e.preventDefault()
            if (why.trim() === '') return
            keep({ agent: null, leftOut: why.trim() })
            setAsking(false)
          }}
        >
          <input
            aria-label={`Reason for none on ${name}`}
            className="label min-w-0 flex-1 border-b border-ink bg-transparent text-[15px]"
            placeholder="why"
            value={why}
            maxLength={500}
            onChange={(e) => setWhy(e.target.value)}
          />
          <button type="submit" className="act" disabled={why.trim() === ''}>
            Leave it out
          </button>
        </form>
      )}
    </>
  )
}
