import { Toast } from 'radix-ui'
import { tellingEnded } from '../state/jobSlice.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { useUndo } from '../state/useUndo.ts'

/** How long a step is told, ms. */
const TOLD = 6000

/** A place on the page where the last step is told for a few seconds, with undo beside it; it covers nothing. */
export function Told() {
  const told = useAppSelector((s) => s.job.told)
  const edit = useAppSelector((s) => s.job.edit)
  const dispatch = useAppDispatch()
  const { undo } = useUndo()
  return (
    <Toast.Provider duration={TOLD} label="Last step" swipeThreshold={1e6}>
      {told && (
        <Toast.Root
          key={edit}
          open
          className="flex min-w-0 items-center gap-2"
          onOpenChange={(open) => {
            if (!open) dispatch(tellingEnded())
          }}
        >
          <Toast.Description className="label min-w-0 text-[15px] leading-tight">
            {told.text}
          </Toast.Description>
          {told.undo && (
            <Toast.Action
              altText="Ctrl Z takes it back"
              className="word label font-bold"
              onClick={(e) => {
                // It would close what is told next.
                e.preventDefault()
                undo()
              }}
            >
              undo
            </Toast.Action>
          )}
        </Toast.Root>
      )}
      <Toast.Viewport className="flex min-h-8 min-w-0 flex-1 items-center justify-end" />
    </Toast.Provider>
  )
}
