import { byHand } from '../../../core/release/index.ts'
import { clock } from '../../../core/sheets/index.ts'
import type { Timed, Told } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { wayWords } from './wayWords.ts'

/** What is done in a step of the film: how far, when, with what, against what force. */
export function FilmStepCard({
  n,
  of,
  line,
  begun,
}: {
  n: number
  of: number
  line: Told<Timed>
  begun: boolean
}) {
  const { plan } = usePlan()
  const words = useWordsStyle()
  const figures = plan?.stations.release?.figures
  const ops = new Set(line.of.map((op) => op.id))
  const moves = (figures?.moves ?? []).filter((m) => ops.has(m.operationId))
  const rigid = new Set(moves.flatMap((m) => (m.rigid ? [m.partId] : [])))
  // Each rigid part is broken free by itself: the one that holds fastest.
  const holdN = Math.max(
    0,
    ...(figures?.drafts ?? []).flatMap((d) =>
      rigid.has(d.partId) ? [d.coversMm2 * (figures?.suctionKPa ?? 0) * 1e-3] : [],
    ),
  )
  const holes = (figures?.airHoles ?? [])
    .filter((h) => rigid.has(h.partId))
    .reduce((sum, h) => sum + h.holes, 0)
  const letsIn =
    holes > 0 &&
    `tape off its ${holes === 1 ? 'air hole' : `${holes} air holes`}; a little air blown through, at most ${words.mpa(0.05, 2)}, eyes covered`
  const [op] = line.of
  const { tool, caution } = byHand(op!.code)
  const far = wayWords(moves, op!.attitude?.turned ?? false, words.mm)
  const rows: [string, string][] = [
    ...(op!.startMinutes !== null ? [['from', clock(op!.startMinutes)] as [string, string]] : []),
    ...(op!.latestMinutes !== null ? [['not after', clock(op!.latestMinutes)] as [string, string]] : []),
    ...(far ? [['clear after', far] as [string, string]] : []),
    ...(holdN >= 1 ? [['held by about', words.newtons(holdN)] as [string, string]] : []),
    ...(letsIn ? [['let air in', letsIn] as [string, string]] : []),
    ...(tool ? [['in hand', tool] as [string, string]] : []),
  ]
  return (
    <div aria-live="polite">
      <p className="label text-[15px] leading-none text-soft">
        {begun ? `step ${n + 1} of ${of}` : `the mould whole; first of ${of} steps`}
      </p>
      <p className="label mt-1 text-[21px] font-bold leading-tight">{line.short}</p>
      <p className="mt-1 text-[14px] leading-snug">{line.text}</p>
      <dl className="label mt-2 grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 text-[15px] leading-tight">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-soft">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {caution && <p className="mt-2 border-l-[3px] border-oxide pl-2 text-[13px] leading-snug">{caution}</p>}
    </div>
  )
}
