import type { Mark } from '../../../core/sheets/types.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { usePaper } from './usePaper.ts'

/** The sheets as they will be printed, drawn from the same marks as the PDF. */
export function PaperStage() {
  const { piece } = usePlan()
  const { reply, why, working } = usePaper('pages')
  return (
    <section
      aria-label="Sheets"
      className={`min-h-0 overflow-auto bg-sunk p-5 ${working ? 'stale' : ''}`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolled region must be reached by keyboard
      tabIndex={0}
    >
      <h2 className="sr-only">Shop sheet of {piece.name}</h2>
      {why && <p className="label text-[17px]">{why}</p>}
      {reply?.pages?.map((page, i) => (
        <svg
          key={`page-${i + 1}`}
          viewBox={`0 ${-page.height} ${page.width} ${page.height}`}
          className="mx-auto mb-5 block w-full max-w-[1100px]"
          style={{ background: '#fff' }}
          role="img"
          aria-label={
            page.of === 'drawing'
              ? `Shop sheet: plan, section and cut list of ${piece.name}`
              : `Shop sheet, page ${i + 1}: ${page.of === 'mesh' ? 'mesh to cut' : 'mix, times and order'} for ${piece.name}`
          }
        >
          {page.marks.map((mark, k) => (
            <MarkShape key={k} mark={mark} />
          ))}
        </svg>
      ))}
    </section>
  )
}

function MarkShape({ mark }: { mark: Mark }) {
  if (mark.kind === 'text')
    return (
      <text
        x={mark.at[0]}
        y={-mark.at[1]}
        fontSize={mark.size}
        fontWeight={mark.bold ? 700 : 400}
        textAnchor={mark.align === 'left' ? 'start' : mark.align === 'middle' ? 'middle' : 'end'}
        className="label"
        fill="#000"
      >
        {mark.text}
      </text>
    )
  const points = mark.points.map(([x, y]) => `${x.toFixed(3)},${(-y).toFixed(3)}`).join(' ')
  const grey =
    mark.fill === undefined
      ? 'none'
      : `rgb(${Math.round(mark.fill * 255)} ${Math.round(mark.fill * 255)} ${Math.round(mark.fill * 255)})`
  const look = {
    fill: grey,
    stroke: mark.weight > 0 ? '#000' : 'none',
    strokeWidth: mark.weight,
    strokeDasharray: mark.dash?.join(' '),
  }
  return mark.closed ? <polygon points={points} {...look} /> : <polyline points={points} {...look} />
}
