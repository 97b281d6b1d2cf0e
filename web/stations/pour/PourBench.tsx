import { useMemo, useState } from 'react'
import { COMPACTIONS, type Compaction, TOOL_NAMES } from '../../../core/pour/index.ts'
import { clock } from '../../../core/sheets/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { isOfTheDay, sameStart, type Timed } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppSelector, useChange } from '../../state/store.ts'
import { useWork } from '../../state/useWork.ts'
import { Caution, Choice, More, Pick } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityField, QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { type Column, Table } from '../../ui/Table.tsx'
import { CheckList, useChecks } from '../CheckList.tsx'
import { Calendar } from './Calendar.tsx'
import { dayTime } from './dayTime.ts'
import { RehearsalOdds } from './RehearsalOdds.tsx'
import { Running } from './Running.tsx'
import { RunPlan } from './RunPlan.tsx'
import { WorkingHours } from './WorkingHours.tsx'

/** What is only looked at stands in a list of its own, to be ticked. */
const isDone = (op: Timed): boolean => isOfTheDay(op) && op.tick === null

export function PourBench() {
  const { piece, plan, looks } = usePlan()
  const people = useAppSelector((s) => s.job.job?.settings.people ?? 2)
  const change = useChange()
  const words = useWordsStyle()
  const figures = plan?.stations.pour?.figures
  const day = useWork(isDone, sameStart)
  const checks = useChecks()
  const { temperature } = piece.pour
  const choose = (label: string, patch: Partial<typeof piece.pour>) =>
    change(label, { type: 'pourPlanned', pieceId: piece.id, patch })
  const { start, zone } = piece.pour
  const dayColumns = useMemo(
    (): Column<(typeof day)[number]>[] => [
      {
        id: 'when',
        head: 'When',
        cell: ({ of: [op] }) => (
          <>
            <strong>{clock(op!.startMinutes)}</strong>
            {op!.startMinutes !== null && (
              <span className="block text-[13px] leading-tight text-soft">
                {dayTime(start, zone, op!.startMinutes)}
              </span>
            )}
          </>
        ),
      },
      {
        id: 'what',
        head: 'What',
        cell: ({ text, of: [op] }) => (
          <>
            {text}
            {op!.latestMinutes !== null && op!.latestMinutes > (op!.startMinutes ?? 0) && (
              <span className="block text-[13px] text-soft">not after {clock(op!.latestMinutes)}</span>
            )}
          </>
        ),
      },
    ],
    [start, zone],
  )
  const degC = temperature.kind === 'constant' ? temperature.degC : temperature.points[0]!.degC
  return (
    <>
      <h1>Pour</h1>
      <p>
        {figures
          ? `It works for ${Math.round(figures.workingMinutes)} min and sets in ${showNumber(figures.finalSetMinutes / 60, 1)} h.`
          : ''}
      </p>
      <Running />
      <div className="row">
        <label htmlFor="pour-start">First water</label>
        <input
          id="pour-start"
          type="datetime-local"
          className="plain-select"
          value={piece.pour.start}
          onChange={(e) =>
            /T\d\d:\d\d$/.test(e.target.value) &&
            choose(`start ${e.target.value.replace('T', ' ')}`, { start: e.target.value })
          }
        />
      </div>
      <Choice
        label="Temperature"
        value={temperature.kind}
        options={[
          { value: 'constant', name: 'one figure' },
          { value: 'list', name: 'hour by hour' },
        ]}
        onChoose={(kind) =>
          kind !== temperature.kind &&
          choose(kind === 'constant' ? 'one temperature' : 'temperatures by the hour', {
            temperature:
              kind === 'constant'
                ? { kind, degC }
                : {
                    kind,
                    points: [
                      { hour: 0, degC },
                      { hour: 12, degC },
                    ],
                  },
          })
        }
      />
      {temperature.kind === 'constant' ? (
        <QuantityField
          label="Air"
          of="temperature"
          value={temperature.degC}
          min={-30}
          max={60}
          onCommit={(n) =>
            n !== null && choose(words.degC(n), { temperature: { kind: 'constant', degC: n } })
          }
        />
      ) : (
        <TemperatureList
          key={JSON.stringify(temperature.points)}
          points={temperature.points}
          onCommit={(points) => choose('temperatures', { temperature: { kind: 'list', points } })}
        />
      )}
      <NumberField
        label="People"
        value={people}
        min={1}
        max={20}
        whole
        onCommit={(n) => n && change(`${n} people`, { type: 'settingsChanged', patch: { people: n } })}
      />
      <Pick
        label="Air driven out with"
        value={piece.pour.compaction ?? 'usual'}
        options={[
          {
            id: 'usual',
            name:
              figures && piece.pour.compaction === null
                ? `as usual: ${TOOL_NAMES[figures.compaction]}`
                : 'as usual',
          },
          ...COMPACTIONS.map((id) => ({ id, name: TOOL_NAMES[id] })),
        ]}
        onChoose={(id) =>
          choose(id === 'usual' ? 'the usual tool' : TOOL_NAMES[id as Compaction], {
            compaction: id === 'usual' ? null : (id as Compaction),
          })
        }
      />
      {figures && (
        <div className={looks.pour}>
          <h2>Before the first water</h2>
          <CheckList checks={checks} label="Checks before the pour" />
          <h2>The day</h2>
          <Table label="The day" columns={dayColumns} rows={day} keyOf={({ of: [op] }) => op!.id} />
          <Calendar />
          <QuantityRow
            label={
              figures.liftTurns ? 'To lift as it is turned over an edge' : 'To lift, when it is stripped'
            }
            of="mass"
            value={figures.liftKg}
            digits={0}
          />
        </div>
      )}
      <RehearsalOdds />
      <WorkingHours />
      <RunPlan />
      <More title="How far it is carried">
        <NumberField
          label="From the mixer"
          unit="m"
          value={piece.pour.carryM}
          min={0}
          max={1000}
          onCommit={(n) => n !== null && choose(`carried ${n} m`, { carryM: n })}
        />
        <NumberField
          label="Steps on the way"
          value={piece.pour.stairSteps}
          min={0}
          max={500}
          whole
          onCommit={(n) => n !== null && choose(`${n} steps`, { stairSteps: n })}
        />
      </More>
      <More title="Mix, mould and sun">
        <QuantityField
          label="The mix, as it is placed"
          of="temperature"
          optional
          min={-30}
          max={60}
          placeholder="as the air"
          value={piece.pour.concreteDegC}
          onCommit={(n) =>
            choose(n === null ? 'mix as the air' : `mix ${words.degC(n)}`, { concreteDegC: n })
          }
        />
        <QuantityField
          label="The mould before it"
          of="temperature"
          optional
          min={-30}
          max={80}
          placeholder="as the air"
          value={piece.pour.mouldDegC}
          onCommit={(n) =>
            choose(n === null ? 'mould as the air' : `mould ${words.degC(n)}`, { mouldDegC: n })
          }
        />
        <Switch
          label="The open face lies in the sun"
          on={piece.pour.sun}
          onSwitch={(sun) => choose(sun ? 'in the sun' : 'in the shade', { sun })}
        />
      </More>
      <More title="Air for drying">
        <NumberField
          label="Humidity"
          unit="%"
          value={Math.round(piece.pour.humidity * 100)}
          min={0}
          max={100}
          onCommit={(n) => n !== null && choose(`humidity ${n}%`, { humidity: n / 100 })}
        />
        <QuantityField
          label="Wind over it"
          of="speed"
          value={piece.pour.windKmPerH}
          min={0}
          max={120}
          onCommit={(n) => n !== null && choose(`wind ${words.of('speed', n, 0)}`, { windKmPerH: n })}
        />
        {figures && <QuantityRow label="Surface loses" of="loss" value={figures.dryingKgPerM2H} digits={2} />}
      </More>
      <Caution>
        Gloves, glasses and boots for wet concrete; a respirator while bags are open. Never flip or carry it
        below {words.mpa(10)}. Keep hands out from under it.
      </Caution>
    </>
  )
}

