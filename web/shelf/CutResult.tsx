import { useState } from 'react'
import type { BoardLayout } from '../../core/mould/index.ts'
import { formatCut, formatMoney } from '../../core/units/index.ts'
import { useSize } from '../stage/useSize.ts'
import { useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { Lengths } from '../stations/mould/Lengths.tsx'
import { SheetOf } from '../stations/mould/SheetDrawing.tsx'
import type { OwnList } from '../worker/layoutWork.ts'
import type { OwnAnswer } from './useOwnLaid.ts'

/** What is known of the fewest, in words. */
const known = (proven: boolean, bound: number, looking: boolean): string =>
  proven
    ? 'no fewer do'
    : `no fewer than ${bound} do${looking ? ': still looking' : '; whether so few do is not proven'}`

/** A list of one's own as it is laid out. */
export function CutResult({
  list,
  answer,
  price,
}: {
  readonly list: OwnList
  readonly answer: OwnAnswer
  /** Of one sheet. */
  readonly price: number | null
}) {
  const { sheets, bars } = answer.laid
  if (bars)
    return (
      <>
        <p role="status">
          <strong>
            {bars.bars.length} {bars.bars.length === 1 ? 'bar' : 'bars'}
          </strong>
          , {known(bars.proven, bars.lowerBound, answer.looking)}
        </p>
        <Lengths layout={{ ...bars, name: 'bars' }} untitled />
      </>
    )
  return sheets && list.of === 'sheets' ? (
    <OnSheets list={list} layout={sheets} looking={answer.looking} price={price} />
  ) : null
}

function OnSheets({
  list,
  layout,
  looking,
  price,
}: {
  readonly list: Extract<OwnList, { of: 'sheets' }>
  readonly layout: BoardLayout
  readonly looking: boolean
  readonly price: number | null
}) {
  const style = useMeasureStyle()
  const currency = useAppSelector((s) => s.job.job!.settings.currency)
  const [lit, setLit] = useState<string | null>(null)
  const { attach, size } = useSize<HTMLDivElement>()
  const whole = layout.sheets.filter((s) => !s.offcut).length
  const cut = layout.sheets.length - whole
  const most = Math.max(1, ...layout.sheets.map((s) => s.lengthMm))
  const scale = size.width > 0 ? Math.min(0.3, (size.width - 8) / most) : 0
  return (
    <>
      <p role="status">
        <strong>
          {whole} {whole === 1 ? 'sheet' : 'sheets'}
        </strong>
        {cut > 0 && ` and ${cut} ${cut === 1 ? 'off-cut' : 'off-cuts'}`} of {layout.boardName},{' '}
        {known(layout.proven, layout.lowerBoundSheets, looking)}
        {whole > 0 && (price === null ? '; no price' : `; ${formatMoney(price * whole, currency)}`)}
      </p>
      {layout.tooLarge.length > 0 && (
        <p role="alert" className="text-oxide">
          Larger than a sheet, and not laid out: {layout.tooLarge.join(', ')}.
        </p>
      )}
      <table className="list mt-2">
        <thead>
          <tr>
            <th>Part</th>
            <th className="n">Count</th>
            <th className="n">Length × width</th>
          </tr>
        </thead>
        <tbody>
          {list.rows.map((row) => (
            <tr
              key={row.label}
              onPointerEnter={() => setLit(row.label)}
              onPointerLeave={() => setLit(null)}
              className={lit === row.label ? 'lit' : ''}
            >
              <td>
                <strong>{row.label}</strong> {row.name}
              </td>
              <td className="n">{row.count}</td>
              <td className="n">
                {formatCut(row.lengthMm, style)} × {formatCut(row.widthMm, style)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div ref={attach} className="mt-4 grid gap-5">
        {scale > 0 &&
          layout.sheets.map((sheet, i) => (
            <figure key={`${i}${sheet.lengthMm}`} className="m-0">
              <svg
                width={sheet.lengthMm * scale + 4}
                height={sheet.widthMm * scale + 4}
                role="img"
                aria-label={`${sheet.offcut ? 'Off-cut' : 'Sheet'} ${i + 1} with its cuts`}
              >
                <SheetOf
                  layout={layout}
                  sheet={sheet}
                  at={[2, 2]}
                  scale={scale}
                  sizes
                  isLit={(label) => label === lit}
                  onPoint={setLit}
                />
              </svg>
              <figcaption className="dim">
                {sheet.offcut ? 'off-cut' : `sheet ${i + 1}`} of {formatCut(sheet.lengthMm, style)} ×{' '}
                {formatCut(sheet.widthMm, style)}, {Math.round(sheet.usedShare * 100)}% used
              </figcaption>
            </figure>
          ))}
      </div>
    </>
  )
}
