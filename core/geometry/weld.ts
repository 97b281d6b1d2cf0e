/** For each vertex the first one at the same place, by a table of the bits of its coordinates. */
export function weld(positions: Float32Array): Uint32Array {
  const count = positions.length / 3
  // 0 and -0 are one place.
  const plain = positions.map((x) => x + 0)
  const bits = new Uint32Array(plain.buffer, plain.byteOffset, plain.length)
  const first = new Uint32Array(count)
  let size = 16
  while (size < 2 * count) size *= 2
  const table = new Int32Array(size).fill(-1)
  for (let v = 0; v < count; v += 1) {
    const [x, y, z] = [bits[3 * v]!, bits[3 * v + 1]!, bits[3 * v + 2]!]
    let at = (Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) >>> 0
    at = (at ^ (at >>> 15)) & (size - 1)
    let known = table[at]!
    while (known >= 0 && (bits[3 * known] !== x || bits[3 * known + 1] !== y || bits[3 * known + 2] !== z)) {
      at = (at + 1) & (size - 1)
      known = table[at]!
    }
    if (known < 0) table[at] = v
    first[v] = known < 0 ? v : known
  }
  return first
}
