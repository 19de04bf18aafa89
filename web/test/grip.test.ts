import { describe, expect, it } from 'vitest'
import type { TrayElement } from '@/api/tray.gen'
import { useGrip } from '@/composables/grip'

const element = { id: 'fig-1', x: 100, y: 50, turn_deg: 30 } as TrayElement
const at = (clientX: number, clientY: number) =>
  ({
    clientX,
    clientY,
    pointerId: 1,
    currentTarget: { setPointerCapture: () => undefined },
  }) as unknown as PointerEvent
/** Two px are a mm, and the board begins at 10, 20. */
const grip = () => useGrip((x, y) => ({ x: (x - 10) / 2, y: (y - 20) / 2 }))

describe('taking hold', () => {
  it('carries by what the pointer went, to a tenth of a mm', () => {
    const g = grip()
    g.take(at(200, 100), element, 3, false)
    expect(g.follow(at(215, 90))).toEqual({
      id: 'fig-1',
      index: 3,
      from: { x: 100, y: 50, turn: 30 },
      to: { x: 107.5, y: 45, turn: 30 },
    })
    expect(g.letGo()?.to.x).toBe(107.5)
    expect(g.carried.value).toBeNull()
  })
  it('is not a move while the press only slips', () => {
    const g = grip()
    g.take(at(200, 100), element, 3, false)
    expect(g.follow(at(202, 102))).toBeNull()
    expect(g.letGo()).toBeNull()
  })
  it('turns round its own middle by whole degrees', () => {
    const g = grip()
    g.take(at(210, 60), element, 3, true) // above: its middle is at 210, 120
    expect(g.follow(at(270, 120))!.to).toEqual({ x: 100, y: 50, turn: 120 })
  })
  it('turns by a second finger, and goes on being carried', () => {
    const g = grip()
    expect(g.twist(20)).toBeNull()
    g.take(at(200, 100), element, 3, false)
    expect(g.twist(25)!.to).toEqual({ x: 100, y: 50, turn: 55 })
    expect(g.follow(at(215, 90))!.to).toEqual({ x: 107.5, y: 45, turn: 55 })
  })
  it('follows nothing that was not taken', () => {
    expect(grip().follow(at(300, 300))).toBeNull()
  })
})
