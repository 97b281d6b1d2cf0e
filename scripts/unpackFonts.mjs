// The PDF writer embeds TrueType only; the font package ships WOFF. WOFF 1 is the same tables, each deflated:
// this writes them back as TTF into web/public/fonts.
import fs from 'node:fs'
import zlib from 'node:zlib'

const from = new URL('../node_modules/@fontsource/sofia-sans-condensed/files/', import.meta.url)
const to = new URL('../web/public/fonts/', import.meta.url)
fs.mkdirSync(to, { recursive: true })
for (const [weight, name] of [
  [400, 'sheet-regular.ttf'],
  [700, 'sheet-bold.ttf'],
])
  fs.writeFileSync(
    new URL(name, to),
    unpack(fs.readFileSync(new URL(`sofia-sans-condensed-latin-${weight}-normal.woff`, from))),
  )

function unpack(woff) {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF 1 file')
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + i * 20
    const [offset, packed, length, sum] = [4, 8, 12, 16].map((k) => woff.readUInt32BE(at + k))
    const raw = woff.subarray(offset, offset + packed)
    return { tag: woff.subarray(at, at + 4), sum, data: packed < length ? zlib.inflateSync(raw) : raw }
  })
  const power = 2 ** Math.floor(Math.log2(count))
  const head = Buffer.alloc(12 + count * 16)
  woff.copy(head, 0, 4, 8)
  head.writeUInt16BE(count, 4)
  head.writeUInt16BE(power * 16, 6)
  head.writeUInt16BE(Math.log2(power), 8)
  head.writeUInt16BE(count * 16 - power * 16, 10)
  const parts = [head]
  let offset = head.length
  tables.forEach(({ tag, sum, data }, i) => {
    const at = 12 + i * 16
    tag.copy(head, at)
    head.writeUInt32BE(sum, at + 4)
    head.writeUInt32BE(offset, at + 8)
    head.writeUInt32BE(data.length, at + 12)
    const padded = Buffer.alloc(Math.ceil(data.length / 4) * 4)
    data.copy(padded)
    parts.push(padded)
    offset += padded.length
  })
  return Buffer.concat(parts)
}
