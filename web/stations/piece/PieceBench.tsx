import type { Piece } from '../../../core/job/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../app/store.ts'
import { type Selection, selected } from '../../app/viewSlice.ts'
import { CornerBench } from './CornerBench.tsx'
import { BasinBench } from './features/BasinBench.tsx'
import { DrainerBench } from './features/DrainerBench.tsx'
import { InsertBench } from './features/InsertBench.tsx'
import { LetteringBench } from './features/LetteringBench.tsx'
import { PanelBench } from './features/PanelBench.tsx'
import { BoxBench, SideHoleBench } from './kinds/BoxBench.tsx'
import { FittedBench } from './kinds/FittedBench.tsx'
import { ImportedBench } from './kinds/ImportedBench.tsx'
import { SlabBench } from './kinds/SlabBench.tsx'
import { SeparatorBench, SweptBench } from './kinds/SweptBench.tsx'
import { TurnedBench } from './kinds/TurnedBench.tsx'
import { OpeningBench } from './OpeningBench.tsx'
import { PathSideBench } from './PathSideBench.tsx'
import { SharedBench } from './SharedBench.tsx'
import { SideBench } from './SideBench.tsx'

/** What is decided about the piece itself; a chosen part of it takes the bench's place. */
export function PieceBench() {
  const { piece } = usePlan()
  const selection = useAppSelector((s) => s.view.selection)
  const dispatch = useAppDispatch()
  const part = selection && (
    <PartBench piece={piece} selection={selection} onBack={() => dispatch(selected(null))} />
  )
  return (
    part || (
      <>
        <KindBench piece={piece} />
        <SharedBench />
      </>
    )
  )
}

function KindBench({ piece }: { piece: Piece }) {
  switch (piece.kind) {
    case 'slab':
      return <SlabBench piece={piece} />
    case 'turned':
      return <TurnedBench piece={piece} />
    case 'swept':
      return <SweptBench piece={piece} />
    case 'box':
      return <BoxBench piece={piece} />
    case 'imported':
      return <ImportedBench piece={piece} />
    case 'fitted':
      return <FittedBench piece={piece} />
  }
}

type PartProps = { piece: Piece; selection: NonNullable<Selection>; onBack: () => void }

/** The bench of a chosen part; nothing when that part is not there any more. */
function PartBench({ piece, selection: { kind, id }, onBack }: PartProps) {
  const fallback = (
    <>
      <KindBench piece={piece} />
      <SharedBench />
    </>
  )
  const found = <T extends { id: string }>(list: readonly T[] | undefined): T | undefined =>
    list?.find((item) => item.id === id)
  switch (kind) {
    case 'opening': {
      const opening = piece.kind === 'slab' ? found(piece.openings) : undefined
      return opening && piece.kind === 'slab' ? (
        <OpeningBench piece={piece} opening={opening} onBack={onBack} />
      ) : (
        fallback
      )
    }
    case 'side':
      if (piece.kind === 'slab' && piece.sides[id]) return <SideBench piece={piece} id={id} onBack={onBack} />
      return <PathSideBench id={id} onBack={onBack} fallback={fallback} />
    case 'corner':
      return <CornerBench id={id} onBack={onBack} fallback={fallback} />
    case 'drainers': {
      const item = piece.kind === 'slab' ? found(piece.drainers) : undefined
      return item ? <DrainerBench drainer={item} onBack={onBack} /> : fallback
    }
    case 'panels': {
      const item = piece.kind === 'slab' ? found(piece.panels) : undefined
      return item ? <PanelBench panel={item} onBack={onBack} /> : fallback
    }
    case 'basin':
      return piece.kind === 'slab' && piece.basin ? (
        <BasinBench basin={piece.basin} onBack={onBack} />
      ) : (
        fallback
      )
    case 'lettering': {
      const item = found(piece.lettering)
      return item ? <LetteringBench lettering={item} onBack={onBack} /> : fallback
    }
    case 'inserts': {
      const item = found(piece.inserts)
      return item ? <InsertBench insert={item} onBack={onBack} /> : fallback
    }
    case 'separators': {
      const item = piece.kind === 'swept' ? found(piece.separators) : undefined
      return item ? <SeparatorBench separator={item} onBack={onBack} /> : fallback
    }
    case 'sideHoles': {
      const item = piece.kind === 'box' ? found(piece.sideHoles) : undefined
      return item ? <SideHoleBench hole={item} onBack={onBack} /> : fallback
    }
  }
}
