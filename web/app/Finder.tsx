import { Command } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useMemo } from 'react'
import { useNavigate, useParams } from 'react-router'
import { STATIONS, type StationName } from '../../core/job/index.ts'
import { wordsStyle } from '../../core/units/index.ts'
import { explain } from '../../core/words.ts'
import { LISTS } from '../shelf/stockLists.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { pointedAt, selected } from '../state/viewSlice.ts'
import { focusBench } from './focus.ts'

type Found = { readonly key: string; readonly name: string; readonly go: () => void }
type Group = { readonly heading: string; readonly found: readonly Found[] }

/** Every word typed must stand in the name, in any order: what begins with one comes first. */
const ranks = (name: string, text: string): number => {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const low = name.toLowerCase()
  if (!words.every((w) => low.includes(w))) return 0
  return words.some((w) => low.startsWith(w)) ? 1 : 0.5
}

/** Finds anything of the job by a word of its name, and goes there. */
export function Finder({ station, onDone }: { station: StationName; onDone: () => void }) {
  const groups = useFound(station)
  return (
    <Command label="Find" filter={ranks} loop>
      <Dialog.Title className="text-xl font-bold">Find</Dialog.Title>
      <Command.Input
        aria-label="Find"
        className="mt-2 w-full border border-ink bg-transparent px-2 py-1 text-lg"
        placeholder="a piece, opening, part, finding, stock row or station"
      />
      <Command.List className="mt-2 h-[42vh] overflow-y-auto">
        <Command.Empty className="text-soft">Nothing of that name in this job.</Command.Empty>
        {groups.map(({ heading, found }) => (
          <Command.Group key={heading} heading={heading} className="finder-group">
            {found.map(({ key, name, go }) => (
              <Command.Item
                key={key}
                value={`${heading} ${name} ${key}`}
                className="label flex min-h-8 cursor-pointer items-center px-2 text-[16px] data-[selected=true]:bg-sunk data-[selected=true]:underline"
                onSelect={() => {
                  onDone()
                  go()
                }}
              >
                {name}
              </Command.Item>
            ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  )
}

/** All that can be found, under what it is. */
function useFound(station: StationName): readonly Group[] {
  const { jobId, pieceId } = useParams()
  const { job, plan, piece, findings } = usePlan()
  const navigate = useNavigate()
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  return useMemo((): Group[] => {
    const to = (path: string) => () => {
      navigate(`/job/${jobId}/${path}`)
      focusBench()
    }
    const at = (name: StationName) => to(`${pieceId}/${name}`)
    const openings = 'openings' in piece ? piece.openings : []
    return [
      { heading: 'station', found: STATIONS.map((s) => ({ key: s, name: s, go: at(s) })) },
      {
        heading: 'piece',
        found: job.pieces.map((p) => ({ key: p.id, name: p.name, go: to(`${p.id}/${station}`) })),
      },
      {
        heading: 'opening',
        found: openings.map((o) => ({
          key: o.id,
          name: o.name,
          go: () => {
            at('piece')()
            dispatch(selected({ kind: 'opening', id: o.id }))
          },
        })),
      },
      {
        heading: 'part',
        found: (plan?.stations.mould?.parts ?? []).map((p) => ({
          key: p.id,
          name: `${p.label} ${p.name}`,
          go: () => {
            at('mould')()
            dispatch(pointedAt(p.id))
          },
        })),
      },
      {
        heading: 'finding',
        found: findings.map((f, i) => ({
          key: `${f.code}-${i}`,
          name: explain(f, wordsStyle(style)).what,
          go: at(f.station),
        })),
      },
      {
        heading: 'stock',
        found: LISTS.flatMap(({ list }) =>
          job.stock[list].map((row) => ({
            key: `${list}-${row.id}`,
            name: row.name,
            go: to(`stock#${row.id}`),
          })),
        ),
      },
      {
        heading: 'page',
        found: [
          { key: 'stock', name: 'stock of this job', go: to('stock') },
          { key: 'new', name: 'new piece', go: to('new') },
          { key: 'jobs', name: 'all jobs', go: () => navigate('/jobs') },
        ],
      },
    ].filter((g) => g.found.length > 0)
  }, [job, plan, piece, findings, jobId, pieceId, station, style, navigate, dispatch])
}
