import { ref, shallowRef } from 'vue'
import type { ExerciseAsked, ExerciseMark } from '@/api/client'

// What is being practised, which of it, and what came of what was done: it outlives a walk to where a board is laid.
const set = shallowRef<ExerciseAsked[]>([])
const at = ref(0)
const marks = shallowRef<ExerciseMark[]>([])

export function usePracticeRound() {
  function begin(of: ExerciseAsked[]) {
    set.value = of
    at.value = 0
    marks.value = []
  }
  return { set, at, marks, begin }
}
