import wasm from 'manifold-3d/manifold.wasm?url'
import { openKernel } from '../../core/geometry/index.ts'
import { holdPieceMesh } from './pieceMesh.ts'
import { planWork } from './planWork.ts'
import type { Reply, Request } from './protocol.ts'

const take = planWork({
  opening: openKernel({ wasm }),
  reply: (message: Reply, transfer: Transferable[] = []) => self.postMessage(message, { transfer }),
  holdPieceMesh,
})

self.onmessage = ({ data }: MessageEvent<Request>) => take(data)
