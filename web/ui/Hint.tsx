import { lazy, type ReactElement, Suspense } from 'react'

const HintBody = lazy(() => import('./HintBody.tsx').then((m) => ({ default: m.HintBody })))

/** Says more of a control to whoever rests on it, by pointer or by key; the control stands there at once, the rest loads after it. */
export const Hint = ({ text, children }: { text: string | undefined; children: ReactElement }) =>
  text ? (
    <Suspense fallback={children}>
      <HintBody text={text}>{children}</HintBody>
    </Suspense>
  ) : (
    children
  )
