import { BackLink } from './BackLink.tsx'
import { Told } from './Told.tsx'

/** What stays in sight above a page that scrolls: the way back, and what was last done with undo beside it. */
export const PageTop = () => (
  <div className="sticky top-0 z-30 flex min-h-10 items-center gap-4 bg-sheet">
    <BackLink />
    <Told />
  </div>
)
