import { useRouter } from 'vue-router'
import { useAct } from '@/api/asking'
import { api, take } from '@/api/client'
import type { Brief } from '@/api/tray.gen'
import { units } from '@/tray/units'

/** A new job from what was asked, planned at once, and opened where it is laid. */
export function useBegin() {
  const router = useRouter()
  const { busy, wrong, act } = useAct('That could not be begun. Try again.')

  async function begin(title: string, brief: Brief, says = 'planned from three questions') {
    if (busy.value) return
    await act(async () => {
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
    })
  }
  return { busy, wrong, begin }
}
