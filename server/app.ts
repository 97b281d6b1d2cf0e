import path from 'node:path'
import compression from 'compression'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
import helmet from 'helmet'
import type { Kernel } from '../core/geometry/index.ts'
import { LIMITS, readJob } from '../core/job/index.ts'
import { holdFonts } from '../core/piece/index.ts'
import { isEffort, planJob } from '../core/planJson.ts'
import { stationMemo } from '../core/station.ts'
import { type Instruments, instrumentRoutes } from './instruments.ts'

/** The policy under which the whole interface runs: nothing from elsewhere, wasm allowed, Radix's style elements allowed. */
const POLICY = {
  'default-src': ["'self'"],
  'script-src': ["'self'", "'wasm-unsafe-eval'"],
  'worker-src': ["'self'"],
  'connect-src': ["'self'"],
  'style-src': ["'self'", "'unsafe-inline'"],
  'img-src': ["'self'", 'data:', 'blob:'],
  'font-src': ["'self'"],
  'manifest-src': ["'self'"],
  'object-src': ["'none'"],
  'base-uri': ["'none'"],
  'frame-ancestors': ["'none'"],
  'form-action': ["'self'"],
}

/**
 * The server: the built interface, `POST /api/plan`, which takes a job file and gives its plan, and `GET
 * /api/instruments`, what scale and thermometers show.
 */
export function hollowServer(
  kernel: Kernel,
  site: string,
  instruments: Instruments = { kind: 'stand-in' },
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(
    helmet({
      contentSecurityPolicy: { useDefaults: false, directives: POLICY },
      strictTransportSecurity: false,
    }),
  )
  // Before what is compressed: each line goes out as it comes.
  app.use('/api/instruments', instrumentRoutes(instruments))
  app.use(compression())
  app.post(
    '/api/plan',
    express.text({ type: () => true, limit: LIMITS.fileBytes }),
    async (request, response) => {
      const effort = request.query.effort === undefined ? 1 : Number(request.query.effort)
      if (!isEffort(effort)) {
        const text = 'effort is a whole number from 1 to 64'
        response.status(422).json({ problems: [{ code: 'range', path: 'effort', text }] })
        return
      }
      const read = readJob(typeof request.body === 'string' ? request.body : '')
      if (read.ok) {
        await holdFonts(read.job.pieces.flatMap((p) => p.lettering.map((l) => l.font)))
        response.json(planJob(kernel, read.job, stationMemo(), effort))
      } else response.status(422).json({ problems: read.problems })
    },
  )
  app.use('/api', (_, response) => {
    response.status(404).json({
      problems: [
        {
          code: 'unknown',
          path: '',
          text: 'There is nothing here. POST a job file to /api/plan, or GET /api/instruments.',
        },
      ],
    })
  })
  app.use(express.static(site, { setHeaders: cacheForever, index: 'index.html' }))
  app.get('/{*path}', (_, response) => {
    response.sendFile(path.resolve(site, 'index.html'))
  })
  app.use((error: Error & { status?: number }, _: Request, response: Response, __: NextFunction) => {
    const tooLarge = error.status === 413
    response.status(error.status ?? 500).json({
      problems: [
        {
          code: tooLarge ? 'tooLarge' : 'failed',
          path: '',
          text: tooLarge
            ? `The file is larger than ${LIMITS.fileBytes / 1e6} MB.`
            : 'The plan could not be made.',
        },
      ],
    })
  })
  return app
}

/** Built files carry a hash in their name and never change; everything else is asked for again. */
function cacheForever(response: Response, file: string): void {
  response.setHeader(
    'Cache-Control',
    /[\\/]assets[\\/]/.test(file) ? 'public, max-age=31536000, immutable' : 'no-cache',
  )
}
