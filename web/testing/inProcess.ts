import fs from 'node:fs'
import { act } from '@testing-library/react'
import { type Kernel, openKernel } from '../../core/geometry/index.ts'
import type { Piece } from '../../core/job/index.ts'
import { prepareMesh } from '../../core/readers/index.ts'
import { importWork } from '../worker/importWork.ts'
import { type LayoutAsk, lookLonger } from '../worker/layoutWork.ts'
import { planWork } from '../worker/planWork.ts'

const opening = openKernel({ coarser: 12 })

/** The demo's pattern is among this device's files. */
const star = prepareMesh('star-tile.stl', fs.readFileSync('demo/star-tile.stl'))
const holdPieceMesh = async (kernel: Kernel, piece: Piece) => {
  if (star.ok && piece.kind === 'imported' && piece.file.id === star.id) kernel.holdMesh(star.id, star.mesh)
}

/** A worker whose work is done in this process: the page's own, by the name of its script. */
export class InProcess {
  onmessage: ((event: MessageEvent) => void) | null = null
  onerror: unknown = null
  readonly postMessage: (request: never) => void
  private ended = false
  constructor(script: URL | string) {
    const reply = (data: unknown) => {
      if (!this.ended) act(() => this.onmessage?.({ data } as MessageEvent))
    }
    const name = String(script)
    this.postMessage = name.includes('import.worker')
      ? (request) => void importWork(request, reply)
      : name.includes('layout.worker')
        ? (request) => void this.look(request, reply)
        : planWork({ opening, reply, holdPieceMesh })
  }
  private async look(ask: LayoutAsk, reply: (data: unknown) => void): Promise<void> {
    for (const answer of lookLonger(ask)) {
      reply(answer)
      await new Promise((go) => setTimeout(go))
      if (this.ended) return
    }
  }
  terminate(): void {
    this.ended = true
  }
}
