import { computed, ref, shallowRef } from 'vue'
import { said } from '@/api/asking'
import { api, take, Trouble, type FoodPage, type Lot } from '@/api/client'
import type { Food } from '@/api/tray.gen'
import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'

/** Members to change, or how they follow from the food as it is by then. */
export type FoodChange = Partial<Food> | ((now: Food) => Partial<Food>)

/**
 * One food of the larder, changed a little at a time. Each change is saved at once
 * and can be taken back; changes made in haste are sent one after another.
 */
export function useFoodPage() {
  const larder = useLarder()
  const toast = useToast()
  const page = shallowRef<FoodPage | null>(null)
  const wrong = ref('')
  const missing = ref(false)
  const saving = ref(0)
  const before: Food[] = [] // what undo goes back to
  const undoable = ref(0)
  let last: Promise<void> = Promise.resolve()

  const food = computed(() => page.value?.food ?? null)
  const path = () => ({ params: { path: { id: page.value!.food.id } } })

  async function open(id: string) {
    page.value = null
    wrong.value = ''
    missing.value = false
    before.length = undoable.value = 0
    try {
      page.value = await take(api.GET('/api/v1/foods/{id}', { params: { path: { id } } }))
    } catch (e) {
      missing.value = e instanceof Trouble && e.status === 404
      wrong.value = said(e, 'The food cannot be read.')
    }
  }

  /** Runs work after what is under way, and says what went wrong. */
  function inTurn(work: () => Promise<void>): Promise<void> {
    saving.value++
    last = last.then(async () => {
      try {
        await work()
        wrong.value = ''
      } catch (e) {
        const id = page.value?.food.id
        if (e instanceof Trouble && e.status === 412 && id) {
          await open(id)
          wrong.value = 'This food was changed in another window. It is shown as it is now; change it again.'
        } else wrong.value = said(e, 'That could not be saved. Try again.')
      } finally {
        saving.value--
      }
      larder.forget()
    })
    return last
  }

  async function put(next: Food) {
    page.value = await take(
      api.PUT('/api/v1/foods/{id}', {
        params: { path: { id: next.id }, header: { 'If-Match': `"${page.value!.version}"` } },
        body: next,
      }),
    )
  }

  /** Saves some members changed; a refused change leaves the food as it was. */
  const change = (part: FoodChange) =>
    inTurn(async () => {
      const was = page.value!.food
      await put({ ...was, ...(typeof part === 'function' ? part(was) : part) })
      before.push(was)
      undoable.value = before.length
    })

  const undo = () =>
    inTurn(async () => {
      const was = before.at(-1)
      if (!was) return
      await put(was)
      before.pop()
      undoable.value = before.length
    })

  const handBack = () =>
    inTurn(async () => {
      before.push(page.value!.food)
      page.value = await take(api.POST('/api/v1/foods/{id}/hand-back', path()))
      undoable.value = before.length
    })

  const stock = (next: (now: Lot[]) => Lot[]) =>
    inTurn(async () => {
      const keep = () => {
        const seen = page.value!.stock
        return take(api.PUT('/api/v1/foods/{id}/stock', { ...path(), body: { lots: next(seen), seen } }))
      }
      try {
        page.value = await keep()
      } catch (e) {
        if (!(e instanceof Trouble) || e.status !== 412) throw e
        await refresh() // the same change to what another window made of it
        page.value = await keep()
      }
    })

  const putAway = () =>
    inTurn(async () => {
      const { id, name } = page.value!.food
      await take(api.DELETE('/api/v1/foods/{id}', path()))
      page.value = { ...page.value!, put_away: true }
      toast.tell({
        says: `${name} is hidden. Boards that use it keep it.`,
        act: { name: 'Show it again', do: () => void takeOut(id) },
      })
      await refresh()
    })
  const takeOut = (id: string) =>
    inTurn(async () => {
      await take(api.POST('/api/v1/foods/{id}/take-out', { params: { path: { id } } }))
      if (page.value?.food.id === id) await refresh()
    })
  async function refresh() {
    page.value = await take(api.GET('/api/v1/foods/{id}', path()))
  }

  /** A copy under its own name; its id. */
  async function copy(name: string): Promise<string | null> {
    let id: string | null = null
    await inTurn(async () => {
      const made = await take(api.POST('/api/v1/foods', { body: { name, from: page.value!.food.id } }))
      id = made.food.id
    })
    return id
  }

  return {
    page,
    food,
    wrong,
    missing,
    saving,
    undoable,
    open,
    change,
    undo,
    handBack,
    stock,
    putAway,
    takeOut,
    copy,
    refresh,
  }
}
