import { useMemo } from 'react'
import { type ListedPart, readPartList } from '../../core/readers/readPartList.ts'
import { sheetStock } from '../../core/stock/index.ts'
import { useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { Choice, Pick } from '../ui/Choice.tsx'
import { MeasureField } from '../ui/MeasureField.tsx'
import { PageTop } from '../ui/PageTop.tsx'
import { Switch } from '../ui/Switch.tsx'
import type { OwnList } from '../worker/layoutWork.ts'
import { CutResult } from './CutResult.tsx'
import { type OwnListForm, useOwnList } from './ownList.ts'
import { useOwnLaid } from './useOwnLaid.ts'

const HOW = {
  sheets: { mm: '4 x 600 x 200 side\n2 x 560 x 200 shelf', inch: '4 x 24 x 8 side\n2 x 22 1/2 x 8 shelf' },
  bars: { mm: '4 x 1200 rail\n8 x 340 foot', inch: '4 x 48 rail\n8 x 13 3/8 foot' },
} as const

/** A, B ... Z, AA: a letter for each line of a list. */
const letter = (n: number): string =>
  (n < 26 ? '' : letter(Math.floor(n / 26) - 1)) + String.fromCharCode(65 + (n % 26))

/** Any list of one's own laid out on boards or bars, with no piece behind it. */
export function CuttingPage() {
  const [form, change] = useOwnList()
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="mx-auto max-w-[1180px] px-6 py-8">
        <PageTop />
        <h1 className="mt-1">A list of your own</h1>
        <p className="text-soft">
          Parts typed or pasted, laid out on the boards or bars of this job by cuts right across. It is kept
          on this device and belongs to no piece.
        </p>
        {form && <List form={form} change={change} />}
      </div>
    </main>
  )
}

function List({ form, change }: { form: OwnListForm; change: (patch: Partial<OwnListForm>) => void }) {
  const stock = useAppSelector((s) => s.job.job!.stock)
  const style = useMeasureStyle()
  const boards = useMemo(() => sheetStock(stock), [stock])
  const board = boards.find((b) => b.id === form.board) ?? boards[0]
  const { of, kerf, trim, turnParts, stockLength } = form
  const text = of === 'sheets' ? form.sheetsText : form.barsText
  const { parts, problems } = useMemo(
    () => readPartList(text, of, style.units === 'mm' ? 'mm' : 'in'),
    [text, of, style.units],
  )
  const list = useMemo((): OwnList | null => {
    if (parts.length === 0) return null
    if (of === 'bars') {
      const each = (p: ListedPart, i: number) =>
        Array.from({ length: p.count }, () => ({ name: p.name || letter(i), lengthMm: p.lengthMm }))
      return { of, parts: parts.flatMap(each), stockLengthMm: stockLength, kerf }
    }
    const rows = parts.map((p, i) => ({ ...p, label: letter(i) }))
    return board ? { of, rows, board, saw: { kerf, trim, turnParts } } : null
  }, [parts, of, stockLength, kerf, board, trim, turnParts])
  const { answer, failed } = useOwnLaid(list)
  return (
    <div className="mt-4 grid gap-8 md:grid-cols-[330px_minmax(0,1fr)]">
      <div>
        <Choice
          label="Cut from"
          value={of}
          options={[
            { value: 'sheets', name: 'Sheets' },
            { value: 'bars', name: 'Bars' },
          ]}
          onChoose={(next) => change({ of: next })}
        />
        <label className="label mt-3 block" htmlFor="own-list">
          Parts, one a line
        </label>
        <textarea
          id="own-list"
          className="h-56 w-full resize-y border border-[var(--ink)] bg-[var(--paper)] p-2 text-[15px]"
          spellCheck={false}
          placeholder={HOW[of][style.units]}
          value={text}
          aria-describedby="own-list-problems"
          onChange={(e) =>
            change(of === 'sheets' ? { sheetsText: e.target.value } : { barsText: e.target.value })
          }
        />
        {/* Its room is always there: the fields below do not move while it is typed. */}
        <div id="own-list-problems" role="status" className="h-16 overflow-auto text-[14px] text-oxide">
          {problems.map((p) => (
            <p key={p.line}>
              Line {p.line}: {p.text}
            </p>
          ))}
        </div>
        {of === 'sheets' ? (
          <>
            <Pick
              label="Board"
              value={board?.id ?? ''}
              options={boards}
              onChoose={(id) => change({ board: id })}
            />
            <MeasureField
              label="Kerf"
              value={kerf}
              min={0}
              max={20}
              onCommit={(mm) => change({ kerf: mm })}
            />
            <MeasureField
              label="Trim"
              note="off each edge"
              value={trim}
              min={0}
              max={200}
              onCommit={(mm) => change({ trim: mm })}
            />
            <Switch
              label="Parts may lie across the sheet"
              on={turnParts}
              onSwitch={(on) => change({ turnParts: on })}
            />
          </>
        ) : (
          <>
            <MeasureField
              label="Length of a bar"
              value={stockLength}
              min={1}
              max={100_000}
              onCommit={(mm) => change({ stockLength: mm })}
            />
            <MeasureField
              label="Kerf"
              value={kerf}
              min={0}
              max={20}
              onCommit={(mm) => change({ kerf: mm })}
            />
          </>
        )}
      </div>
      <section aria-label="Laid out" className={answer && !answer.fresh ? 'stale' : ''}>
        {failed && <p role="alert">The list could not be laid out: a fault of ours.</p>}
        {!list && <p className="text-soft">Type a part: its layout appears here.</p>}
        {list && answer && <CutResult list={list} answer={answer} price={board?.price ?? null} />}
      </section>
    </div>
  )
}
