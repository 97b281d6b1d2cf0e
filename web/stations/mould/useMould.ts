import {
  type ChoiceOf,
  choiceFor,
  type MethodId,
  type MouldChoice,
  type MouldPatch,
} from '../../../core/job/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'

/**
 * What every part of the mould's bench needs: the piece and its choices, the figures, and how to change them. A bench that
 * belongs to some methods names them, and sees their own fields.
 */
export function useMould<M extends MethodId = MethodId>(...methods: M[]) {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  return {
    piece,
    job,
    /** Shells, coats and layers are guessed from sizes until they are measured. */
    look: looks.mould,
    style,
    mould: choiceIn(piece.mould, methods),
    station: plan?.stations.mould ?? null,
    figures: plan?.stations.mould?.figures,
    choose: (label: string, patch: MouldPatch) =>
      change(label, { type: 'mouldChosen', pieceId: piece.id, patch }),
    mm: (n: number) => formatLength(n, style),
  }
}

/** The choice as one of the methods a bench is for. */
const choiceIn = <M extends MethodId>(choice: MouldChoice, methods: readonly M[]): ChoiceOf<M> =>
  methods.length === 0 || methods.includes(choice.method as M)
    ? (choice as ChoiceOf<M>)
    : choiceFor(choice, methods[0]!)

/** The ways that begin with a box of boards. */
export const BOX = ['board-box', 'upper-form', 'lined'] as const
