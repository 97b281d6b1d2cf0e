import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'

/** Where air stays while it is filled, and whether it is let out. */
export function AirRows() {
  const { piece, plan } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const air = plan?.stations.release?.figures.air
  if (!air || (air.pockets.length === 0 && !piece.release.vented)) return null
  const nameOf = (id: string) => plan.stations.mould?.parts.find((p) => p.id === id)?.name ?? id
  return (
    <>
      <h2>Air</h2>
      {air.pockets.length > 0 ? (
        <ul className="label text-[15px] leading-tight">
          {air.pockets.map((p) => (
            <li key={`${p.partId}${p.xMm},${p.yMm}`} className="border-b py-1">
              {p.vented ? 'Vented' : 'Stays'} under {nameOf(p.partId)}:{' '}
              {words.litres(p.volumeLitres, p.volumeLitres < 0.1 ? 3 : 2)}, {words.mm(Math.round(p.deepMm))}{' '}
              deep
              <span className="block text-[13px] text-soft">
                highest {words.mm(Math.round(p.xMm))} from the left, {words.mm(Math.round(p.yMm))} from the
                front, {words.mm(Math.round(p.zMm))} up, as poured
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="label text-[15px] text-soft">Nothing holds air in this mould: no vent is drilled.</p>
      )}
      <Switch
        label="Vent each pocket at its highest place"
        on={piece.release.vented}
        onSwitch={(vented) =>
          change(vented ? 'vent the pockets' : 'leave the pockets closed', {
            type: 'releaseChosen',
            pieceId: piece.id,
            patch: { vented },
          })
        }
      />
    </>
  )
}
