import { describe, expect, it } from 'vitest'
import { colourAt, meanColour } from './colourAt'

describe('a colour of a picture', () => {
  it('is the mean of its dots', () => expect(meanColour([0, 0, 0, 255, 255, 255, 255, 255])).toBe('#808080'))
  it('counts what is clear as little as it is seen', () => expect(meanColour([200, 16, 16, 255, 0, 0, 0, 0])).toBe('#c81010'))
  it('is none where all is clear', () => expect(meanColour([1, 2, 3, 0])).toBeNull())
  it('is none beside the picture', async () => {
    expect(await colourAt('x', -0.01, 0.5)).toBeNull()
    expect(await colourAt('x', 0.5, 1)).toBeNull()
  })
})
