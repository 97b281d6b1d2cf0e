import type { ReactNode } from 'react'

/** Faces with what goes on them; each row a face, its coats and its wait. */
export function AgentTable({
  rows,
}: {
  rows: readonly {
    readonly key: string
    readonly face: ReactNode
    readonly note: ReactNode
    readonly coats: number
    readonly waitMinutes: number
  }[]
}) {
  return (
    <table className="list">
      <thead>
        <tr>
          <th>face</th>
          <th className="n">coats</th>
          <th className="n">wait</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.key}>
            <td>
              {row.face}
              <span className="block text-[13px] leading-tight text-soft">{row.note}</span>
            </td>
            <td className="n">{row.coats > 0 ? row.coats : '–'}</td>
            <td className="n">{row.coats > 0 ? `${row.waitMinutes} min` : ''}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
