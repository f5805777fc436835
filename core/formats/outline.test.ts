import { describe, expect, it } from 'vitest'
import { pathPoints } from '../dressing'
import { outlineFromSvg } from '.'

const svg = (inner: string) =>
  `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${inner}</svg>`

describe('an outline from an SVG file', () => {
  it('is the largest closed path, in straight lines', () => {
    const read = outlineFromSvg(svg('<g><path d="M1 1h5v5h-5z"/><path d="M10 10H90V50H10Z"/></g>'))
    expect(read).toMatchObject({ ok: true, across: 2 })
    const points = pathPoints((read as { outline: string }).outline)
    expect(points).toHaveLength(4)
    expect(Math.max(...points.map(([x]) => x))).toBe(1000)
  })

  it('follows curves closely, and keeps what is up up', () => {
    const read = outlineFromSvg(svg('<path d="M0 100 C 0 0, 100 0, 100 100 Z"/>'))
    if (!read.ok) throw new Error(read.reason)
    const points = pathPoints(read.outline)
    expect(points.length).toBeGreaterThan(10)
    // The flat side lies at the foot: more of the outline's width is there than at the head.
    const foot = Math.min(...points.map(([, y]) => y))
    const at = (share: number) => points.filter(([, y]) => Math.abs(y - foot - share * 750) < 60).map(([x]) => x)
    expect(Math.max(...at(0)) - Math.min(...at(0))).toBeGreaterThan(Math.max(...at(1)) - Math.min(...at(1)))
  })

  it('takes polygons', () => {
    expect(outlineFromSvg(svg('<polygon points="0,0 10,0 5,8"/>'))).toMatchObject({ ok: true })
  })

  it.each([
    ['no SVG', 'hello', /no SVG/],
    ['one without paths', svg('<text>hi</text>'), /no path and no polygon/],
    ['an open path', svg('<path d="M0 0 L10 0 L10 10"/>'), /is closed/],
    ['nonsense for a path', svg('<path d="Q banana"/>'), /is closed/],
    ['a huge file', `${svg('')}${' '.repeat(500_000)}`, /larger/],
  ])('says why it cannot use %s', (_, text, reason) => {
    const read = outlineFromSvg(text)
    expect(read.ok).toBe(false)
    expect((read as { reason: string }).reason).toMatch(reason)
  })
})
