import { onKeyStroke, useEventListener } from '@vueuse/core'

/** Keys of a stage, where nobody types; and the wheel with Ctrl, which comes nearer or goes farther. */
export function useStageKeys(keys: Readonly<Record<string, () => void>>, wheel: (nearer: boolean) => void) {
  onKeyStroke(e => {
    const typing = 'input:not([type=checkbox]), textarea, select, [role=combobox], [role=dialog]'
    const act = keys[e.key.toLowerCase()]
    if (!act || e.ctrlKey || e.metaKey || e.altKey || (e.target as Element).closest(typing)) return
    act()
    e.preventDefault()
  })
  useEventListener(
    'wheel',
    e => {
      if (!e.ctrlKey) return
      e.preventDefault()
      wheel(e.deltaY < 0)
    },
    { passive: false },
  )
}
