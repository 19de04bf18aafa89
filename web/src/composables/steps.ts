import { computed, ref } from 'vue'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

/** The order of work along the foot of Lay: up to which step the tray is built, and another order of the hands'. */
export function useSteps() {
  const job = useJob()
  const step = ref<number | null>(null)
  /** What is laid in steps that are still to come. */
  const hidden = computed<ReadonlySet<string>>(() => {
    if (step.value === null || !job.prep) return new Set()
    return new Set(job.prep.steps.filter(s => s.number > step.value!).flatMap(s => s.elements))
  })

  function orderHands(order: string[]) {
    const says = order.length ? 'changed the build order' : 'went back to the usual build order'
    const next = { ...job.tray!, order }
    if (!order.length) delete (next as TrayFile).order
    job.changeTray(next, says)
  }

  return { step, hidden, orderHands }
}
