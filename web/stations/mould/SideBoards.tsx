import type { BoxChoice } from '../../../core/job/index.ts'
import { goesOnEdge, knockoutKind } from '../../../core/mould/index.ts'
import { nameOfSide, sidesOf } from '../../../core/piece/index.ts'
import { More, Pick } from '../../ui/Choice.tsx'
import { BOX, useMould } from './useMould.ts'

/** A side cut from another board than the rest, and what each opening's knockout is made of. */
export function SideBoards() {
  const { piece, mould, job, choose } = useMould(...BOX)
  if (piece.kind !== 'slab') return null
  const all = job.stock.boards.find((b) => b.id === mould.sideBoard)
  const choice = (side: string, id: string) => {
    const { [side]: _, ...others } = mould.sideBoards
    choose(`board of ${nameOfSide(piece.outline, side)}`, {
      sideBoards: id === '' ? others : { ...others, [side]: id },
    })
  }
  return (
    <More title="Another board for single sides">
      {sidesOf(piece).map((side) => (
        <Pick
          key={side}
          label={nameOfSide(piece.outline, side)}
          value={mould.sideBoards[side] ?? ''}
          options={[{ id: '', name: `as the rest: ${all?.name ?? 'none'}` }, ...job.stock.boards]}
          onChoose={(id) => choice(side, id)}
        />
      ))}
    </More>
  )
}

type Kind = BoxChoice['knockoutKinds'][string]
const KINDS: readonly { readonly id: Kind; readonly name: string }[] = [
  { id: 'laminate', name: 'boards, glued up' },
  { id: 'edge', name: 'boards on edge' },
  { id: 'split', name: 'two halves and a wedge' },
  { id: 'foam', name: 'foam, dug out' },
  { id: 'tube', name: 'card tube, slit' },
  { id: 'bought', name: 'bought plug' },
]

/** What each opening is made by. */
export function KnockoutKinds() {
  const { piece, mould, choose } = useMould(...BOX)
  if (piece.kind !== 'slab') return null
  const through = piece.openings.filter((o) => o.depth === null && o.made === 'cast')
  return through.map((o) => (
    <Pick
      key={o.id}
      label={`${o.name} knockout`}
      value={knockoutKind(mould, o)}
      options={KINDS.filter((k) => k.id !== 'edge' || goesOnEdge(o))}
      onChoose={(id) =>
        choose(`${o.name} knockout of ${KINDS.find((k) => k.id === id)!.name}`, {
          knockoutKinds: { ...mould.knockoutKinds, [o.id]: id as Kind },
        })
      }
    />
  ))
}
