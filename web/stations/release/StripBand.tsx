import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch } from '../../app/store.ts'
import { pointedAt } from '../../app/viewSlice.ts'

/** What each step does, in two or three words under its number. */
const SHORT = {
  'knockout-screws': 'knockout screws out',
  'ease-knockouts': 'ease the knockouts',
  'strip-screws': 'side screws out',
  strip: 'sides off',
  flip: 'turn over on its base',
  'lift-base': 'base off',
  'knockouts-out': 'knockouts out',
} as const

/** The same for what is no side of a box, by what its parts are. */
const OFF: Readonly<Record<string, string>> = {
  corner: 'corners off',
  chamfer: 'corners off',
  base: 'base off',
  rib: 'ribs off',
  post: 'posts off',
  skin: 'skin peeled off',
  packing: 'fill dug out',
  separator: 'separators drawn',
  shell: 'shells off',
  jacket: 'jackets off',
  rubber: 'rubber peeled off',
  layer: 'foam off',
  form: 'upper form off',
  beam: 'beams off',
  core: 'cores out',
  knockout: 'knockouts out',
  liner: 'liner peeled off',
  vessel: 'vessel off',
  tube: 'tube off',
}

/** The order of stripping as one thread; hover a step to light its parts. */
export function StripBand() {
  const { plan, fresh } = usePlan()
  const dispatch = useAppDispatch()
  const steps = plan?.stations.release?.figures.stripping ?? []
  return (
    <div className={`min-h-0 overflow-auto border-t px-4 pt-1 ${fresh ? '' : 'stale'}`}>
      <span className="view-name">How it comes apart</span>
      <ol className="mt-3 flex">
        {steps.map((s, i) => (
          <li
            key={s.code + s.text}
            className="relative min-w-0 flex-1 pr-2 pt-9"
            onPointerEnter={() => dispatch(pointedAt(s.partIds[0] ?? null))}
            onPointerLeave={() => dispatch(pointedAt(null))}
          >
            <span
              aria-hidden
              className="absolute left-[14px] right-0 top-[14px] h-px bg-ink"
              style={i === steps.length - 1 ? { display: 'none' } : undefined}
            />
            <span
              aria-hidden
              className="label absolute left-0 top-0 flex size-[29px] items-center justify-center border-[1.5px] border-ink bg-sheet text-[17px] font-bold"
            >
              {i + 1}
            </span>
            <span className="label block text-[16px] font-semibold leading-tight">
              {(s.code === 'strip' && OFF[s.partIds[0]?.split('/')[0] ?? '']) || SHORT[s.code]}
            </span>
            <span className="label block text-[13px] leading-tight text-soft">
              {s.partIds.length} {s.partIds.length === 1 ? 'part' : 'parts'}
            </span>
          </li>
        ))}
      </ol>
    </div>
  )
}
