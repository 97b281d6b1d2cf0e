import { equivalentAge, strengthAt } from '../../core/ageing/index.ts'
import { inHand, type Next, type PourStation } from '../../core/pour/index.ts'
import { exactDecimals, type WordsStyle } from '../../core/units/index.ts'
import { isStripping, sayAct, shortAct, type Timed } from '../../core/work/index.ts'
import { dayTime } from '../stations/pour/dayTime.ts'

/** What stands on the screen: one thing, and what may be answered to it. */
export type Card = {
  readonly head: string
  readonly text: string
  /** A figure to be read from afar: a mass to weigh, a time to wait. */
  readonly figure: string | null
  readonly hand: readonly string[]
  readonly people: number
  /** What is left of the time in which it is done; null where it may wait. */
  readonly window: { readonly leftMinutes: number; readonly share: number } | null
  /** What the button says; null where nothing can be done now. */
  readonly done: string | null
  readonly notYet: string | null
  readonly alarm: string | null
}

type Told = {
  readonly next: Next
  readonly pour: PourStation
  readonly minutes: number
  readonly words: WordsStyle
  readonly start: string
  readonly zone: string
  readonly mixer: string
  readonly running: boolean
  readonly logged: boolean
  /** What the plan finds wrong with the day as it goes. */
  readonly trouble?: string | null
}

/** So long a wait is told in hours. */
const LONG = 120
export const spanWords = (minutes: number): string => {
  const m = Math.max(0, Math.ceil(minutes))
  if (m < LONG) return `${m} min`
  const hours = Math.floor(m / 60)
  return hours < 48 ? `${hours} h ${m % 60} min` : `${Math.floor(hours / 24)} d ${hours % 24} h`
}

/** What is said of the next thing to do, and of what goes wrong meanwhile. */
export function cardOf(told: Told): Card {
  const card = askedBy(told)
  return told.next.kind === 'check' || told.next.kind === 'over'
    ? card
    : { ...card, alarm: card.alarm ?? told.trouble ?? null }
}

function askedBy({ next, pour, minutes, words, start, zone, mixer, running, logged }: Told): Card {
  const plain: Card = {
    head: '',
    text: '',
    figure: null,
    hand: [],
    people: 1,
    window: null,
    done: 'done',
    notYet: 'not yet',
    alarm: null,
  }
  const windowOf = (op: Timed): Pick<Card, 'window' | 'alarm'> => {
    if (op.latestMinutes === null) return { window: null, alarm: null }
    const left = op.latestMinutes - minutes
    const whole = Math.max(1, op.latestMinutes - Math.max(0, Math.min(op.startMinutes ?? 0, minutes)))
    return {
      window: { leftMinutes: Math.max(0, left), share: Math.max(0, Math.min(1, left / whole)) },
      alarm: left < 0 ? `It should have been done ${spanWords(-left)} ago.` : null,
    }
  }
  switch (next.kind) {
    case 'check': {
      const { operation: op, stops } = next.check
      return {
        ...plain,
        head: shortAct(op.code),
        text: sayAct(op, words),
        alarm: stops ? 'The pour waits for it.' : null,
      }
    }
    case 'weigh':
    case 'wet': {
      const { part, op, number } = next
      const many = op.code === 'mix-batch' && op.facts.batches > 1
      const mass =
        part.bags > 0
          ? `${part.bags} ${part.bags === 1 ? 'bag' : 'bags'}`
          : words.kg(part.kg, part.kg < 1 ? exactDecimals(part.kg) : 2)
      const held = op.code === 'mix-batch' && part.what === 'water' ? op.facts.heldBackLitres : 0
      return {
        ...plain,
        head: many ? `batch ${number}: ${part.name}` : part.name,
        figure: mass,
        text:
          next.kind === 'wet'
            ? `Water stands in the ${mixer}. Press as the powder goes in: the clock of this batch starts with it.`
            : part.what === 'water'
              ? `Weigh the water into the ${mixer}, ${words.liquid(part.kg)}.${held > 0 ? ` ${words.liquid(held)} more stands by, held back until it asks for it.` : ''}`
              : part.what === 'fibre'
                ? 'Weigh the fibre and keep it by: it goes in last, for a minute.'
                : part.what === 'aggregate'
                  ? 'Weigh it in as it lies, and let it turn.'
                  : 'Weigh it exactly, and stir it into the water.',
        hand: next.kind === 'wet' ? inHand(op) : ['scale, the empty vessel taken off'],
        done: next.kind === 'wet' ? 'it goes in' : 'weighed',
        ...(number > 1 || next.kind === 'wet' ? windowOf(op) : {}),
      }
    }
    case 'do': {
      const { op, begun } = next
      const turning = begun === null ? null : op.work.workMinutes - (minutes - begun)
      return {
        ...plain,
        head: shortAct(op.code),
        text: sayAct(op, words),
        figure: turning === null ? null : turning > 0 ? `${spanWords(turning)} more` : 'long enough',
        notYet: begun === null ? plain.notYet : null,
        hand: [...inHand(op), ...op.takes.map((t) => t.name)],
        people: op.work.hands,
        ...windowOf(op),
      }
    }
    case 'wait': {
      const { op, untilMinutes, may } = next
      const { ageing, figures } = pour
      const age = equivalentAge(ageing.course, Math.max(0, minutes - ageing.lastWater))
      const mpa = strengthAt(ageing.curve, age)
      return {
        ...plain,
        head: `then: ${shortAct(op.code)}`,
        figure: spanWords(untilMinutes - minutes),
        text: may
          ? `About ${dayTime(start, zone, untilMinutes)}; an eye and a finger tell better. ${sayAct(op, words)}`
          : isStripping(op) || op.notBefore.some((c) => c.kind === 'strength')
            ? `Not before ${dayTime(start, zone, untilMinutes)}: by then it is strong enough. Now it has ${mpa > 0 ? words.mpa(mpa) : 'not set'}.`
            : `Not before ${dayTime(start, zone, untilMinutes)}.`,
        done: may ? 'done already' : null,
        notYet: null,
        alarm: figures.coldestDegC < 5 ? `Below ${words.degC(5)} it hardly sets: keep it warm.` : null,
      }
    }
    case 'never':
      return {
        ...plain,
        head: 'stopped',
        text: `By its plan this never becomes possible: ${shortAct(next.op.code)}. Look at the findings of this pour.`,
        done: null,
        notYet: null,
      }
    case 'over':
      return running
        ? {
            ...plain,
            head: 'all done',
            text: 'What was done, weighed and read becomes the record of this pour.',
            done: 'log this pour',
            notYet: null,
          }
        : {
            ...plain,
            head: logged ? 'logged' : 'nothing to do',
            text: logged ? 'This pour stands in the log.' : 'There is nothing to pour here.',
            done: logged ? 'next cast' : null,
            notYet: null,
          }
  }
}
