import { spawnSync } from 'node:child_process'
import fs from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import os from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { planFile } from '../cli/planFile.ts'
import { openKernel } from '../core/geometry/index.ts'
import { hollowServer } from './app.ts'

const demo = new URL('../demo/kestrel-rise.hollow.json', import.meta.url).pathname
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'hollow-'))
let server: Server
let address: string
beforeAll(async () => {
  fs.writeFileSync(path.join(folder, 'index.html'), '<title>page</title>')
  const app = hollowServer(await openKernel(), folder)
  await new Promise<void>((done) => {
    server = app.listen(0, '127.0.0.1', () => done())
  })
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(() => {
  server.close()
  fs.rmSync(folder, { recursive: true })
})
// A connection of its own each time: one that idles while the command line runs may be closed when it is used again.
const post = (body: string) =>
  fetch(`${address}/api/plan`, {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/json', connection: 'close' },
  })

/** The demo job with its first pieces alone. */
function few(path: string): string {
  const job = JSON.parse(fs.readFileSync(path, 'utf8'))
  return JSON.stringify({ ...job, pieces: job.pieces.slice(0, 2) })
}
async function run(...args: string[]): Promise<{ code: number; out: string; error: string }> {
  let [out, error] = ['', '']
  const code = await planFile(args, {
    out: (text) => {
      out += text
    },
    error: (text) => {
      error += text
    },
  })
  return { code, out, error }
}

describe('server', () => {
  it('plans a job file as the command line does, and refuses what it cannot read with what and where', async () => {
    // A mesh beside the file is found by the command line alone: compared without the piece that wants one.
    // The first four pieces, and one of each kind and method after them, are enough to differ in.
    const job = JSON.parse(fs.readFileSync(demo, 'utf8'))
    const seen = new Set<string>()
    job.pieces = job.pieces.filter((p: { kind: string; mould: { method: string } }, i: number) => {
      const what = `${p.kind} ${p.mould.method}`
      const first = !seen.has(what)
      seen.add(what)
      return p.kind !== 'imported' && (i < 4 || first)
    })
    const text = JSON.stringify(job)
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'hollow-')), 'job.json')
    fs.writeFileSync(file, text)
    const answer = await post(text)
    expect(answer.status).toBe(200)
    const plan = await answer.json()
    const printed = await run(file, '--json')
    expect(plan).toEqual(JSON.parse(printed.out))
    const refused = await post(text.replace('"thickness":45', '"thickness":"45"'))
    expect([refused.status, (await refused.json()).problems[0].path]).toEqual([422, 'pieces[0].thickness'])
    const unwilling = await fetch(`${address}/api/plan?effort=0.5`, { method: 'POST', body: text })
    expect([unwilling.status, (await unwilling.json()).problems[0].path]).toEqual([422, 'effort'])
    expect((await post('')).status).toBe(422)
    expect((await post(' '.repeat(20_000_100))).status).toBe(413)
  })
  it('answers for a job in which every station fails, and says so of each piece', async () => {
    const broken = {
      ...(await openKernel()),
      withSolids: () => {
        throw new Error('a fault')
      },
    }
    const app = await new Promise<Server>((up) => {
      const own: Server = hollowServer(broken, folder).listen(0, '127.0.0.1', () => up(own))
    })
    const answer = await fetch(`http://127.0.0.1:${(app.address() as AddressInfo).port}/api/plan`, {
      method: 'POST',
      body: few(demo),
      headers: { 'content-type': 'application/json', connection: 'close' },
    })
    const plan = await answer.json()
    app.close()
    expect([answer.status, plan.pieces.length]).toEqual([200, 2])
    expect(new Set(plan.failed.map((f: { pieceId: string }) => f.pieceId)).size).toBe(2)
    expect(plan.failed[0].message).toBe('a fault')
  })
  it('serves pages with a strict policy, and nothing under /api but the plan', async () => {
    const page = await fetch(`${address}/piece/wash-top`)
    expect(await page.text()).toContain('<title>page</title>')
    expect(page.headers.get('content-security-policy')).toContain("default-src 'self'")
    expect((await fetch(`${address}/api/other`)).status).toBe(404)
  })
})

describe('command line', () => {
  const file = (name: string, text: string) => {
    const at = path.join(folder, name)
    fs.writeFileSync(at, text)
    return at
  }
  it.each<[string, () => string[], number, RegExp, RegExp]>([
    ['a plan as text', () => [file('few.json', few(demo))], 0, /Wash top/, /^$/],
    [
      'a finding that stops',
      () => [file('stop.json', few(demo).replace('"gap":21', '"gap":-60'))],
      1,
      /STOP {5}/,
      /^$/,
    ],
    ['no such file', () => ['nowhere.json'], 2, /^$/, /no such file/],
    ['not a job', () => [file('bad.json', '{"format":"hollow","version":1}')], 2, /^$/, /bad\.json: id: /],
    ['no file', () => [], 2, /^$/, /usage/],
    ['an effort that is none', () => [file('few.json', few(demo)), '--effort', '0'], 2, /^$/, /usage/],
    ['four times the work', () => ['--effort', '4', file('few.json', few(demo))], 0, /Wash top/, /^$/],
  ])('%s', async (_, args, code, out, error) => {
    const result = await run(...args())
    expect(result.code).toBe(code)
    expect(result.out).toMatch(out)
    expect(result.error).toMatch(error)
  })
  it('is what its script runs: the code it exits with, and nothing beside', () => {
    const spawned = spawnSync('node', ['--import', 'tsx', 'cli/plan.ts', 'nowhere.json'], {
      encoding: 'utf8',
    })
    expect([spawned.status, spawned.stdout]).toEqual([2, ''])
    expect(spawned.stderr).toMatch(/no such file/)
  })
})
