import type { MixFigures } from '../../../core/mix/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { Row } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** What a mix by parts is measured out of for one cast: by mass, by volume, and by one's own vessel. */
export function Parts({ ingredients, vesselLitres }: NonNullable<MixFigures['recipe']>) {
  const words = useWordsStyle()
  return (
    <>
      {ingredients.map(({ kind, kg, litres, waterKg }) => (
        <Row
          key={kind}
          label={waterKg > 0 ? `${kind}, ${words.liquid(waterKg)} of it water` : kind}
          unit={`${words.litres(litres)}, ${showNumber(litres / vesselLitres, 2)} of ${words.litres(vesselLitres)}`}
        >
          {words.kg(kg, 2)}
        </Row>
      ))}
    </>
  )
}
