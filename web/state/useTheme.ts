import { useEffect, useLayoutEffect } from 'react'
import { store, useAppDispatch, useAppSelector } from './store.ts'
import { database } from './useAutosave.ts'
import { themeRead } from './viewSlice.ts'

/** Day or night as last chosen here, else as the device prefers. */
export function useTheme(): void {
  const theme = useAppSelector((s) => s.view.theme)
  const dispatch = useAppDispatch()
  useEffect(() => {
    const preferred = window.matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day'
    database.settings
      .get('theme')
      .then((row) =>
        dispatch(themeRead(row?.value === 'night' || row?.value === 'day' ? row.value : preferred)),
      )
      .catch(() => dispatch(themeRead(preferred)))
  }, [dispatch])
  // Before anything reads the colours of the page: drawings that paint themselves do so right after.
  useLayoutEffect(() => {
    document.documentElement.dataset.theme = theme
  }, [theme])
}

/** Remembers the choice of theme; a device that cannot store simply forgets it. */
export const rememberTheme = (): void => {
  database.settings.put({ id: 'theme', value: store.getState().view.theme }).catch(() => undefined)
}
