import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { said, useAct } from '@/api/asking'
import { api, take, type Door, type DoorKey } from '@/api/client'

/** The door by which phones and tablets come in: whether it is open, who is in, and the key that was made last. */
export const useDoor = defineStore('door', () => {
  const door = shallowRef<Door | null>(null)
  const key = shallowRef<DoorKey | null>(null)
  const unread = ref('')
  const { busy, wrong: refused, act: tried } = useAct()
  const wrong = computed(() => refused.value || unread.value)

  async function read() {
    try {
      door.value = await take(api.GET('/api/v1/door'))
      if (!door.value.key_until) key.value = null // somebody came in by it, or its time is up
      unread.value = ''
    } catch (e) {
      unread.value = said(e, 'Phones and tablets cannot be listed just now.')
    }
  }
  async function act(does: () => Promise<unknown>) {
    await tried(does)
    await read()
  }
  const set = (open: boolean) => act(() => take(api.PUT('/api/v1/door', { body: { open } })))
  const makeKey = () =>
    act(async () => {
      key.value = await take(api.POST('/api/v1/door/key'))
    })
  const putOut = (device: string) =>
    act(() => take(api.DELETE('/api/v1/door/devices/{device}', { params: { path: { device } } })))
  async function leave() {
    await act(() => take(api.POST('/api/v1/door/leave')))
    location.assign('/enter')
  }
  return { door, key, wrong, busy, read, set, makeKey, putOut, leave }
})
