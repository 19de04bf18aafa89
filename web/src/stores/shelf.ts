import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useAct } from '@/api/asking'
import { api, send, take, type Kept, type KeepAsked, type MainColours } from '@/api/client'
import { useToast } from '@/stores/toast'

/** What is kept to be used again: choices, ideas and themes of one's own. */
export const useShelf = defineStore('shelf', () => {
  const all = shallowRef<Kept[]>([])
  const { busy, wrong, act } = useAct('That could not be kept. Try again.')
  const toast = useToast()

  const of = (kind: Kept['kind']) => all.value.filter(k => k.kind === kind && !k.put_away)
  const choices = computed(() => of('choice'))
  const ideas = computed(() => of('idea'))
  const themes = computed(() => of('theme'))
  const patterns = computed(() => of('pattern'))

  /** Does something and reads the shelf again; what went wrong stays to be read. */
  const run = <T>(ask: () => Promise<T>) =>
    act(async () => {
      const out = await ask()
      all.value = (await take(api.GET('/api/v1/shelf'))).kept
      return out
    })
  const read = () => run(async () => undefined)
  const keep = (kind: Kept['kind'], asked: KeepAsked) =>
    run(() => take(api.POST('/api/v1/shelf/{kind}', { params: { path: { kind } }, body: asked })))
  const change = (k: Kept, asked: KeepAsked) =>
    run(() =>
      take(
        api.PUT('/api/v1/shelf/{kind}/{id}', {
          params: { path: { kind: k.kind, id: k.id }, header: { 'If-Match': `"${k.version}"` } },
          body: asked,
        }),
      ),
    )
  const path = (k: Kept) => ({ params: { path: { kind: k.kind, id: k.id } } })
  const takeOut = (k: Kept) => run(() => take(api.POST('/api/v1/shelf/{kind}/{id}/take-out', path(k))))
  async function putAway(k: Kept) {
    await run(() => take(api.DELETE('/api/v1/shelf/{kind}/{id}', path(k))))
    if (!wrong.value)
      toast.tell({
        says: `${k.name} is off the shelf.`,
        act: { name: 'Put it back', do: () => void takeOut(k) },
      })
  }
  /** The main colours of a picture, at most twelve, which is not kept for that. */
  const coloursOf = async (file: File) =>
    (await send<MainColours>('POST', '/api/v1/colours', file.type || 'image/jpeg', file)).colours.map(
      c => c.hex,
    )
  const photo = (k: Kept) => `/api/v1/ideas/${encodeURIComponent(k.id)}/photo?v=${k.version}`
  /** The drawing of a pattern's tray. */
  const drawn = ({ laid }: Kept) =>
    laid &&
    `/api/v1/jobs/${encodeURIComponent(laid.job)}/revisions/${laid.revision}/tray.svg${laid.tray ? `?tray=${laid.tray}` : ''}`
  const savePhoto = (k: Kept, file: File) =>
    run(() => send('PUT', `/api/v1/ideas/${encodeURIComponent(k.id)}/photo`, file.type || 'image/jpeg', file))

  return {
    all,
    wrong,
    busy,
    choices,
    ideas,
    themes,
    patterns,
    drawn,
    read,
    keep,
    change,
    putAway,
    takeOut,
    coloursOf,
    photo,
    savePhoto,
  }
})
