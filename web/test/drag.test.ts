import { describe, expect, it, vi } from 'vitest'
import { useDrag } from '@/composables/drag'

const on = { setPointerCapture: vi.fn() }
const at = (clientX: number, clientY: number, button = 0) =>
  ({ clientX, clientY, button, pointerId: 1, currentTarget: on }) as unknown as PointerEvent
const told = () => ({ moved: vi.fn(), dropped: vi.fn(), pressed: vi.fn() })

describe('drawing with a pointer', () => {
  it('tells from where to where, and how far since it was told last', () => {
    const t = told()
    const d = useDrag<string>(t)
    d.take(at(10, 10), 'a')
    expect(on.setPointerCapture).toHaveBeenCalled()
    d.on.pointermove(at(14, 10))
    d.on.pointermove(at(20, 13))
    expect(t.moved).toHaveBeenLastCalledWith(
      expect.objectContaining({
        of: 'a',
        from: { x: 10, y: 10 },
        at: { x: 20, y: 13 },
        step: { x: 6, y: 3 },
      }),
    )
    d.on.pointerup(at(24, 13)) // it may come up where it was not told of before
    expect(t.dropped).toHaveBeenCalledWith(expect.objectContaining({ at: { x: 24, y: 13 } }), true)
    d.on.pointermove(at(50, 50)) // nothing is held any more
    expect(t.moved).toHaveBeenCalledTimes(2)
    expect(d.pull.value).toBeNull()
  })
  it('is a press while it only slips, and the holder has the pointer once it is a pull', () => {
    const t = told()
    const holder = { setPointerCapture: vi.fn() }
    const d = useDrag<number>({ ...t, slack: 6, holder: () => holder as unknown as Element })
    d.take(at(0, 0), 7)
    d.on.pointermove(at(3, 3))
    d.on.pointerup(at(3, 3))
    expect([t.pressed.mock.calls, t.dropped.mock.calls, holder.setPointerCapture.mock.calls]).toEqual([
      [[7]],
      [],
      [],
    ])
    d.take(at(0, 0), 7)
    d.on.pointermove(at(9, 0))
    expect(holder.setPointerCapture).toHaveBeenCalledOnce()
    d.on.pointercancel(at(0, 0))
    expect(t.dropped).toHaveBeenCalledWith(expect.objectContaining({ of: 7 }), false)
  })
  it('takes nothing with another button', () => {
    const t = told()
    const d = useDrag<number>(t)
    d.take(at(0, 0, 2), 1)
    d.on.pointermove(at(40, 0))
    d.on.pointerup(at(40, 0))
    expect(t.moved.mock.calls.concat(t.dropped.mock.calls, t.pressed.mock.calls)).toEqual([])
  })
})
