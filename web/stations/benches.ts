import type { ComponentType } from 'react'
import type { StationName } from '../../core/job/index.ts'
import { FinishBench } from './finish/FinishBench.tsx'
import { LogBench } from './log/LogBench.tsx'
import { MixBench } from './mix/MixBench.tsx'
import { MouldBench } from './mould/MouldBench.tsx'
import { PieceBench } from './piece/PieceBench.tsx'
import { PourBench } from './pour/PourBench.tsx'
import { ReleaseBench } from './release/ReleaseBench.tsx'
import { SheetsBench } from './sheets/SheetsBench.tsx'
import { SteelBench } from './steel/SteelBench.tsx'

/** What each station decides, on the right. */
export const benches: Readonly<Record<StationName, ComponentType>> = {
  piece: PieceBench,
  mould: MouldBench,
  steel: SteelBench,
  release: ReleaseBench,
  mix: MixBench,
  pour: PourBench,
  finish: FinishBench,
  log: LogBench,
  sheets: SheetsBench,
}
