import { useEffect, useState } from 'react'
import { equivalentAge, strengthAt, temperatureAt } from '../../../core/ageing/index.ts'
import { minuteOfDay } from '../../../core/work/index.ts'
import { useSize } from '../../stage/useSize.ts'
import { filledAt } from '../../state/filledAt.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { momentShown } from '../../state/viewSlice.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { Turns } from '../../ui/Turns.tsx'
import { DayAxis } from './DayAxis.tsx'
import { nightsOf, rowsOf, SPANS, type SpanName, stretchOf, windowsOf } from './dayRows.ts'
import { dayTime } from './dayTime.ts'
import { ROWS_HIGH, Rows } from './Rows.tsx'
import { StrengthStrip } from './StrengthStrip.tsx'
import { TemperatureStrip } from './TemperatureStrip.tsx'
import { Windows } from './Windows.tsx'

const SPAN_NAMES: Record<SpanName, string> = { pour: 'the pour', day: 'first day', all: 'to the end' }
/** Names stand left of the axis, px. */
const LEFT = 76
const RIGHT = 18
/** Under the axis, px. */
const TOP = 38

/** The day: who is busy when, what the concrete lets be done, how warm it is, on one axis of true time. */
export function DayHero() {
  const { plan, looks, piece } = usePlan()
  const words = useWordsStyle()
  const dispatch = useAppDispatch()
  const moment = useAppSelector((s) => s.view.moment)
  const [span, setSpan] = useState<SpanName>('pour')
  const { attach, size } = useSize<HTMLDivElement>()
  useEffect(() => () => void dispatch(momentShown(null)), [dispatch])
  const pour = plan?.stations.pour
  if (!pour || !plan)
    return (
      <p className="label p-4 text-soft" role="status">
        {plan ? 'No pour day while a finding stops the pour.' : 'The day is being worked out.'}
      </p>
    )
  const { figures, ageing, hours, rehearsal } = pour
  const { work } = plan
  const stretch = stretchOf(span, work)
  const width = Math.max(200, size.width)
  const x = (minutes: number) =>
    LEFT + ((minutes - stretch.from) / (stretch.to - stretch.from)) * (width - LEFT - RIGHT)
  const shown = moment === null ? null : Math.min(stretch.to, Math.max(stretch.from, moment))
  const waterMinute = minuteOfDay(piece.pour.start)
  const busy = rowsOf(work)
  const clock = (m: number) => dayTime(piece.pour.start, piece.pour.zone, m)
  const scale = { x, stretch, width, left: LEFT, right: RIGHT }
  const windows = windowsOf(figures, work)
  const strips = size.height > 330
  return (
    <div className={`grid min-h-0 grid-rows-[auto_minmax(0,1fr)] pt-2 ${looks.pour}`}>
      <div className="flex items-baseline gap-4 px-4">
        <p className="view-name min-w-0 flex-1 truncate" aria-live="off">
          {shown === null
            ? `First water ${clock(0)}, ${words.degC(figures.temperatureDegC)}; placed by ${clock(figures.placedByMinutes)}`
            : momentSaid()}
        </p>
        <Turns
          label="How much of the day"
          value={span}
          ways={SPANS.map((value) => ({ value, name: SPAN_NAMES[value] }))}
          onTurn={setSpan}
          className="flex flex-none items-center gap-3"
          item={(on) => `word label ${on ? 'font-bold' : 'text-soft'}`}
        />
      </div>
      <div ref={attach} className="relative min-h-0 overflow-hidden">
        {size.width > 0 && (
          <svg
            width={width}
            height={size.height}
            role="group"
            aria-label="The day"
            onPointerMove={(e) => {
              if (e.buttons > 0) return
              const at = e.clientX - e.currentTarget.getBoundingClientRect().left
              if (at < LEFT || at > width - RIGHT) dispatch(momentShown(null))
              else
                dispatch(
                  momentShown(
                    stretch.from + ((at - LEFT) / (width - LEFT - RIGHT)) * (stretch.to - stretch.from),
                  ),
                )
            }}
            onPointerLeave={() => dispatch(momentShown(null))}
          >
            {nightsOf(stretch, hours).map((n) => (
              <rect
                key={n.from}
                x={x(n.from)}
                width={x(n.to) - x(n.from)}
                y={26}
                height={size.height - 26}
                fill="var(--sunk)"
                opacity="0.7"
              >
                <title>the shop is shut</title>
              </rect>
            ))}
            <DayAxis scale={scale} waterMinute={waterMinute} height={size.height} />
            <Rows scale={scale} rows={busy} rehearsal={rehearsal} top={TOP} />
            <Windows scale={scale} windows={windows} top={TOP + ROWS_HIGH} />
            {strips && (
              <>
                {span !== 'pour' && (
                  <StrengthStrip scale={scale} pour={pour} bottom={size.height - 60} high={40} />
                )}
                <TemperatureStrip scale={scale} bottom={size.height - 12} high={36} />
              </>
            )}
            {shown !== null && (
              <line
                x1={x(shown)}
                x2={x(shown)}
                y1="20"
                y2={size.height}
                stroke="var(--ink)"
                strokeWidth="1.2"
                pointerEvents="none"
              />
            )}
          </svg>
        )}
        <input
          type="range"
          aria-label="Moment of the day"
          aria-valuetext={shown === null ? 'none' : momentSaid()}
          className="moment absolute top-1"
          style={{ left: LEFT, width: width - LEFT - RIGHT }}
          min={Math.round(stretch.from)}
          max={Math.round(stretch.to)}
          step={span === 'pour' ? 1 : 15}
          value={Math.round(shown ?? stretch.from)}
          onChange={(e) => dispatch(momentShown(Number(e.target.value)))}
          onBlur={() => dispatch(momentShown(null))}
        />
      </div>
    </div>
  )

  /** What goes on at the moment that is looked at. */
  function momentSaid(): string {
    const at = shown!
    const doing = busy.flatMap((row) =>
      row.who === 'left' ? [] : row.busy.filter((b) => b.from <= at && at < b.to).map((b) => b.name),
    )
    const full = filledAt(work, at)
    const mpa = strengthAt(
      ageing.curve,
      Math.max(0, equivalentAge(ageing.course, Math.max(0, at - ageing.lastWater))),
    )
    return [
      clock(at),
      doing.length > 0 ? doing.join(' and ') : 'hands free',
      full < 1 ? `${Math.round(full * 100)} % full` : mpa > 0 ? words.mpa(mpa) : 'not yet set',
      words.degC(Math.round(temperatureAt(ageing.course, Math.max(0, at)))),
    ].join(' · ')
  }
}
