import { useEffect, useMemo, useState } from 'react'
import { type PullWay, wayAt } from '../../../core/mould/index.ts'
import { type DraftMap, pullTrial } from '../../../core/release/index.ts'

/** Pieces looked at before the page is let go on: a few milliseconds. */
const AT_ONCE = 1500

export type TriedPull = {
  /** Of each piece of the map, degrees to the way; NaN where it is open. */
  readonly degrees: Float32Array
  /** 1 where a piece cannot leave; null until all are looked at. */
  readonly locked: Uint8Array | null
  readonly lockedMm2: number | null
}

/** What two halves drawn apart along a way leave locked: the angles at once, the locks as soon as they are looked at. */
export function usePullTrial(map: DraftMap | null, way: PullWay | null): TriedPull | null {
  const wanted = way !== null
  const trial = useMemo(
    () => (map && wanted ? pullTrial(map.positions, (i) => map.part[i]! >= 0) : null),
    [map, wanted],
  )
  const along = useMemo(() => (way ? wayAt(way) : null), [way])
  const degrees = useMemo(() => (trial && along ? trial.degrees(along) : null), [trial, along])
  const [looked, setLooked] = useState<{ of: Float32Array; locked: Uint8Array; mm2: number } | null>(null)
  useEffect(() => {
    if (!trial || !along || !degrees) return
    const locked = new Uint8Array(trial.count)
    let [at, timer] = [0, 0]
    const go = () => {
      trial.locked(along, at, at + AT_ONCE, locked)
      at += AT_ONCE
      if (at < trial.count) timer = window.setTimeout(go)
      else setLooked({ of: degrees, locked, mm2: trial.areaOf(locked) })
    }
    timer = window.setTimeout(go)
    return () => clearTimeout(timer)
  }, [trial, along, degrees])
  return useMemo(() => {
    if (!degrees) return null
    const found = looked?.of === degrees ? looked : null
    return { degrees, locked: found?.locked ?? null, lockedMm2: found?.mm2 ?? null }
  }, [degrees, looked])
}
