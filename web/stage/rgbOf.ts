/** A colour of the style sheet as the screen mixes it, 0 to 1 each, in linear light. */
export function rgbOf(fill: string): readonly [number, number, number] {
  const probe = document.createElement('canvas').getContext('2d', { willReadFrequently: true })
  const swatch = document.createElement('span')
  swatch.style.color = fill
  document.body.append(swatch)
  const mixed = getComputedStyle(swatch).color
  swatch.remove()
  if (!probe) return [1, 1, 1]
  probe.fillStyle = mixed
  probe.fillRect(0, 0, 1, 1)
  const [r, g, b] = probe.getImageData(0, 0, 1, 1).data
  const linear = (n: number) => (n / 255) ** 2.2
  return [linear(r!), linear(g!), linear(b!)]
}
