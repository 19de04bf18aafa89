/// <reference lib="webworker" />
// The service worker: the program itself is kept, and of what was last seen whatever is wanted in a kitchen without a network.
// The server is asked first, always; what is answered from here says when it was true.
import { clientsClaim } from 'workbox-core'
import { ExpirationPlugin } from 'workbox-expiration'
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import type { WorkboxPlugin } from 'workbox-core'
import { NetworkFirst, NetworkOnly } from 'workbox-strategies'
import { isKept, kindOf, seenAt } from './kept'

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] }

// a page that was kept is never given unasked: not for the address of the house either
precacheAndRoute(self.__WB_MANIFEST, { directoryIndex: '', cleanURLs: false })
cleanupOutdatedCaches()
clientsClaim() // what is seen on the first visit is kept, too
// what is open goes on with the files that it began with: they stay until its windows are closed

// a page is the server's to give, as it knows who may come in; without it, the one that was kept
const pages = new NetworkOnly({
  networkTimeoutSeconds: 5,
  plugins: [{ handlerDidError: async () => (await matchPrecache('/index.html')) ?? Response.error() }],
})
registerRoute(new NavigationRoute(pages, { denylist: [/^\/api\//, /^\/enter/, /^\/healthz/] }))

/** An answer as it is kept: with the moment in which it was true. */
async function dated(answer: Response) {
  if (answer.status !== 200) return null
  const headers = new Headers(answer.headers)
  headers.set(seenAt, new Date().toISOString())
  return new Response(await answer.blob(), { status: 200, headers })
}
const kept = (cacheName: string, maxEntries: number, ...also: WorkboxPlugin[]) =>
  new NetworkFirst({
    cacheName,
    networkTimeoutSeconds: 6,
    plugins: [
      {
        cacheWillUpdate: ({ response }) => dated(response),
        // a proxy that cannot reach the server answers in its place; and who was put out keeps nothing of the house
        fetchDidSucceed: async ({ response }) => {
          if (response.status === 502 || response.status === 504) throw new Error('away')
          if (response.status === 401) await forget()
          return response
        },
      },
      new ExpirationPlugin({ maxEntries, purgeOnQuotaError: true }),
      ...also,
    ],
  })
const forget = () => Promise.all(['seen', 'pictures'].map(name => caches.delete(name)))
const seen = kept('seen', 240)
const pictures = kept('pictures', 400)
const drawings = kept('pictures', 400, {
  cacheKeyWillBeUsed: async ({ request, params }) => (params as string[] | undefined)?.[0] ?? request,
})
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && isKept(url),
  o => (kindOf(o.url) === 'picture' ? pictures : seen).handle(o),
)
// a drawing is asked for with the tray that is to be drawn, and the same for the same one: it is kept by that
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname === '/api/v1/picture',
  async o => {
    const sum = await crypto.subtle.digest('SHA-256', await o.request.clone().arrayBuffer())
    const hex = [...new Uint8Array(sum)].map(b => b.toString(16).padStart(2, '0')).join('')
    return drawings.handle({ ...o, params: [`${o.url.href}&of=${hex}`] })
  },
  'POST',
)
self.addEventListener('message', e => {
  if (e.data === 'forget') e.waitUntil(forget())
})
