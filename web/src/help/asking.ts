// Asking what something is: by the question mark under the pointer or on what has the focus, or by a finger that points.
import { ref } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute } from 'vue-router'

/** Whether the help is open, and what of. */
const open = ref(false)
const of = ref('')
/** Whether the next tap only asks what is under it. */
const pointing = ref(false)

const keyOf = (e: Element | null | undefined) => e?.closest('[data-help]')?.getAttribute('data-help')
const typing = 'input:not([type=checkbox], [type=radio], [type=range]), textarea, select, [role=combobox]'

export function useAsking() {
  const route = useRoute()
  /** What the room is called that somebody is in. */
  const room = () => String(route.meta.title ?? '')

  function ask(key?: string | null) {
    of.value = key || room()
    open.value = true
    pointing.value = false
  }
  function point() {
    open.value = false
    pointing.value = true
  }

  /** Listens for the question mark and for fingers; once, for the whole program. */
  function listen() {
    useEventListener(document, 'keydown', e => {
      if (e.key === 'Escape' && pointing.value) pointing.value = false
      if (e.key !== '?' || e.ctrlKey || e.metaKey || e.altKey || (e.target as Element).closest(typing)) return
      e.preventDefault()
      if (open.value) open.value = false
      else ask(keyOf([...document.querySelectorAll(':hover')].at(-1)) ?? keyOf(document.activeElement))
    })
    useEventListener(
      document,
      ['pointerdown', 'pointerup', 'mousedown', 'mouseup', 'click'],
      e => {
        if (!pointing.value) return
        e.preventDefault()
        e.stopPropagation()
        if (e.type === 'click') ask(keyOf(e.target as Element))
      },
      { capture: true },
    )
  }
  return { open, of, pointing, ask, point, listen, room }
}
