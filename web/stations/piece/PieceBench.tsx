import { lazy, type ReactElement } from 'react'
import type { Piece } from '../../../core/job/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { type Selection, selected } from '../../state/viewSlice.ts'
import { SharedBench } from './SharedBench.tsx'

// Each kind's bench, and each part's, comes when it is opened.
const CornerBench = lazy(() => import('./CornerBench.tsx').then((m) => ({ default: m.CornerBench })))
const OpeningBench = lazy(() => import('./OpeningBench.tsx').then((m) => ({ default: m.OpeningBench })))
const PathSideBench = lazy(() => import('./PathSideBench.tsx').then((m) => ({ default: m.PathSideBench })))
const SideBench = lazy(() => import('./SideBench.tsx').then((m) => ({ default: m.SideBench })))
const BasinBench = lazy(() => import('./features/BasinBench.tsx').then((m) => ({ default: m.BasinBench })))
const DrainerBench = lazy(() =>
  import('./features/DrainerBench.tsx').then((m) => ({ default: m.DrainerBench })),
)
const InsertBench = lazy(() => import('./features/InsertBench.tsx').then((m) => ({ default: m.InsertBench })))
const LetteringBench = lazy(() =>
  import('./features/LetteringBench.tsx').then((m) => ({ default: m.LetteringBench })),
)
const PanelBench = lazy(() => import('./features/PanelBench.tsx').then((m) => ({ default: m.PanelBench })))
const BoxBench = lazy(() => import('./kinds/BoxBench.tsx').then((m) => ({ default: m.BoxBench })))
const SideHoleBench = lazy(() => import('./kinds/BoxBench.tsx').then((m) => ({ default: m.SideHoleBench })))
const FittedBench = lazy(() => import('./kinds/FittedBench.tsx').then((m) => ({ default: m.FittedBench })))
const ImportedBench = lazy(() =>
  import('./kinds/ImportedBench.tsx').then((m) => ({ default: m.ImportedBench })),
)
const SeparatorBench = lazy(() =>
  import('./kinds/SweptBench.tsx').then((m) => ({ default: m.SeparatorBench })),
)
const SlabBench = lazy(() => import('./kinds/SlabBench.tsx').then((m) => ({ default: m.SlabBench })))
const SweptBench = lazy(() => import('./kinds/SweptBench.tsx').then((m) => ({ default: m.SweptBench })))
const TurnedBench = lazy(() => import('./kinds/TurnedBench.tsx').then((m) => ({ default: m.TurnedBench })))

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

function KindBench({ piece }: { piece: Piece }): ReactElement {
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
function PartBench({ piece, selection: { kind, id }, onBack }: PartProps): ReactElement {
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
