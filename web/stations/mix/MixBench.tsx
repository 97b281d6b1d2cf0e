import { Link } from 'react-router'
import { withRecipes } from '../../../core/stock/index.ts'
import { moneyOrNone, showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { Caution, Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'
import { CupSpread } from './CupSpread.tsx'
import { Doses } from './Doses.tsx'
import { Money } from './Money.tsx'
import { Parts } from './Parts.tsx'

export function MixBench() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const figures = plan?.stations.mix?.figures
  const stock = withRecipes(job.stock)
  const mix = stock.mixes.find((m) => m.id === piece.mix.mix)
  const choose = (label: string, patch: Partial<typeof piece.mix>) =>
    change(label, { type: 'mixChosen', pieceId: piece.id, patch })
  const money = (n: number | null) => moneyOrNone(n, job.settings.currency)
  return (
    <>
      <h1>Mix</h1>
      <p>
        {figures
          ? `${words.litres(figures.volumeLitres)} in the mould, ${words.litres(figures.neededLitres)} with waste.`
          : ''}
      </p>
      <Pick
        label="Mix"
        value={piece.mix.mix}
        options={stock.mixes}
        onChoose={(id) => choose('mix', { mix: id })}
      />
      {mix && (
        <Choice
          label={figures?.recipe ? 'Water on a bag of cement' : 'Water in a bag'}
          value={piece.mix.water}
          options={(['stiff', 'medium', 'limit'] as const).map((w) => ({
            value: w,
            name: words.liquid(mix.waterLitres[w]),
            note: `${w}, ${words.mpa(mix.f28[w])}`,
          }))}
          onChoose={(water) => choose(`water ${water}`, { water })}
        />
      )}
      <NumberField
        label="Waste"
        unit="%"
        value={piece.mix.wastePercent}
        optional
        placeholder={figures ? showNumber(figures.wastePercent, 0) : ''}
        min={0}
        max={100}
        onCommit={(wastePercent) =>
          choose(wastePercent === null ? 'usual waste' : `waste ${wastePercent}%`, { wastePercent })
        }
      />
      <Pick
        label="Mixed in"
        value={piece.mix.mixer}
        options={job.stock.mixers}
        onChoose={(mixer) => choose('mixer', { mixer })}
      />
      {figures?.recipe ? (
        <p>Measured out by parts, in equal batches.</p>
      ) : (
        <Choice
          label="Measured"
          value={piece.mix.portion ?? 'usual'}
          options={[
            { value: 'usual', name: 'as usual', note: 'weighed where it takes less than a bag' },
            { value: 'bags', name: 'by the bag', note: 'whole and half bags' },
            { value: 'weighed', name: 'weighed out', note: 'equal batches: one colour' },
          ]}
          onChoose={(p) =>
            choose(p === 'usual' ? 'measured as usual' : p === 'bags' ? 'by the bag' : 'weighed out', {
              portion: p === 'usual' ? null : p,
            })
          }
        />
      )}
      <Doses />
      <MeasureField
        label="Slurry on the show face"
        value={piece.mix.slurryMm}
        min={0}
        max={5}
        onCommit={(slurryMm) => choose(slurryMm === 0 ? 'no slurry' : 'slurry', { slurryMm })}
      />
      {figures?.slurry && (
        <p>
          {words.kg(figures.slurry.cementKg, 2)} of cement in {words.liquid(figures.slurry.waterLitres)} of
          water.
        </p>
      )}
      <CupSpread />
      {figures && (
        <div className={looks.mix}>
          <h2>For one cast</h2>
          {figures.portion === 'weighed' ? (
            <QuantityRow label={figures.mixName} of="mass" value={figures.dryKg} digits={2} />
          ) : (
            <Row label={figures.mixName} unit={figures.bags === 1 ? 'bag' : 'bags'}>
              {showNumber(figures.mixedBags, 1)}
            </Row>
          )}
          {figures.recipe ? (
            <Parts {...figures.recipe} />
          ) : (
            <Row label={figures.portion === 'weighed' ? 'which is' : 'of which needed'} unit="bags">
              {showNumber(figures.bagsExact, 2)}
            </Row>
          )}
          <QuantityRow label="Water" of="liquid" value={figures.waterLitres} digits={2} />
          {figures.portion === 'bags' && (
            <QuantityRow label="Mixed too much" of="volume" value={figures.spareLitres} digits={1} />
          )}
          {figures.leftKg > 0.005 && (
            <QuantityRow label="Left in the bag" of="mass" value={figures.leftKg} digits={1} />
          )}
          <Row label="Cost">{money(figures.costPerCast)}</Row>
          {piece.quantity > 1 && (
            <>
              <h2>For all {piece.quantity}</h2>
              <Row label={figures.recipe ? 'Bags of cement' : 'Bags'}>{figures.bagsPerJob}</Row>
              <Row label="Cost">{money(figures.costPerJob)}</Row>
            </>
          )}
        </div>
      )}
      <Money />
      <Link className="word p-0!" to={`/job/${job.id}/shopping`}>
        what the whole job buys
      </Link>
      <Caution>
        Wet cement burns skin and eyes: gloves, glasses, wash at once. Pour bags low and wear a respirator.
        Keep wash water out of drains.
      </Caution>
    </>
  )
}
