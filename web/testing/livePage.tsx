import 'fake-indexeddb/auto'
import { cleanup, configure, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { expect, vi } from 'vitest'
import { type Job, readJob } from '../../core/job/index.ts'
import demoText from '../../demo/kestrel-rise.hollow.json?raw'
import { App } from '../app/App.tsx'
import { jobOpened } from '../state/jobSlice.ts'
import { store } from '../state/store.ts'
import { InProcess } from './inProcess.ts'
import { chooseFrom } from './lists.ts'
import { noResizes } from './noResizes.ts'

vi.mock('../stage/SolidView.tsx', () => ({ SolidView: () => null }))

/**
 * The whole page in a DOM without a browser, planned by the workers' own code in this process. What needs sizes on
 * screen, pointers that drag, storage or a network is tried in a browser instead.
 */
configure({
  asyncUtilTimeout: Number(process.env.WAIT_MS ?? 180_000),
  defaultHidden: true,
  getElementError: (message) => new Error(message?.split('\n')[0]),
})

/** What is handed to the browser to keep, newest last. */
export const kept: { name: string; text: () => Promise<string>; bytes: () => Promise<Uint8Array> }[] = []

const NO_STYLE = {
  display: 'block',
  visibility: 'visible',
  content: '',
  pointerEvents: 'auto',
  animationName: 'none',
  getPropertyValue: () => '',
}
function standIns(): void {
  vi.stubGlobal('Worker', InProcess)
  noResizes()
  vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener() {}, removeEventListener() {} }))
  // No style is looked at, and working styles out is slow.
  vi.stubGlobal('getComputedStyle', () => NO_STYLE)
  // Everything is as large as a stage on a small screen.
  for (const [name, px] of [
    ['clientWidth', 800],
    ['clientHeight', 480],
  ] as const)
    Object.defineProperty(Element.prototype, name, { configurable: true, get: () => px })
  const blobs = new Map<string, Blob>()
  URL.createObjectURL = (blob: Blob) => {
    const url = `blob:${blobs.size}`
    blobs.set(url, blob)
    return url
  }
  URL.revokeObjectURL = () => {}
  HTMLAnchorElement.prototype.click = function click() {
    const blob = blobs.get(this.href)
    if (!blob) return
    const bytes = () =>
      new Promise<Uint8Array>((take) => {
        const reader = new FileReader()
        reader.onload = () => take(new Uint8Array(reader.result as ArrayBuffer))
        reader.readAsArrayBuffer(blob)
      })
    kept.push({ name: this.download, bytes, text: async () => new TextDecoder().decode(await bytes()) })
  }
}

const read = readJob(demoText)
if (!read.ok) throw new Error('the demo job does not read')
export const demo: Job = read.job

/** Opens a job, the demo where none is given, at a piece and station. */
export async function openAt(piece: string, station = 'piece', job: Job = demo): Promise<void> {
  cleanup()
  kept.length = 0
  standIns()
  store.dispatch(
    jobOpened({ id: job.id, name: job.name, job, past: [], future: [], revision: 0, savedAt: 0 }),
  )
  render(
    <Provider store={store}>
      <MemoryRouter initialEntries={[`/job/${job.id}/${piece}/${station}`]}>
        <App />
      </MemoryRouter>
    </Provider>,
  )
  await settled()
}

/** Waits until nothing is being worked out. */
export async function settled(): Promise<void> {
  await waitFor(() => {
    expect(document.querySelector('.frame')).not.toBeNull()
    // The bench loads late: till then only its name stands there.
    expect(bench().childElementCount).toBeGreaterThan(1)
    expect(document.querySelectorAll('.stale, .guess').length).toBe(0)
    expect(station('piece').textContent).toMatch(/\d/)
  })
}

// Found by their label alone: what is asked a hundred times must be quick.
export const bench = (): HTMLElement => document.querySelector<HTMLElement>('aside[aria-label="Bench"]')!
export const findings = (): HTMLElement =>
  document.querySelector<HTMLElement>('section[aria-label="Findings"]')!
export const station = (name: string): HTMLElement =>
  [...document.querySelectorAll<HTMLElement>('nav[aria-label="The line"] a')].find((a) =>
    new RegExp(`^${name}`, 'i').test(a.textContent ?? ''),
  )!
/** Fails until the text of it is there; the figures of the change just made. */
export const says = (of: () => HTMLElement, what: string | RegExp): Promise<void> =>
  waitFor(() => expect(of().textContent).toMatch(what instanceof RegExp ? what : plain(what)))
