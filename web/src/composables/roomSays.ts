import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'
import type { Displaced } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { length } from '@/tray/units'
import { count } from '@/tray/words'

type Told = Partial<Displaced> & Pick<Displaced, 'lifted'>

/** Says what found no room. */
export function useRoomSays() {
  const larder = useLarder()
  const toast = useToast()
  return (tray: TrayFile, { lifted, fewer, drawn_in_mm: drawn = 0, no_room = [] }: Told, moved = '') => {
    const name = (id: string) => larder.name(tray.elements.find(e => e.id === id)?.food ?? id).toLowerCase()
    const says = []
    if (drawn >= 0.5 && moved)
      says.push(`The edge is in the way: the ${name(moved)} went ${length(drawn)} less far.`)
    if (no_room.length)
      says.push(
        `There is no free room for ${no_room.map(name).join(', ')}; it lies in the middle. Move it, or make room.`,
      )
    if (lifted.length) {
      const wait = lifted.length > 1 ? 'they wait' : 'it waits'
      says.push(`No room is left for ${lifted.map(name).join(', ')}; ${wait} beside the board.`)
    }
    if (fewer?.length) {
      const parts = fewer.map(f => `${count(f.pieces, 'piece')} of ${name(f.id)}`)
      says.push(`${parts.join(', ')} went to reserve.`)
    }
    if (says.length) toast.tell({ says: says.join(' ') })
  }
}
