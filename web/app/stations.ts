import { type ComponentType, lazy } from 'react'
import type { StationName } from '../../core/job/index.ts'

type StationScreens = {
  /** What it decides, on the right. */
  readonly bench: ComponentType
  /** What it adds under the three views. */
  readonly band?: ComponentType
  /** What stands in place of plan and solid, above the section. */
  readonly hero?: ComponentType
  /** What stands in place of the three views. */
  readonly stage?: ComponentType
}

/** The screens of each station: each loads when it is opened. */
export const SCREENS: Readonly<Record<StationName, StationScreens>> = {
  piece: {
    bench: lazy(() => import('../stations/piece/PieceBench.tsx').then((m) => ({ default: m.PieceBench }))),
  },
  mould: {
    bench: lazy(() => import('../stations/mould/MouldBench.tsx').then((m) => ({ default: m.MouldBench }))),
    band: lazy(() => import('../stations/mould/BoardSheets.tsx').then((m) => ({ default: m.BoardSheets }))),
  },
  steel: {
    bench: lazy(() => import('../stations/steel/SteelBench.tsx').then((m) => ({ default: m.SteelBench }))),
    hero: lazy(() => import('../stations/steel/SteelHero.tsx').then((m) => ({ default: m.SteelHero }))),
  },
  release: {
    bench: lazy(() =>
      import('../stations/release/ReleaseBench.tsx').then((m) => ({ default: m.ReleaseBench })),
    ),
    hero: lazy(() => import('../stations/release/ReleaseHero.tsx').then((m) => ({ default: m.ReleaseHero }))),
  },
  mix: {
    bench: lazy(() => import('../stations/mix/MixBench.tsx').then((m) => ({ default: m.MixBench }))),
    hero: lazy(() => import('../stations/mix/MixHero.tsx').then((m) => ({ default: m.MixHero }))),
  },
  pour: {
    bench: lazy(() => import('../stations/pour/PourBench.tsx').then((m) => ({ default: m.PourBench }))),
    hero: lazy(() => import('../stations/pour/DayHero.tsx').then((m) => ({ default: m.DayHero }))),
  },
  finish: {
    bench: lazy(() => import('../stations/finish/FinishBench.tsx').then((m) => ({ default: m.FinishBench }))),
    band: lazy(() => import('../stations/finish/FinishBand.tsx').then((m) => ({ default: m.FinishBand }))),
  },
  log: {
    bench: lazy(() => import('../stations/log/LogBench.tsx').then((m) => ({ default: m.LogBench }))),
    band: lazy(() => import('../stations/log/LogBand.tsx').then((m) => ({ default: m.LogBand }))),
  },
  sheets: {
    bench: lazy(() => import('../stations/sheets/SheetsBench.tsx').then((m) => ({ default: m.SheetsBench }))),
    stage: lazy(() => import('../stations/sheets/PaperStage.tsx').then((m) => ({ default: m.PaperStage }))),
  },
}
