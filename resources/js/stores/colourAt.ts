/**
 * The mean colour of nine dots of a picture around a place.
 *
 * @param across share of its width, @param down of its height
 * @returns #rrggbb; null beside the picture
 */
export async function colourAt(url: string, across: number, down: number): Promise<string | null> {
  if (across < 0 || across >= 1 || down < 0 || down >= 1) return null
  const image = new Image()
  image.src = url
  await image.decode()
  const [x, y] = [Math.floor(across * image.naturalWidth), Math.floor(down * image.naturalHeight)]
  const canvas = document.createElement('canvas')
  canvas.width = canvas.height = 3
  const drawing = canvas.getContext('2d', { willReadFrequently: true })!
  drawing.drawImage(image, x - 1, y - 1, 3, 3, 0, 0, 3, 3)
  return meanColour(drawing.getImageData(0, 0, 3, 3).data)
}

/** Of dots as a canvas gives them, red, green, blue and how solid they are; what is clear does not count. */
export function meanColour(dots: ArrayLike<number>): string | null {
  const sum = [0, 0, 0]
  let solid = 0
  for (let at = 0; at + 3 < dots.length; at += 4) {
    const alpha = dots[at + 3]!
    for (const channel of [0, 1, 2]) sum[channel]! += dots[at + channel]! * alpha
    solid += alpha
  }
  return solid === 0 ? null : `#${sum.map((one) => Math.round(one / solid).toString(16).padStart(2, '0')).join('')}`
}
