import { computed, ref, shallowRef, toValue, type MaybeRefOrGetter } from 'vue'
import { QueryClient, useInfiniteQuery, useQuery, type InfiniteData } from '@tanstack/vue-query'
import { Trouble } from './client'

/** What is said of something that went wrong: the server's own sentence, or ours where it has said none. */
export const said = (e: unknown, otherwise: string) => (e instanceof Trouble ? e.message : otherwise)

/**
 * All that views have asked for, kept for five minutes: shared by those who ask for the same, broken off when nobody
 * waits for it, asked again when a page is seen again, and at rest in hidden tabs. What nothing is wrong with is tried
 * again until the server is back; what is wrong is told at once, and not asked again.
 */
export const answers = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always', // the server is this machine, or in this house; a browser's word on networks means nothing
      retry: (_, e) => e instanceof Trouble && e.passing,
      retryDelay: times => Math.min(15_000, 500 * 2 ** times),
    },
  },
})

answers.mount() // looks whether the page is seen

/** What is asked, and how: alike as long as key is. */
export type Asked<T> = { key: readonly unknown[]; ask: (signal: AbortSignal) => Promise<T> }
export type AskHow = {
  /** What is said where something other than the server went wrong. */
  otherwise?: string
  /** Asked again after so many ms, as long as somebody sees the page. */
  every?: number
  /** What was known before is shown until the answer is there; unless it would be taken for the answer. */
  keep?: boolean
}
const unknown = 'That cannot be had just now.'

/** Asks what a getter says, and anew whenever that changes; nothing while it says null. */
export function useAsk<T>(what: MaybeRefOrGetter<Asked<T> | null>, o: AskHow = {}) {
  const query = useQuery<T>(() => {
    const asked = toValue(what)
    return {
      queryKey: asked?.key ?? ['nothing'],
      queryFn: ({ signal }) => asked!.ask(signal),
      enabled: !!asked,
      refetchInterval: o.every ?? false,
      shallow: true,
    }
  }, answers)
  const now = computed<T | null>(was => query.data.value ?? (o.keep === false ? null : (was ?? null)))
  const wrong = computed(() => {
    const e = query.failureReason.value
    return e ? said(e, o.otherwise ?? unknown) : ''
  })
  /** Whether what is shown was the answer to something asked before. */
  const old = computed(() => query.data.value === undefined && now.value !== null)
  return { now, wrong, old, busy: query.isFetching, again: () => query.refetch() }
}

/** What is the same in every room: read once, whoever asks, and anew when it was forgotten. Reading may fail, and is then tried by the next. */
export function useOnce<T>(key: string, ask: () => Promise<T>) {
  const now = shallowRef<T | null>(null)
  let edition = 0
  const read = async (): Promise<void> => {
    const mine = edition
    const got = await answers.fetchQuery({
      queryKey: [key, mine],
      queryFn: ask,
      staleTime: Infinity,
      gcTime: Infinity,
      retry: false,
    })
    if (mine === edition) {
      now.value = got
      return
    }
    answers.removeQueries({ queryKey: [key, mine] }) // it changed while it was read
    await read()
  }
  const forget = () => {
    answers.removeQueries({ queryKey: [key], predicate: q => q.state.fetchStatus === 'idle' })
    edition++
  }
  return { now, read, forget }
}

/** Asks for a list that comes in pages, each by what the one before it ends with. */
export function usePages<P, At extends string | number>(
  what: MaybeRefOrGetter<{
    key: readonly unknown[]
    ask: (after: At | undefined, signal: AbortSignal) => Promise<P>
  } | null>,
  next: (page: P) => At | undefined,
  o: AskHow = {},
) {
  const query = useInfiniteQuery<P, Error, InfiniteData<P>, readonly unknown[], string | number | undefined>(
    () => {
      const asked = toValue(what)
      return {
        queryKey: asked?.key ?? ['nothing'],
        queryFn: ({ pageParam, signal }) => asked!.ask(pageParam as At | undefined, signal),
        enabled: !!asked,
        initialPageParam: undefined,
        getNextPageParam: next,
        shallow: true,
      }
    },
    answers,
  )
  const pages = computed<P[] | null>(was => query.data.value?.pages ?? was ?? null)
  const wrong = computed(() => {
    const e = query.failureReason.value
    return e ? said(e, o.otherwise ?? unknown) : ''
  })
  return {
    pages,
    wrong,
    more: query.hasNextPage,
    busy: query.isFetching,
    again: () => query.refetch(),
    readOn: () => query.fetchNextPage(),
  }
}

/** Does something that may fail, once at a time as far as busy is heeded; what went wrong stays to be read until the next. */
export function useAct(otherwise = 'That did not work. Try again.') {
  const busy = ref(false)
  const wrong = ref('')
  /** The answer; undefined where it failed. */
  async function act<T>(does: () => Promise<T>, or = otherwise): Promise<T | undefined> {
    busy.value = true
    wrong.value = ''
    try {
      return await does()
    } catch (e) {
      wrong.value = said(e, or)
      return undefined
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, act }
}
