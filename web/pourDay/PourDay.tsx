import { useEffect, useRef, useState } from 'react'
import type { Finding, RunningPour } from '../../core/job/index.ts'
import {
  ASK_AGAIN,
  checksOf,
  type Next,
  nextOf,
  takenBack,
  tickedWith,
  withBegun,
  withEnded,
  withReadings,
  withWeighed,
} from '../../core/pour/index.ts'
import type { WordsStyle } from '../../core/units/index.ts'
import { explain } from '../../core/words.ts'
import { sayAct, shortAct, type Timed } from '../../core/work/index.ts'
import { jobChanged } from '../state/jobSlice.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../state/store.ts'
import { localStart, wallMoment } from '../stations/pour/dayTime.ts'
import { loggedPour, usedUp } from '../stations/pour/loggedPour.ts'
import { useWordsStyle } from '../ui/Quantity.tsx'
import { Asked, Buttons } from './Asked.tsx'
import { cardOf } from './cardOf.ts'
import { Readings } from './Readings.tsx'
import { useInstruments, useListens } from './useInstruments.ts'
import { useNow } from './useNow.ts'

/** A reading is kept so often, minutes, and sooner where it has changed by so much, degC. */
const KEPT = { minutes: 5, degC: 1, least: 1 } as const

/** One thing to do, and whether it is done. */
export function PourDay() {
  const { piece, plan, whole, findings } = usePlan()
  const change = useChange()
  const dispatch = useAppDispatch()
  const words = useWordsStyle()
  const now = useNow()
  // While it is worked out anew what was planned last is gone by.
  const [settled, setSettled] = useState(plan!)
  useEffect(() => {
    if (whole && plan?.stations.pour && plan.stations.mix) setSettled(plan)
  }, [whole, plan])
  const known = settled.id === piece.id && settled.stations.pour ? settled : plan!
  const pour = known.stations.pour!
  const { batches, mixName, portion } = known.stations.mix!.figures
  const { running, zone } = piece.pour
  const opened = useRef(now)
  const minutesAt = (ms: number, water = running?.water) =>
    (ms - (water ? localStart(water, zone).getTime() : opened.current)) / 60_000
  const minutes = minutesAt(now)
  const [later, setLater] = useState<Record<string, number>>({})
  // Before the next cast is looked over, this one is told to be kept.
  const [logged, setLogged] = useState(false)
  const planned = nextOf({
    work: pour.work,
    checks: checksOf(known.work, piece),
    batches,
    mixName,
    weighed: portion === 'weighed',
    running,
    ageing: pour.ageing,
    now: minutes,
    later,
  })
  const next: Next = logged && !running ? { kind: 'over' } : planned
  const [on, listen] = useListens()
  const towardsKg = (next.kind === 'weigh' || next.kind === 'wet') && next.part.bags === 0 ? next.part.kg : 0
  const heard = useInstruments(on, towardsKg)
  const [typed, setTyped] = useState<number | null>(null)
  const keyOf = next.kind === 'check' ? next.check.operation.id : 'op' in next ? next.op.id : next.kind
  const asked = `${next.kind}/${keyOf}/${'part' in next ? next.part.key : ''}`
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was typed was for what was asked then
  useEffect(() => setTyped(null), [asked])

  const keep = (label: string, to: RunningPour | null) =>
    change(label, { type: 'pourPlanned', pieceId: piece.id, patch: { running: to } })
  const begin = (): RunningPour =>
    running ?? {
      water: null,
      mixName,
      planned: known.stations.log!.figures.plannedNow,
      done: [],
      readings: [],
      weighed: [],
    }
  useKeptReadings(running, minutes, heard, (readings) =>
    dispatch(
      jobChanged({
        label: 'readings',
        run: `readings/${piece.id}`,
        changes: [
          {
            type: 'pourPlanned',
            pieceId: piece.id,
            patch: { running: withReadings(running!, readings) },
          },
        ],
      }),
    ),
  )

  const ended = (op: Timed) =>
    keep(
      `done: ${shortAct(op.code)}`,
      withEnded(begin(), {
        op: op.id,
        said: sayAct(op, words).slice(0, 600),
        minutes: minutesAt(Date.now()),
        takes: op.work.workMinutes,
      }),
    )
  const done = () => {
    switch (next.kind) {
      case 'check':
        change(`ticked: ${shortAct(next.check.operation.code)}`, {
          type: 'pourPlanned',
          pieceId: piece.id,
          patch: { ticked: { ...tickedWith(piece, next.check.operation, true) } },
        })
        break
      case 'weigh':
      case 'wet': {
        const { op, part } = next
        const scale = towardsKg > 0 && heard.scale?.rests ? heard.scale.kg : null
        const weighed = withWeighed(begin(), {
          op: op.id,
          what: part.key,
          plannedKg: part.kg,
          kg: typed ?? Math.max(0, scale ?? part.kg),
          by: typed !== null ? 'typed' : scale !== null ? 'scale' : 'told',
        })
        const at = new Date(Date.now())
        keep(
          `in: ${part.name}`,
          next.kind === 'weigh'
            ? weighed
            : withBegun(weighed, {
                op: op.id,
                said: sayAct(op, words).slice(0, 600),
                minutes: minutesAt(at.getTime()),
                moment: wallMoment(at, zone),
              }),
        )
        if (!running?.water) setLater({})
        break
      }
      case 'do':
      case 'wait':
        ended(next.op)
        break
      case 'over': {
        if (logged) {
          setLogged(false)
          break
        }
        const record = loggedPour(piece, known)
        if (record) {
          change('log the pour', record)
          usedUp(known)
        }
        setLogged(record !== null)
        break
      }
      case 'never':
        break
    }
  }
  const notYet = () => setLater((old) => ({ ...old, [keyOf]: minutes + ASK_AGAIN }))
  const card = cardOf({
    next,
    pour,
    minutes,
    words,
    start: running?.water ?? piece.pour.start,
    zone,
    mixer: known.stations.mix!.figures.mixer,
    running: running !== null,
    logged,
    trouble: running?.water ? troubleOf(findings, words) : null,
  })
  return (
    <>
      <Asked
        key={asked}
        card={card}
        weighing={
          towardsKg > 0 ? { plannedKg: towardsKg, scale: on ? heard.scale : null, typed, setTyped } : null
        }
      />
      <Readings
        heard={heard}
        on={on}
        listen={listen}
        running={running}
        onRead={(of, degC) =>
          running?.water &&
          keep(
            `${of} ${words.degC(degC)}`,
            withReadings(running, [{ of, minutes: Math.max(0, minutesAt(Date.now())), degC }]),
          )
        }
      />
      <Buttons
        card={card}
        onDone={done}
        onNotYet={notYet}
        onBack={
          running && (running.done.length > 0 || running.weighed.length > 0)
            ? () =>
                keep(
                  'taken back',
                  takenBack(running, {
                    begunByHand: new Set(pour.work.flatMap((op) => (op.code === 'mix-batch' ? [op.id] : []))),
                  }),
                )
            : null
        }
      />
    </>
  )
}

