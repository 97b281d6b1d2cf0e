import { useEffect, useState } from 'react'
import { onScale, readInstrument, type Shown } from '../../core/pour/index.ts'
import { database } from '../state/useAutosave.ts'

/** What scale and thermometers show now; null where nothing was heard lately. */
export type Instruments = {
  readonly scale: { readonly kg: number; readonly rests: boolean } | null
  readonly concreteDegC: number | null
  readonly airDegC: number | null
  /** Why nothing is heard, where that is so. */
  readonly fault: string | null
}

const NOTHING: Instruments = { scale: null, concreteDegC: null, airDegC: null, fault: null }
const ROW = 'instruments'
/** A thermometer not heard for so long is not shown, s. */
const LOST = 30

/** Whether this device listens to instruments, as last chosen on it. */
export function useListens(): readonly [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(false)
  useEffect(() => {
    let gone = false
    database.settings
      .get(ROW)
      .then((row) => {
        if (!gone) setOn(row?.value === true)
      })
      .catch(() => undefined)
    return () => {
      gone = true
    }
  }, [])
  const choose = (next: boolean) => {
    setOn(next)
    void database.settings.put({ id: ROW, value: next }).catch(() => undefined)
  }
  return [on, choose]
}

/** Listens to the instruments; `towardsKg` is what is weighed out, for the stand-in to come to. */
export function useInstruments(on: boolean, towardsKg: number): Instruments {
  const [shown, setShown] = useState<Instruments>(NOTHING)
  useEffect(() => {
    setShown(NOTHING)
    if (!on || typeof EventSource === 'undefined') return
    const seconds = () => performance.now() / 1000
    let scale: Shown = []
    let [concrete, air]: ({ at: number; degC: number } | null)[] = [null, null]
    let fault: string | null = null
    const stream = new EventSource(`/api/instruments?towards=${Math.round(towardsKg * 1000) / 1000}`)
    const tell = () => {
      const now = seconds()
      const lately = (r: { at: number; degC: number } | null | undefined) =>
        r && now - r.at <= LOST ? r.degC : null
      scale = scale.filter((s) => now - s.at < 60)
      setShown({
        scale: onScale(scale, now),
        concreteDegC: lately(concrete),
        airDegC: lately(air),
        fault,
      })
    }
    stream.onmessage = ({ data }) => {
      const read = readInstrument(String(data))
      if ('why' in read) {
        fault = `The instruments are not understood: ${read.why}.`
        return
      }
      fault = null
      const { line } = read
      if (line.of === 'scale') scale = [...scale, { at: seconds(), kg: line.kg }]
      else if (line.of === 'concrete') concrete = { at: seconds(), degC: line.degC }
      else air = { at: seconds(), degC: line.degC }
    }
    stream.onerror = () => {
      fault = 'The instruments are not heard. Type what you read.'
    }
    const each = setInterval(tell, 500)
    return () => {
      clearInterval(each)
      stream.close()
    }
  }, [on, towardsKg])
  return shown
}