type Point = { hour: number; degC: number }

/** Hours and temperatures as lines, `0 9` then `6 14`; a line that cannot be read says which. */
function TemperatureList({
  points,
  onCommit,
}: {
  points: readonly Point[]
  onCommit: (points: Point[]) => void
}) {
  const [text, setText] = useState(points.map((p) => `${p.hour} ${p.degC}`).join('\n'))
  const read = readPoints(text)
  return (
    <div className="pt-1">
      <label className="label text-[15px]" htmlFor="temperature-list">
        Hours from first water, and °C, a line each
      </label>
      <textarea
        id="temperature-list"
        className="w-full border border-hair bg-sheet p-1"
        rows={5}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={() =>
          typeof read !== 'string' && JSON.stringify(read) !== JSON.stringify(points) && onCommit(read)
        }
      />
      {typeof read === 'string' && (
        <p role="alert" className="text-oxide!">
          {read}
        </p>
      )}
    </div>
  )
}

function readPoints(text: string): Point[] | string {
  const points: Point[] = []
  for (const [i, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue
    const match = /^\s*(\d+(?:\.\d+)?)[\s:,;h]+(-?\d+(?:\.\d+)?)\s*$/.exec(line)
    if (!match) return `Line ${i + 1}: write the hour and the temperature, such as 6 14.`
    const [hour, degC] = [Number(match[1]), Number(match[2])]
    if (hour > 2000 || degC < -30 || degC > 60)
      return `Line ${i + 1}: hours to 2000, temperatures from -30 to 60.`
    if (points.length > 0 && hour <= points.at(-1)!.hour) return `Line ${i + 1}: hours must rise.`
    points.push({ hour, degC })
  }
  return points.length === 0 ? 'At least one line is needed.' : points.slice(0, 500)
}
