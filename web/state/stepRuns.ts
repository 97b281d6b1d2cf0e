let current: string | null = null

/**
 * Makes every change within `act` part of one run of steps: those of a run that follow one another are one step of undo.
 * A field takes a new run each time it is entered.
 */
export function inRun(run: string, act: () => void): void {
  const outer = current
  current = run
  try {
    act()
  } finally {
    current = outer
  }
}

/** The run of steps that a change made now belongs to. */
export const currentRun = (): string | null => current
