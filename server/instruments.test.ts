import type { Server } from 'node:http'
import http from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, describe, expect, it } from 'vitest'
import type { Kernel } from '../core/geometry/index.ts'
import { onScale, readInstrument, type Shown } from '../core/pour/index.ts'
import { hollowServer } from './app.ts'
import { type Instruments, instrumentsOf } from './instruments.ts'
import { linesAt } from './standIn.ts'

const open: Server[] = []
afterEach(() => {
  for (const server of open.splice(0)) {
    server.closeAllConnections()
    server.close()
  }
})
const listen = (app: http.RequestListener): Promise<string> =>
  new Promise((done) => {
    const server = http.createServer(app).listen(0, '127.0.0.1', () => {
      done(`http://127.0.0.1:${(server.address() as AddressInfo).port}`)
    })
    open.push(server)
  })
/** What comes over a stream until it holds so many lines. */
async function first(url: string, lines: number): Promise<string[]> {
  const gone = new AbortController()
  const answer = await fetch(url, { signal: gone.signal })
  expect(answer.headers.get('content-type')).toContain('text/event-stream')
  const decoder = new TextDecoder()
  let text = ''
  for await (const bytes of answer.body!) {
    text += decoder.decode(bytes as Uint8Array, { stream: true })
    if (text.split('\n\n').length > lines) break
  }
  gone.abort()
  return text
    .split('\n\n')
    .slice(0, lines)
    .map((event) => event.replace(/^data: /, ''))
}
const served = (instruments?: Instruments) => listen(hollowServer({} as Kernel, '.', instruments))

describe('instruments', () => {
  it('the stand-in says the same for the same seed, comes to what is weighed, and only its own protocol', () => {
    const run = (seed: number) => Array.from({ length: 120 }, (_, s) => linesAt({ seed, towardsKg: 12.5 }, s))
    expect(run(3)).toEqual(run(3))
    expect(run(3)).not.toEqual(run(4))
    const lines = run(3).flat()
    for (const line of lines) expect(readInstrument(JSON.stringify(line))).toEqual({ line })
    for (const of of ['scale', 'concrete', 'air'])
      expect(lines.filter((l) => l.of === of).length).toBeGreaterThan(30)
    // Some are lost.
    expect(lines.filter((l) => l.of === 'scale').length).toBeLessThan(120)
    const shown: Shown = run(3).flatMap((at, s) =>
      at.flatMap((l) => (l.of === 'scale' ? [{ at: s, kg: l.kg }] : [])),
    )
    expect(
      onScale(
        shown.filter((s) => s.at <= 2),
        2,
      )!.rests,
    ).toBe(false)
    expect(onScale(shown, 119)).toEqual({ kg: expect.closeTo(12.5, 1), rests: true })
  })

  it.each<[string, Shown, number, ReturnType<typeof onScale>]>([
    ['nothing for six seconds is nothing', [{ at: 0, kg: 5 }], 7, null],
    [
      'one jump is not believed',
      [5, 5.001, 9.6, 5.002, 5].map((kg, i) => ({ at: 8 + i / 2, kg })),
      10,
      { kg: 5.001, rests: true },
    ],
    [
      'what still runs does not rest',
      [1, 2, 3, 4, 5].map((kg, i) => ({ at: 8 + i / 2, kg })),
      10,
      { kg: 3, rests: false },
    ],
    ['two readings do not rest yet', [5, 5].map((kg, i) => ({ at: 9 + i, kg })), 10, { kg: 5, rests: false }],
    [
      'a heavy load may move more',
      [500, 500.6, 499.6, 500.2].map((kg, i) => ({ at: 8.5 + i / 2, kg })),
      10,
      { kg: 500.2, rests: true },
    ],
  ])('a scale: %s', (_, shown, now, wanted) => expect(onScale(shown, now)).toEqual(wanted))

  it.each([
    ['{"of":"scale","kg":3}', true],
    ['{"of":"scale","kg":"3"}', false],
    ['{"of":"scale","kg":1e9}', false],
    ['{"of":"concrete","degC":900}', false],
    ['{"of":"scale","kg":3,"more":1}', false],
    ['[', false],
    ['', false],
  ])('reads %s: %s', (text, good) => expect('line' in readInstrument(text)).toBe(good))

  it('are streamed by the server, and end with the page', async () => {
    const address = await served()
    const lines = await first(`${address}/api/instruments?seed=3&towards=12.5`, 3)
    expect(lines.map((l) => JSON.parse(l))).toEqual(
      Array.from({ length: 5 }, (_, s) => linesAt({ seed: 3, towardsKg: 12.5 }, s))
        .flat()
        .slice(0, 3),
    )
  })

  it.each([
    ['?towards=-1', 422, 'towards'],
    ['?towards=lots', 422, 'towards'],
    ['?seed=0.5', 422, 'seed'],
  ])('refuses %s', async (query, status, path) => {
    const answer = await fetch(`${await served()}/api/instruments${query}`)
    expect([answer.status, (await answer.json()).problems[0].path]).toEqual([status, path])
  })

  it('another program takes their place; where it is not there, or none is wanted, that is said', async () => {
    const own = await listen((_, response) => {
      response.writeHead(200, { 'Content-Type': 'text/event-stream' })
      response.write('data: {"of":"air","degC":21}\n\n')
    })
    expect(await first(`${await served({ kind: 'url', url: own })}/api/instruments`, 1)).toEqual([
      '{"of":"air","degC":21}',
    ])
    const gone = await fetch(`${await served({ kind: 'url', url: 'http://127.0.0.1:1/' })}/api/instruments`)
    const off = await fetch(`${await served({ kind: 'off' })}/api/instruments`)
    expect([gone.status, off.status]).toEqual([502, 404])
    for (const answer of [gone, off]) expect((await answer.json()).problems[0].text).toMatch(/\w/)
  })

  it.each<[string | undefined, Instruments | null]>([
    [undefined, { kind: 'stand-in' }],
    ['off', { kind: 'off' }],
    ['http://127.0.0.1:9000/lines', { kind: 'url', url: 'http://127.0.0.1:9000/lines' }],
    ['file:///etc', null],
    ['scale', null],
  ])('INSTRUMENTS=%s', (told, wanted) => {
    if (wanted) expect(instrumentsOf(told)).toEqual(wanted)
    else expect(() => instrumentsOf(told)).toThrow(/INSTRUMENTS/)
  })
})
