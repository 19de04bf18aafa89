import { computed, nextTick, shallowRef, watch, type Ref } from 'vue'
import { useElementBounding } from '@vueuse/core'
import type { Scene } from '@/api/client'

/** Where the drawn tray lies on the screen: its scale, whether it is shown turned, and which point of it is where. */
export function useSheet(
  props: Readonly<{ scene: Scene; zoom: number }>,
  room: Readonly<Ref<HTMLElement | null>>,
  scroller: Readonly<Ref<HTMLElement | null>>,
  hands: Readonly<Ref<SVGElement | null>>,
) {
  const ruler = 26 // px for each ruler
  const size = useElementBounding(room)

  const box = computed(() => props.scene.box as [number, number, number, number])
  /** px for a mm, of the whole board and as near as it is looked at */
  const fitting = computed(() => {
    const [, , w, h] = box.value
    const [wide, high] = [size.width.value - ruler, size.height.value - ruler]
    return { lying: Math.min(wide / w, high / h), turned: Math.min(wide / h, high / w) }
  })
  const helps = 1.15 // times as large at least, or the front stays where it is
  /** A board that stands on its narrow side is shown a quarter turned where it is seen larger so. */
  const turned = computed(() => fitting.value.turned > helps * fitting.value.lying)
  const fit = computed(() => Math.max(0.05, turned.value ? fitting.value.turned : fitting.value.lying))
  const scale = computed(() => fit.value * props.zoom)
  const mm = (px: number) => px / scale.value
  const view = computed(() => {
    const [x, y, w, h] = box.value
    const r = mm(ruler)
    return { x: x - r, y: y - r, w: w + r, h: h + r }
  })
  const px = computed(() => ({ w: view.value.w * scale.value, h: view.value.h * scale.value }))
  const viewBox = computed(() => `${view.value.x} ${view.value.y} ${view.value.w} ${view.value.h}`)
  /** Where the sheet lies in its room: in the middle, on whole px, so that nothing on it is smeared over two. */
  const lies = computed(() => {
    const middle = (from: number, long: number, own: number) =>
      Math.max(0, Math.round(from + (long - own) / 2) - from) + 'px'
    const { left, top, width, height } = size
    const [w, h] = turned.value ? [px.value.h, px.value.w] : [px.value.w, px.value.h]
    return {
      width: w + 'px',
      height: h + 'px',
      marginLeft: middle(left.value, width.value, w),
      marginTop: middle(top.value, height.value, h),
    }
  })
  /** The sheet as it is drawn, before it is turned. */
  const flat = computed(() => ({
    width: px.value.w + 'px',
    height: px.value.h + 'px',
    ...(turned.value && { transform: `translateX(${px.value.h}px) rotate(90deg)` }),
  }))
  const art = computed(() => ({
    left: ruler + 'px',
    top: ruler + 'px',
    width: box.value[2] * scale.value + 'px',
    height: box.value[3] * scale.value + 'px',
  }))

  function toBoard(clientX: number, clientY: number) {
    const rect = hands.value!.getBoundingClientRect()
    const [across, down] = turned.value
      ? [clientY - rect.top, rect.right - clientX]
      : [clientX - rect.left, clientY - rect.top]
    return { x: mm(across) + view.value.x, y: mm(down) + view.value.y }
  }

  // what lies under the pointer, or in the middle, stays there when one comes nearer
  const pointer = shallowRef<{ x: number; y: number } | null>(null)
  watch(
    () => props.zoom,
    async () => {
      const at = scroller.value?.getBoundingClientRect()
      if (!at || !hands.value) return
      const { x, y } = pointer.value ?? { x: at.left + at.width / 2, y: at.top + at.height / 2 }
      const old = hands.value.getBoundingClientRect() // the page still has its old size
      await nextTick()
      const now = hands.value.getBoundingClientRect()
      scroller.value!.scrollBy(
        ((x - old.left) / old.width) * now.width + now.left - x,
        ((y - old.top) / old.height) * now.height + now.top - y,
      )
    },
    { flush: 'sync' },
  )

  /** Where on the board, in mm, a point of the screen lies; null beside the drawing. */
  function boardPoint(clientX: number, clientY: number) {
    const rect = hands.value?.getBoundingClientRect()
    if (!rect || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom)
      return null
    const tenths = (v: number) => Math.round(v * 10) / 10
    const p = toBoard(clientX, clientY)
    return { x: tenths(p.x), y: tenths(p.y) }
  }

  return { ruler, size, turned, fit, scale, mm, view, viewBox, lies, flat, art, toBoard, pointer, boardPoint }
}
