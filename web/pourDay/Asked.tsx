import { QuantityField, useWordsStyle } from '../ui/Quantity.tsx'
import { type Card, spanWords } from './cardOf.ts'

export type Weighing = {
  readonly plannedKg: number
  readonly scale: { readonly kg: number; readonly rests: boolean } | null
  readonly typed: number | null
  readonly setTyped: (kg: number | null) => void
}

/** The one thing that is asked, in letters that are read at two metres. */
export function Asked({ card, weighing }: { card: Card; weighing: Weighing | null }) {
  const { head, text, figure, hand, people, window, alarm } = card
  return (
    <section
      className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-4 py-4"
      aria-label="Now"
      aria-live="polite"
    >
      <h2 className="pour-head first-letter:uppercase">{head}</h2>
      {figure && <p className="pour-figure">{figure}</p>}
      {weighing && <Scale {...weighing} />}
      <p className="pour-text">{text}</p>
      {(hand.length > 0 || people > 1) && (
        <p className="label text-[20px] text-soft">
          {[...(people > 1 ? [`${people} people`] : []), ...hand].join(' · ')}
        </p>
      )}
      {alarm && (
        <p role="alert" className="label text-[22px] font-bold text-oxide">
          {alarm}
        </p>
      )}
      {window && (
        <div className="mt-auto">
          <p className="label text-[20px]">
            {window.leftMinutes > 0 ? `${spanWords(window.leftMinutes)} left` : 'no time left'}
          </p>
          <div
            role="meter"
            aria-label="Time left for it"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(window.share * 100)}
            className="h-5 border border-ink"
          >
            <div
              className={`h-full ${window.share < 0.2 ? 'bg-oxide' : 'bg-settled'}`}
              style={{ width: `${window.share * 100}%` }}
            />
          </div>
        </div>
      )}
    </section>
  )
}

/** What the scale shows against what is wanted; typed where it is not heard. */
function Scale({ plannedKg, scale, typed, setTyped }: Weighing) {
  const words = useWordsStyle()
  const share = scale ? Math.max(0, Math.min(1.1, scale.kg / plannedKg)) : 0
  return (
    <div>
      {scale ? (
        <>
          <p className="label text-[24px]">
            on the scale {words.kg(scale.kg, 3)}
            {scale.rests ? '' : ' ...'}
          </p>
          <div className="relative h-6 border border-ink" aria-hidden="true">
            <div
              className={`h-full ${share > 1.02 ? 'bg-oxide' : 'bg-slate'}`}
              style={{ width: `${Math.min(100, (share / 1.1) * 100)}%` }}
            />
            <div className="absolute top-0 h-full w-[2px] bg-ink" style={{ left: `${100 / 1.1}%` }} />
          </div>
        </>
      ) : (
        <div className="max-w-72 text-[18px]">
          <QuantityField
            label="Weighed"
            of="mass"
            optional
            min={0}
            max={5000}
            value={typed}
            placeholder="as planned"
            onCommit={setTyped}
          />
        </div>
      )}
    </div>
  )
}

/** One large "done", one "not yet", and the way back from a slip. */
export function Buttons({
  card,
  onDone,
  onNotYet,
  onBack,
}: {
  card: Card
  onDone: () => void
  onNotYet: () => void
  onBack: (() => void) | null
}) {
  return (
    <div className="flex flex-none flex-col gap-2 border-t border-ink bg-paper p-3 sm:flex-row-reverse">
      {card.done && (
        <button type="button" className="pour-done" onClick={onDone}>
          {card.done}
        </button>
      )}
      <div className="flex min-h-14 flex-1 gap-2">
        {card.notYet && (
          <button type="button" className="act flex-1 text-[22px]!" onClick={onNotYet}>
            {card.notYet}
          </button>
        )}
        <button
          type="button"
          className="word label min-h-14 flex-none px-3 text-[18px]!"
          disabled={!onBack}
          onClick={() => onBack?.()}
        >
          take back
        </button>
      </div>
    </div>
  )
}
