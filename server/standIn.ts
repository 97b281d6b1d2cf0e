import { seeded } from '../core/geometry/index.ts'
import type { InstrumentLine } from '../core/pour/index.ts'

/** What stands in for a scale and two thermometers: the same lines for the same seed. */
export type Scene = {
  readonly seed: number
  /** What is being weighed out, kg; 0 where nothing is. */
  readonly towardsKg: number
}

/** So fast it is filled, kg a second, and slower over the last tenth; the least time, s. */
const FILLS = { kgPerS: 0.8, leastS: 4 } as const
/** Noise and drift of the scale, kg; how often it jumps, and how often an instrument is not heard. */
const SCALE = { noise: 0.004, driftAnHour: 0.02, jumps: 0.02, jump: 0.6, lost: 0.05 } as const
const AIR = { degC: 14, swing: 3, noise: 0.15 } as const
/** The mix comes warmer than the air, and warms by its own setting over some hours. */
const CONCRETE = { above: 3, rise: 9, hours: 9, noise: 0.1 } as const

/** Lines at so many seconds from the beginning, each instrument once a second at most, some of them lost. */
export function linesAt({ seed, towardsKg }: Scene, seconds: number): InstrumentLine[] {
  const random = seeded(seed * 7919 + seconds)
  const noise = () => (random() + random() + random() - 1.5) / 1.5
  const heard = () => random() > SCALE.lost
  const lines: InstrumentLine[] = []
  const takes = Math.max(FILLS.leastS, towardsKg / FILLS.kgPerS)
  const share = Math.min(1, seconds / takes)
  const kg =
    towardsKg * (1 - (1 - share) ** 1.6) +
    noise() * SCALE.noise +
    (SCALE.driftAnHour * seconds) / 3600 +
    (random() < SCALE.jumps ? SCALE.jump : 0)
  if (heard()) lines.push({ of: 'scale', kg: Math.round(kg * 1000) / 1000 || 0 })
  const hours = seconds / 3600
  const air = AIR.degC + AIR.swing * Math.sin((hours / 12) * Math.PI) + noise() * AIR.noise
  const own =
    AIR.degC +
    CONCRETE.above * Math.exp(-hours / 3) +
    CONCRETE.rise * (hours / CONCRETE.hours) * Math.exp(1 - hours / CONCRETE.hours) +
    noise() * CONCRETE.noise
  const tenth = (n: number) => Math.round(n * 10) / 10
  if (seconds % 2 === 0 && heard()) lines.push({ of: 'concrete', degC: tenth(own) })
  if (seconds % 2 === 1 && heard()) lines.push({ of: 'air', degC: tenth(air) })
  return lines
}
