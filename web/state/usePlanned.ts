import { useEffect, useRef } from 'react'
import type { Job, Piece } from '../../core/job/index.ts'

/** Whether two records hold the same under every key but one. */
function alikeBut<T extends object>(a: T, b: T, key: keyof T): boolean {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)] as (keyof T)[])
  return [...keys].every((k) => k === key || Object.is(a[k], b[k]))
}

const samePiece = (a: Piece, b: Piece): boolean =>
  a === b || (alikeBut(a, b, 'pour') && alikeBut(a.pour, b.pour, 'ticked'))

/** Whether two jobs are planned alike: they differ by checks ticked for a pour at most, which no figure comes from. */
export const plannedAlike = (a: Job, b: Job): boolean =>
  a === b ||
  (alikeBut(a, b, 'pieces') &&
    a.pieces.length === b.pieces.length &&
    a.pieces.every((piece, i) => samePiece(piece, b.pieces[i]!)))

/** The job that is planned for, and the number of the edit that made it: the last one while only ticks have changed since. */
export function usePlanned(job: Job, edit: number): { readonly job: Job; readonly edit: number } {
  const last = useRef({ job, edit })
  const now = plannedAlike(last.current.job, job) ? last.current : { job, edit }
  useEffect(() => {
    last.current = now
  })
  return now
}
