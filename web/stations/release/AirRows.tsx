import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'

/** Where air stays while it is filled, whether it is let out, and where that is not known. */
export function AirRows() {
  const { piece, plan, looks, whole } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const release = plan?.stations.release
  if (!release) return null
  const { air } = release.figures
  const nameOf = (id: string) =>
    plan.stations.mould?.parts.find((p) => p.id === id)?.name ?? 'what is cast in'
  const said = !release.draft
    ? 'Told once the mould is there as solids.'
    : !air.examined
      ? 'Not told: this mould is open nowhere.'
      : air.pockets.length === 0
        ? 'None stays in a pocket.'
        : null
  return (
    <>
      <h2>Air</h2>
      <div className={whole ? looks.release : 'stale'}>
        {said && <p className="label text-[15px] text-soft">{said}</p>}
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
      </div>
      {(air.pockets.length > 0 || piece.release.vented) && (
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
      )}
    </>
  )
}
