import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ComponentType } from 'react'
import { Provider } from 'react-redux'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { Job, Piece, StationName } from '../../core/job/index.ts'
import { type Memo, noMemo } from '../../core/memo.ts'
import { type PiecePlan, planPiece } from '../../core/plan.ts'
import type { PlanView } from '../state/PlanContext.tsx'
import { store } from '../state/store.ts'
import { demo, kernel, openJob, show, viewOf } from '../testing/stillPage.tsx'
import { FaultBoundary } from '../ui/FaultBoundary.tsx'
import { Findings } from './Findings.tsx'
import { Rail, stationState } from './Rail.tsx'
import { SCREENS } from './stations.ts'

const pieces = demo.pieces.filter((p) => p.kind !== 'imported')
afterEach(cleanup)

const textOf = async (Screen: ComponentType, view: PlanView) => (await show(Screen, view)).textContent ?? ''
const screensOf = (name: StationName) =>
  [SCREENS[name].bench, SCREENS[name].band, name === 'mix' ? SCREENS.mix.hero : undefined].filter(
    (s) => s !== undefined,
  )
/** What a screen of a plan must not say: no number that is none, and nothing of what is not there. */
function wrongIn(text: string, plan: PiecePlan): string[] {
  const roles = new Set(plan.stations.mould?.parts.map((p) => p.role))
  const never = /undefined|NaN|Infinity|\[object/.exec(text)?.[0]
  return [
    ...(never ? [`says ${never}`] : []),
    ...(/knockouts? (out|tops|are)/.test(text) && !roles.has('knockout') ? ['speaks of knockouts'] : []),
    ...(/[Ss]ides off|[Ss]creed to the sides/.test(text) && !roles.has('strip') && !roles.has('form')
      ? ['speaks of sides']
      : []),
  ]
}

it.each([
  ['door-stop', 'stops'],
  ['chart-table', 'settled'],
] as const)('of %s: release %s, whoever tells why', (id, state) => {
  const plan = planPiece(kernel, demo, pieces.find((p) => p.id === id)!)
  expect(stationState('release', [], plan)).toBe(state)
})

const METHOD_SEEN = new Set<string>()

describe('every bench and band', () => {
  it.each(pieces.map((p): [string, string, Piece] => [p.name, p.mould.method, p]))(
    'of %s, by %s: whole, guessed, and in inches',
    async (_, __, piece) => {
      for (const [units, guessMould] of [
        ['inch', false],
        // What is guessed looks the same for every piece of a method.
        ...(METHOD_SEEN.has(piece.mould.method) ? [] : ([['mm', true]] as const)),
      ] as const) {
        METHOD_SEEN.add(piece.mould.method)
        const job: Job = { ...demo, settings: { ...demo.settings, units } }
        const plan = planPiece(kernel, job, piece, { guessMould })
        for (const name of Object.keys(SCREENS) as StationName[])
          for (const Screen of screensOf(name)) {
            const text = await textOf(Screen, viewOf(job, piece, plan))
            expect([name, units, wrongIn(text, plan)]).toEqual([name, units, []])
            cleanup()
          }
      }
    },
  )
  it('stands while there is no plan yet, and where stations have failed', async () => {
    const piece = pieces[0]!
    const whole = planPiece(kernel, demo, piece, { quick: true })
    const none = Object.fromEntries(Object.keys(whole.stations).map((k) => [k, null]))
    const failed = { ...whole, stations: none, work: [] } as unknown as PiecePlan
    for (const name of Object.keys(SCREENS) as StationName[])
      for (const Screen of screensOf(name))
        for (const plan of [null, failed]) {
          const text = await textOf(Screen, viewOf(demo, piece, plan))
          expect([name, /undefined|NaN/.test(text)]).toEqual([name, false])
          cleanup()
        }
  })
})

const Line = () => <Rail station="piece" />

describe('a station that fails', () => {
  it('is told with its reason on the line and below the stage; the others stand as they are', async () => {
    const piece = pieces[0]!
    const failing: Memo = (name, key, work) => {
      if (name === 'steel') throw new Error('no such bar')
      return noMemo(name, key, work)
    }
    const plan = planPiece(kernel, demo, piece, { memo: failing })
    const view = {
      ...viewOf(demo, piece, plan),
      failed: plan.failed.map((f) => `${f.station}: ${f.message}`).join('; '),
    }
    await show(Findings, view)
    expect(screen.getByRole('alert').textContent).toContain('steel: no such bar')
    cleanup()
    await show(Line, view)
    const said = (name: RegExp) => screen.getByRole('link', { name }).textContent
    expect(said(/^Steel/)).toMatch(/failed: see below.*stops the pour/)
    expect(said(/^Mould/)).toMatch(/\d+parts.*(settled|look)/)
    expect(said(/^Pour/)).toMatch(/–.*not worked out/)
  })
})

const Broken = () => {
  throw new Error('no such board')
}

describe('a fault of the page', () => {
  it('stays in its part: it is told, the rest stands, and it is forgotten when another is shown', () => {
    vi.spyOn(console, 'error').mockImplementation(() => {})
    const page = (of: string, broken: boolean) => (
      <Provider store={store}>
        <p>The rail</p>
        <FaultBoundary what="The bench" of={of}>
          {broken ? <Broken /> : <p>a bench</p>}
        </FaultBoundary>
      </Provider>
    )
    openJob(demo)
    const { rerender } = render(page('one', true))
    expect(screen.getByRole('alert').textContent).toContain('The bench could not be shown.')
    expect(screen.getByRole('alert').textContent).toContain('no such board')
    expect(screen.getByText('The rail')).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Save the job as a file' })).toBeTruthy()
    rerender(page('one', false))
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
    expect(screen.getByText('a bench')).toBeTruthy()
    rerender(page('one', true))
    rerender(page('two', false))
    expect(screen.getByText('a bench')).toBeTruthy()
  })
})
