import { Readable } from 'node:stream'
import { type Request, type Response, Router } from 'express'
import { linesAt } from './standIn.ts'

/** Where lines come from: a program of one's own at an address, what stands in for one, or nowhere. */
export type Instruments =
  | { readonly kind: 'url'; readonly url: string }
  | { readonly kind: 'stand-in' | 'off' }

/** As it is told by INSTRUMENTS: an address, `off`, or nothing for the stand-in. */
export function instrumentsOf(told: string | undefined): Instruments {
  if (told === undefined || told === '') return { kind: 'stand-in' }
  if (told === 'off') return { kind: 'off' }
  const url = URL.parse(told)
  if (url?.protocol !== 'http:' && url?.protocol !== 'https:')
    throw new Error(`INSTRUMENTS is an http address, off, or not set; it is ${told}`)
  return { kind: 'url', url: url.href }
}

const HEAD = { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' }
const refuse = (response: Response, status: number, path: string, text: string) =>
  response.status(status).json({ problems: [{ code: status === 422 ? 'range' : 'unknown', path, text }] })

/** `GET /`: lines of the instruments as server-sent events, until the page goes. */
export function instrumentRoutes(from: Instruments): Router {
  const routes = Router()
  routes.get('/', (request, response) => {
    if (from.kind === 'off') refuse(response, 404, '', 'No instruments are connected here.')
    else if (from.kind === 'url') void passOn(from.url, request, response)
    else standInFor(request, response)
  })
  return routes
}

/** Once a second what the stand-in shows; `towards` is what is weighed out, kg, and `seed` its chance. */
function standInFor(request: Request, response: Response): void {
  const [towardsKg, seed] = [Number(request.query.towards ?? 0), Number(request.query.seed ?? 1)]
  if (!(towardsKg >= 0 && towardsKg <= 5000))
    return void refuse(response, 422, 'towards', 'towards is a mass from 0 to 5000 kg')
  if (!Number.isSafeInteger(seed)) return void refuse(response, 422, 'seed', 'seed is a whole number')
  response.writeHead(200, HEAD)
  let second = 0
  const tell = () => {
    for (const line of linesAt({ seed, towardsKg }, second))
      response.write(`data: ${JSON.stringify(line)}\n\n`)
    second += 1
  }
  tell()
  const each = setInterval(tell, 1000)
  request.on('close', () => clearInterval(each))
}

/** Another program's own stream, as it is: the page reads only what is of the protocol. */
async function passOn(url: string, request: Request, response: Response): Promise<void> {
  const gone = new AbortController()
  request.on('close', () => gone.abort())
  try {
    const answer = await fetch(url, { signal: gone.signal, headers: { Accept: 'text/event-stream' } })
    if (!answer.ok || !answer.body) throw new Error(`it answered ${answer.status}`)
    response.writeHead(200, HEAD)
    const body = Readable.fromWeb(answer.body as Parameters<typeof Readable.fromWeb>[0])
    // When it ends or fails the page asks again by itself.
    body.on('error', () => response.end())
    body.pipe(response)
  } catch {
    if (!response.headersSent) refuse(response, 502, '', 'The instruments do not answer.')
  }
}
