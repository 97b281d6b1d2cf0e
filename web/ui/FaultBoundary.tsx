import { Component, type ErrorInfo, type ReactNode } from 'react'
import { downloadJob } from '../state/files.ts'
import { store } from '../state/store.ts'

type Props = {
  /** What is inside, as it begins a sentence: `The stage`. */
  readonly what: string
  /** Whose it is: a fault is forgotten when another piece or station is shown. */
  readonly of: string
  readonly children: ReactNode
}
type State = { readonly fault: Error | null; readonly of: string }

/** Keeps a fault of ours inside its part of the page: what failed is told, and the job can be saved from here. */
export class FaultBoundary extends Component<Props, State> {
  override state: State = { fault: null, of: this.props.of }

  static getDerivedStateFromError(fault: unknown): Partial<State> {
    return { fault: fault instanceof Error ? fault : new Error(String(fault)) }
  }

  static getDerivedStateFromProps({ of }: Props, state: State): Partial<State> | null {
    return of === state.of ? null : { fault: null, of }
  }

  override componentDidCatch(fault: unknown, { componentStack }: ErrorInfo): void {
    console.error(this.props.what, 'failed', fault, componentStack)
  }

  override render(): ReactNode {
    const { fault } = this.state
    if (!fault) return this.props.children
    const job = store.getState().job.job
    return (
      <div role="alert" className="p-4">
        <p className="label text-[17px] font-bold text-oxide">{this.props.what} could not be shown.</p>
        <p className="py-2">
          A fault of the program: {fault.message}. The rest of the page stands, and nothing of the job is
          lost.
        </p>
        <span className="flex flex-wrap gap-2">
          <button type="button" className="act" onClick={() => this.setState({ fault: null })}>
            Try again
          </button>
          {job && (
            <button type="button" className="act act-oxide" onClick={() => void downloadJob(job)}>
              Save the job as a file
            </button>
          )}
        </span>
      </div>
    )
  }
}
