import { type ComponentType, lazy } from 'react'
import type { StationName } from '../../core/job/index.ts'
import { PieceBench } from './piece/PieceBench.tsx'

/** What each station decides, on the right. The first comes with the page, the others when they are opened. */
export const benches: Readonly<Record<StationName, ComponentType>> = {
  piece: PieceBench,
  mould: lazy(() => import('./mould/MouldBench.tsx').then((m) => ({ default: m.MouldBench }))),
  steel: lazy(() => import('./steel/SteelBench.tsx').then((m) => ({ default: m.SteelBench }))),
  release: lazy(() => import('./release/ReleaseBench.tsx').then((m) => ({ default: m.ReleaseBench }))),
  mix: lazy(() => import('./mix/MixBench.tsx').then((m) => ({ default: m.MixBench }))),
  pour: lazy(() => import('./pour/PourBench.tsx').then((m) => ({ default: m.PourBench }))),
  finish: lazy(() => import('./finish/FinishBench.tsx').then((m) => ({ default: m.FinishBench }))),
  log: lazy(() => import('./log/LogBench.tsx').then((m) => ({ default: m.LogBench }))),
  sheets: lazy(() => import('./sheets/SheetsBench.tsx').then((m) => ({ default: m.SheetsBench }))),
}
