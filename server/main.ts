import { fileURLToPath } from 'node:url'
import { openKernel } from '../core/geometry/index.ts'
import { hollowServer } from './app.ts'
import { instrumentsOf } from './instruments.ts'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const port = Number(process.env.PORT ?? 4173)
const host = process.env.HOST ?? '127.0.0.1'

const app = hollowServer(await openKernel(), here('../web/dist'), instrumentsOf(process.env.INSTRUMENTS))
const server = app.listen(port, host, (error?: Error) => {
  if (error) {
    console.error(`Cannot listen on ${host}:${port}: ${error.message}. Choose another with PORT=...`)
    process.exit(1)
  }
  console.log(`Steady Hollow: http://${host}:${port}/`)
})
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => server.close(() => process.exit(0)))
