import { useEffect, useState } from 'react'
import type { LayoutAnswer, OwnLaid, OwnList } from '../worker/layoutWork.ts'
import { startLooking } from '../worker/lookLonger.ts'

export type OwnAnswer = {
  readonly laid: OwnLaid
  /** Whether a better one is looked for yet. */
  readonly looking: boolean
  /** Whether it is of the list as it stands. */
  readonly fresh: boolean
}

/** How long typing rests before a list is laid out, ms. */
const REST = 120

/** A list laid out in a worker, better and better; the last answer stands, dimmed, until the next list has its first. */
export function useOwnLaid(list: OwnList | null): { answer: OwnAnswer | null; failed: boolean } {
  const [held, setHeld] = useState<{ list: OwnList; answer: LayoutAnswer } | null>(null)
  const [failed, setFailed] = useState(false)
  useEffect(() => {
    setFailed(false)
    if (!list) return
    let stop = () => {}
    const begin = setTimeout(() => {
      stop = startLooking(
        { kind: 'own', list },
        (answer) => setHeld({ list, answer }),
        () => setFailed(true),
      )
    }, REST)
    return () => {
      clearTimeout(begin)
      stop()
    }
  }, [list])
  if (!list || !held || held.answer.kind !== 'own' || held.list.of !== list.of)
    return { answer: null, failed }
  const fresh = held.list === list
  return { answer: { laid: held.answer.laid, looking: !held.answer.done || !fresh, fresh }, failed }
}