/** What may go wrong while a pour goes on, the worst first. */
const LIVE = [
  'sets-before-placed',
  'done-late',
  'longer-than-working-time',
  'too-cold',
  'dries-fast',
] as const

const troubleOf = (findings: readonly Finding[], words: WordsStyle): string | null => {
  const found = LIVE.flatMap((code) => findings.filter((f) => f.code === code))[0]
  return found ? explain(found, words).what : null
}

/** Keeps what the thermometers show, now and then. */
function useKeptReadings(
  running: RunningPour | null,
  minutes: number,
  heard: ReturnType<typeof useInstruments>,
  keep: (readings: RunningPour['readings']) => void,
): void {
  const { concreteDegC, airDegC } = heard
  const latest = useRef(keep)
  latest.current = keep
  useEffect(() => {
    if (!running?.water) return
    const due = (of: 'concrete' | 'air', degC: number | null): RunningPour['readings'] => {
      if (degC === null || degC < -30 || degC > 60) return []
      const last = running.readings.findLast((r) => r.of === of)
      const since = last ? minutes - last.minutes : Infinity
      const changed = last ? Math.abs(degC - last.degC) : Infinity
      return since >= KEPT.minutes || (since >= KEPT.least && changed >= KEPT.degC)
        ? [{ of, minutes: Math.max(0, minutes), degC }]
        : []
    }
    const all = [...due('concrete', concreteDegC), ...due('air', airDegC)]
    if (all.length > 0) latest.current(all)
  }, [running, minutes, concreteDegC, airDegC])
}
