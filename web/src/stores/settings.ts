import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, take, Trouble, type Settings } from '@/api/client'
import { units } from '@/tray/units'

/** Units, currency and hemisphere: read once, kept on the server for every window. */
export const useSettings = defineStore('settings', () => {
  const wrong = ref('')
  let reading: Promise<void> | null = null

  function read(): Promise<void> {
    reading ??= take<Settings>(api.GET('/api/v1/settings')).then(
      s => void Object.assign(units, s),
      () => {
        reading = null // the usual ones until the server answers
      },
    )
    return reading
  }

  async function change(part: Partial<Settings>) {
    const was = { ...units }
    Object.assign(units, part)
    try {
      await take(api.PUT('/api/v1/settings', { body: { ...units } }))
      wrong.value = ''
    } catch (e) {
      Object.assign(units, was)
      wrong.value = e instanceof Trouble ? e.message : 'That could not be kept. Try again.'
    }
  }
  return { wrong, read, change }
})
