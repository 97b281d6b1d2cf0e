import { Pick } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** The board a mould stands on. */
export function BasePick() {
  const { mould, job, choose } = useMould()
  return (
    <Pick
      label="Base"
      value={mould.baseBoard}
      options={job.stock.boards}
      onChoose={(baseBoard) => choose('base board', { baseBoard })}
    />
  )
}

/** What its joints are sealed with. */
export function SealantPick() {
  const { mould, job, choose } = useMould('board-box', 'upper-form', 'lined', 'planks', 'ring')
  return (
    <Pick
      label="Sealant"
      value={mould.sealant}
      options={job.stock.sealants}
      onChoose={(sealant) => choose('sealant', { sealant })}
    />
  )
}
