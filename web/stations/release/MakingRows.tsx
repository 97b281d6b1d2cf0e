import { type MakingRow, madeOnWords, makingNote } from '../../../core/release/index.ts'
import { rowAmount } from '../../../core/stock/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { Pick } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { AgentTable } from './AgentTable.tsx'

const OF = [
  { id: 'wood', name: 'wood' },
  { id: 'print', name: 'a print, melted plastic' },
  { id: 'resin-print', name: 'a print of resin' },
  { id: 'foam', name: 'foam' },
  { id: 'plaster', name: 'plaster' },
] as const
const CLAY = [
  { id: 'sulphur-free', name: 'oil clay, no sulphur' },
  { id: 'sulphur', name: 'oil clay with sulphur' },
  { id: 'water', name: 'clay with water' },
] as const
const BEFORE = [
  { id: 'nothing', name: 'nothing that harms' },
  { id: 'tin-silicone', name: 'silicone cured by tin' },
  { id: 'sealant', name: 'sealant, not cured yet' },
  { id: 'latex', name: 'latex, or its gloves' },
  { id: 'damp', name: 'water: it is damp' },
] as const
const SUITS = { id: 'suits', name: 'what suits it' }

/** What the mould itself is made on: the pattern, its clay, and what lets rubber or shell go of it. */
export function MakingRows({ rows }: { rows: readonly MakingRow[] }) {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  if (rows.length === 0) return null
  const { pattern } = piece.release
  const choose = (label: string, patch: Partial<typeof pattern>) =>
    change(label, {
      type: 'releaseChosen',
      pieceId: piece.id,
      patch: { pattern: { ...pattern, ...patch } },
    })
  return (
    <div className={looks.release}>
      <h2>While the mould is made</h2>
      <Pick
        label="Pattern of"
        value={pattern.of}
        options={OF}
        onChoose={(of) => choose('what the pattern is of', { of: of as typeof pattern.of })}
      />
      {rows.some((r) => r.against !== 'shell') && (
        <Pick
          label="It met last"
          value={pattern.before}
          options={BEFORE}
          onChoose={(before) => choose('what the pattern met', { before: before as typeof pattern.before })}
        />
      )}
      {plan?.stations.mould?.figures.making.some((m) => m.clay) && (
        <Pick
          label="Bedded in"
          value={pattern.clay}
          options={CLAY}
          onChoose={(clay) => choose('clay', { clay: clay as typeof pattern.clay })}
        />
      )}
      <Pick
        label="Release on it"
        value={pattern.agent ?? SUITS.id}
        options={[SUITS, ...job.stock.agents]}
        onChoose={(id) => choose('release of the pattern', { agent: id === SUITS.id ? null : id })}
      />
      <AgentTable
        rows={rows.map((row) => ({
          key: row.making,
          face: <strong>{madeOnWords(row.making)}</strong>,
          note: `${makingNote(row)}${row.amount > 0 && row.unit ? `; ${rowAmount(row.amount, row.unit, 3, words)}` : ''}`,
          coats: row.coats,
          waitMinutes: row.waitMinutes,
        }))}
      />
    </div>
  )
}
