import { useEffect, useRef, useState } from 'react'
import { usePlan } from '../../state/PlanContext.tsx'
import { nextRun, slowWorker } from '../../worker/planner.ts'
import type { PagesReply, SheetReply } from '../../worker/protocol.ts'

type Replies = { readonly pages: PagesReply; readonly sheet: SheetReply }
export type Paper<K extends keyof Replies> = {
  /** The last that was drawn. */
  readonly reply: Replies[K] | null
  readonly why: string | null
  readonly working: boolean
}

const FONTS = { regular: '/fonts/sheet-regular.ttf', bold: '/fonts/sheet-bold.ttf' }

/** The sheets of the piece shown: as `pages` to look at, or as the PDF of the same. Drawn from the plan on the page, once it is whole. */
export function usePaper<K extends keyof Replies>(kind: K): Paper<K> {
  const { job, piece, plan, whole } = usePlan()
  const latest = useRef(0)
  const [paper, setPaper] = useState<Paper<K>>({ reply: null, why: null, working: true })
  useEffect(
    () =>
      slowWorker.listen((reply) => {
        if (reply.runId !== latest.current) return
        if (reply.kind === kind)
          setPaper({ reply: reply as Replies[K], why: (reply as Replies[K]).why, working: false })
        if (reply.kind === 'failed') setPaper({ reply: null, why: reply.message, working: false })
      }),
    [kind],
  )
  useEffect(() => {
    setPaper((old) => ({ ...old, working: true }))
    if (!plan || !whole) return
    const runId = nextRun()
    latest.current = runId
    slowWorker.post(
      kind === 'pages'
        ? { kind: 'pages', runId, job, pieceId: piece.id, plan }
        : { kind: 'sheet', runId, job, pieceId: piece.id, plan, fonts: FONTS },
    )
  }, [kind, job, piece.id, plan, whole])
  return paper
}
