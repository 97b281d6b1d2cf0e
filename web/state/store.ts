import { configureStore } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import type { Change } from '../../core/job/index.ts'
import { jobChanged, jobSlice } from './jobSlice.ts'
import { currentRun } from './stepRuns.ts'
import { viewSlice } from './viewSlice.ts'

export const store = configureStore({
  reducer: { job: jobSlice.reducer, view: viewSlice.reducer },
  middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }),
})

export type RootState = ReturnType<typeof store.getState>
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>()
export const useAppSelector = useSelector.withTypes<RootState>()

/** Makes one undoable step of some changes. */
export function useChange(): (label: string, ...changes: Change[]) => void {
  const dispatch = useAppDispatch()
  return (label, ...changes) => {
    const run = currentRun()
    dispatch(jobChanged({ label, changes, ...(run && { run }) }))
  }
}
