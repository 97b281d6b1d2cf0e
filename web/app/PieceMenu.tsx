import { DropdownMenu } from 'radix-ui'
import { useNavigate } from 'react-router'
import type { StationName } from '../../core/job/index.ts'
import { Silhouette } from '../stage/Silhouette.tsx'
import { useAppSelector } from '../state/store.ts'

/** Every piece of the job by its silhouette; choosing one stays at the station. */
export function PieceMenu({ station }: { station: StationName }) {
  const job = useAppSelector((s) => s.job.job)!
  const navigate = useNavigate()
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="word label flex-none whitespace-nowrap px-3">
        {`all ${job.pieces.length} pieces`}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="z-40 max-h-[70vh] overflow-auto border border-ink bg-sheet text-ink">
          {job.pieces.map((p) => (
            <DropdownMenu.Item
              key={p.id}
              className="label flex cursor-pointer items-center gap-2 px-3 py-1 data-[highlighted]:bg-sunk"
              onSelect={() => navigate(`/job/${job.id}/${p.id}/${station}`)}
            >
              <Silhouette piece={p} /> {p.name}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Separator className="border-t" />
          <DropdownMenu.Item
            className="label cursor-pointer px-3 py-2 font-bold data-[highlighted]:bg-sunk"
            onSelect={() => navigate(`/job/${job.id}/pieces`)}
          >
            list them, set their order
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
