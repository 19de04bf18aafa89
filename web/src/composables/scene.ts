import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { api, take, type Scene } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { newest } from './newest'

/**
 * The drawings of the open tray. They come from the server whenever more than
 * places changed; a move only shifts what was moved.
 */
export function useScene() {
  const job = useJob()
  const scene = shallowRef<Scene | null>(null)
  /** The tray the scene was drawn from: a layout on its way is drawn before it is saved. */
  const drawn = shallowRef<TrayFile | null>(null)
  const missing = ref(false)
  /** Whether tools are shown. Where they lie follows from all that is laid, which only the server knows. */
  const tools = ref(false)
  watch(tools, on => on && !scene.value?.tools.length && draw(job.tray))
  let wanted: TrayFile | null = null

  /** The scene of a tray that the server has; null where it has it otherwise. */
  async function ofSaved(t: TrayFile, signal: AbortSignal): Promise<Scene | null> {
    if (t !== job.tray || job.doc !== job.base) return null
    const params = { path: { id: job.id }, query: job.at ? { tray: job.at } : {} }
    const s = await take(api.GET('/api/v1/jobs/{id}/scene', { params, signal }))
    return s.revision === job.revision ? s.scene : null
  }

  const fetchScene = newest(
    async signal => {
      const t = wanted
      if (!t) return
      try {
        scene.value =
          (await ofSaved(t, signal)) ?? (await take(api.POST('/api/v1/scene', { body: t, signal })))
        drawn.value = t
        missing.value = false
      } catch (e) {
        if (!signal.aborted) missing.value = true
        throw e
      }
    },
    10,
    true,
  )

  function draw(t: TrayFile | null) {
    wanted = t
    if (t?.board) fetchScene()
    else scene.value = null
  }

  let last = 0
  /** Draws a layout on its way, a few times a second at most. */
  function preview(t: TrayFile) {
    if (performance.now() - last < 350) return
    last = performance.now()
    draw(t)
  }

  watch(
    () => job.shape,
    () => draw(job.tray),
    { immediate: true },
  )

  /**
   * Puts the drawings where their pieces lie on a tray that differs from the drawn one in places
   * only; false, and nothing is done, where it differs in more.
   */
  function place(now: TrayFile): boolean {
    const s = scene.value
    const was = drawn.value
    if (!s || !was || was.elements.length !== now.elements.length) return false
    const alike = now.elements.every((e, i) => {
      const o = was.elements[i]!
      return (
        e.id === o.id &&
        e.form === o.form &&
        e.vessel === o.vessel &&
        e.pieces.length === o.pieces.length &&
        e.pieces.every((p, k) => p.variant === o.pieces[k]!.variant)
      )
    })
    if (!alike) return false
    scene.value = {
      ...s,
      tools: [],
      bands: s.bands.map(b => ({
        pieces: b.pieces.map(p => {
          const q = now.elements[p.e]!.pieces[p.p]
          if (!q?.at) return p
          const [x = p.x, y = p.y] = q.at
          return { ...p, x, y, turn: q.turn_deg ?? 0 }
        }),
      })),
    }
    drawn.value = now
    if (tools.value) draw(now)
    return true
  }

  job.drawnBy(place)
  onScopeDispose(() => job.drawnBy(null))
  /** What is said while there is no drawing. */
  const says = computed(() =>
    missing.value
      ? 'The drawing cannot be had just now; trying again with the next change.'
      : 'Drawing the tray',
  )
  return { says, scene, drawn, missing, tools, draw, preview }
}
