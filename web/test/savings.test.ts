// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import SavingsList from '@/components/amounts/SavingsList.vue'
import { useJob } from '@/stores/job'
import { tray } from './tray'

const { post } = vi.hoisted(() => ({ post: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { POST: post },
  take: (answer: Promise<unknown>) => answer,
}))

const saving = { food: 'ham', saves: 960, says: 'Less ham', loss: 0, loses: 'nothing lost', grams: 100 }

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
})
afterEach(() => void vi.useRealTimers())

it('offers nothing that was reckoned before the last change', async () => {
  const job = useJob()
  post.mockImplementation((path: string) => Promise.resolve(path === '/api/v1/savings' ? [saving] : {}))
  job.change(tray('one'), 'began')
  const w = mount(SavingsList, { props: { over: true, busy: false } })
  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
  const button = () => w.get('button').element
  expect(button().disabled).toBe(false)

  job.change(tray('two'), 'changed')
  await w.vm.$nextTick()
  expect(w.text()).toContain('Less ham')
  expect(button().disabled).toBe(true)
  await w.get('button').trigger('click')
  expect(w.emitted('take')).toBeUndefined()

  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
  expect(button().disabled).toBe(false)
  await w.get('button').trigger('click')
  expect(w.emitted('take')).toEqual([[saving]])
})
