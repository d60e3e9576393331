import { ExpirationPlugin } from 'workbox-expiration'
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { CacheFirst, NetworkFirst } from 'workbox-strategies'
import { keptHeader } from './api/keptHeader'

declare const self: {
  readonly __WB_MANIFEST: (string | PrecacheEntry)[]
  addEventListener: (type: 'message', take: (event: MessageEvent) => void) => void
  skipWaiting: () => Promise<void>
}

// The shell: whole, from one build, so that a phone opens Hestian where no server is.
precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('index.html'), { denylist: [/^\/api\//] }),
)

/** A kept answer says that it is one, and of when. */
const saysItIsKept = {
  cachedResponseWillBeUsed: async ({
    cachedResponse,
  }: {
    readonly cachedResponse?: Response | undefined
  }) => {
    if (!cachedResponse) return cachedResponse
    const headers = new Headers(cachedResponse.headers)
    headers.set(keptHeader, cachedResponse.headers.get('date') ?? 'an earlier time')
    return new Response(await cachedResponse.blob(), { headers })
  },
}
const serverFirst = (cacheName: string, maxEntries: number): NetworkFirst =>
  new NetworkFirst({
    cacheName,
    networkTimeoutSeconds: 8,
    plugins: [saysItIsKept, new ExpirationPlugin({ maxEntries })],
  })

// What was looked at: the server's own answer while it answers, the kept one when it does not.
registerRoute(({ url }) => /^\/api\/jobs\/[\w-]+$/.test(url.pathname), serverFirst('jobs', 40))
registerRoute(({ url }) => url.pathname === '/api/jobs', serverFirst('board', 20))
registerRoute(({ url }) => url.pathname === '/api/people', serverFirst('people', 1))
registerRoute(({ url }) => url.pathname === '/api/session', serverFirst('session', 1))
// A photograph is named by what is in it: it never changes.
registerRoute(
  ({ url }) => /^\/api\/evidence\/[0-9a-f]{64}$/.test(url.pathname),
  new CacheFirst({ cacheName: 'evidence', plugins: [new ExpirationPlugin({ maxEntries: 200 })] }),
)

// A new version takes over when somebody says so, never by itself.
self.addEventListener('message', (event) => {
  const { data } = event as MessageEvent<{ readonly type?: string } | undefined>
  if (data?.type === 'SKIP_WAITING') void self.skipWaiting()
})
