import { usePlan } from '../../state/PlanContext.tsx'
import { More } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { leanWords } from '../leanWords.ts'

/** Ways to part a rigid mould round it, the best first: what each leaves locked, and what only slides. */
export function PullRows() {
  const { plan, looks, whole } = usePlan()
  const words = useWordsStyle()
  const pulls = plan?.stations.release?.figures.pulls
  if (!pulls || pulls.best.length === 0) return null
  const area = (m2: number) => words.of('patch', m2 * 1e4, 0)
  return (
    <More title="Ways to part it">
      <p className="text-[14px] leading-snug">
        {pulls.partsNeeded === null
          ? 'By no way that was tried do six rigid parts leave all of it: it wants rubber, or foam that is broken out.'
          : pulls.partsNeeded === 1
            ? 'One rigid part, drawn one way, leaves all that is not open.'
            : `${pulls.partsNeeded} rigid parts leave all that is not open, each drawn its own way.`}
      </p>
      <ul className={`label text-[15px] leading-tight ${whole ? looks.release : 'stale'}`}>
        {pulls.best.map((p) => (
          <li key={`${p.leanDeg},${p.roundDeg}`} className="border-b py-1">
            {leanWords(p)}: {p.undercutM2 * 1e4 < 1 ? 'nothing locked' : `${area(p.undercutM2)} locked`}
            {p.slidesM2 * 1e4 >= 1 && `, ${area(p.slidesM2)} slides`}
          </li>
        ))}
      </ul>
    </More>
  )
}
