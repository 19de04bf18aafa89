import { useLocalStorage } from '@vueuse/core'

// Rooms that were used once; outside of any part, as it is written when a part goes.
const known = useLocalStorage<string[]>('happy-tray-rooms', [])

export const knows = (room: string) => known.value.includes(room)
export function know(room: string) {
  if (room && !knows(room)) known.value = [...known.value, room]
}