export const saysNo = (of: () => HTMLElement, what: string | RegExp): Promise<void> =>
  waitFor(() => expect(of().textContent).not.toMatch(what instanceof RegExp ? what : plain(what)))
const plain = (text: string): RegExp => new RegExp(text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))

/** Types into a field and leaves it. */
export async function type(field: string | RegExp, text: string, of?: HTMLElement): Promise<void> {
  const input = await within(of ?? (await benchShown())).findByRole('textbox', { name: field })
  fireEvent.change(input, { target: { value: text } })
  fireEvent.keyDown(input, { key: 'Enter' })
}
/** Chooses from a list by what the choice is called. */
export const choose = async (field: string | RegExp, option: string | RegExp): Promise<void> =>
  chooseFrom(await within(bench()).findByRole('combobox', { name: field }), option)
/** Opens a menu, as a pointer that is pressed on its button and let go. */
export function unfold(button: HTMLElement): void {
  fireEvent.pointerDown(button, { button: 0 })
  fireEvent.pointerUp(button)
}
export async function press(
  name: string | RegExp,
  of?: HTMLElement,
  role: 'button' | 'radio' | 'checkbox' = 'button',
): Promise<void> {
  fireEvent.click(await within(of ?? (await benchShown())).findByRole(role, { name }))
}
const benchShown = () => waitFor(() => expect(bench()).not.toBeNull()).then(bench)
/** Presses the remedy that a finding offers. */
export const cure = async (name: string | RegExp): Promise<void> => {
  // Until it is proven it cannot be pressed.
  await waitFor(() =>
    expect(within(findings()).getByRole<HTMLButtonElement>('button', { name }).disabled).toBe(false),
  )
  fireEvent.click(within(findings()).getByRole('button', { name }))
}
export const go = async (name: string): Promise<void> => {
  fireEvent.click(station(name))
  await within(bench()).findByRole('heading', { level: 1, name: new RegExp(`^${name}`, 'i') })
}
export const row = (name: string | RegExp): HTMLElement => within(bench()).getByRole('row', { name })
export const undo = async (): Promise<void> => {
  fireEvent.click((await screen.findAllByRole('button', { name: 'undo' }))[0]!)
}
/** The text of the file that a button hands over. */
export async function saved(button: string): Promise<string> {
  const before = kept.length
  await press(button)
  await waitFor(() => expect(kept.length).toBeGreaterThan(before))
  return kept.at(-1)!.text()
}
/** A new piece from the wall of starts, with a slab's sizes where they are given. */
export async function start(what: string, name: string, sizes: readonly string[] = []): Promise<void> {
  fireEvent.click(await screen.findByRole('link', { name: '+ new piece' }))
  await screen.findByRole('heading', { name: 'New piece' })
  const main = screen.getByRole('main')
  await press(new RegExp(`^${what}$`), main, 'radio')
  fireEvent.change(within(main).getByRole('textbox', { name: 'Name' }), { target: { value: name } })
  for (const [i, text] of sizes.entries()) await type([/^Length/, /^Width/, 'Thickness'][i]!, text, main)
  await press('Make this piece', main)
  await waitFor(() =>
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value).toBe(name),
  )
  await settled()
}
/** A row of figures on the bench, by its label. */
export const fact = (label: RegExp): HTMLElement => {
  const found = [...bench().querySelectorAll<HTMLElement>('.row')].find((r) =>
    label.test(r.textContent ?? ''),
  )
  if (!found) throw new Error(`no row ${label} on the bench`)
  return found
}
/** Gives a file to the field that reads it. */
export async function give(
  field: string,
  name: string,
  body: string | Uint8Array,
  of?: HTMLElement,
): Promise<void> {
  const file = new File([body as BlobPart], name)
  // A file of this DOM does not read itself.
  const bytes = typeof body === 'string' ? new TextEncoder().encode(body) : body
  Object.assign(file, {
    arrayBuffer: async () => bytes.slice().buffer,
    text: async () => new TextDecoder().decode(bytes),
  })
  const within = of ?? (await benchShown())
  const named = (input: HTMLInputElement) =>
    [input.getAttribute('aria-label'), ...[...(input.labels ?? [])].map((l) => l.textContent)].some((label) =>
      label?.includes(field),
    )
  const input = await waitFor(() => {
    const found = [...within.querySelectorAll<HTMLInputElement>('input[type=file]')].find(named)
    if (!found) throw new Error(`no field ${field} for a file`)
    return found
  })
  fireEvent.change(input, { target: { files: [file] } })
}
