import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, Trouble } from '@/api/client'
import type { Brief } from '@/api/tray.gen'
import { units } from '@/tray/units'

/** A new job from what was asked, planned at once, and opened where it is laid. */
export function useBegin() {
  const router = useRouter()
  const busy = ref(false)
  const wrong = ref('')

  async function begin(title: string, brief: Brief, says = 'planned from three questions') {
    if (busy.value) return
    busy.value = true
    wrong.value = ''
    try {
      const asked = { hemisphere: units.hemisphere, ...brief }
      const job = await take(api.POST('/api/v1/jobs', { body: { title, brief: asked } }))
      const planned = await take(api.POST('/api/v1/plan', { body: asked }))
      await take(
        api.PUT('/api/v1/jobs/{id}', {
          params: { path: { id: job.id }, header: { 'If-Match': `"${job.revision}"` }, query: { says } },
          body: { ...planned, title },
        }),
      )
      await router.push({ name: 'lay', params: { id: job.id }, query: { now: '1' } })
    } catch (e) {
      wrong.value = e instanceof Trouble ? e.message : 'That could not be begun. Try again.'
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, begin }
}
