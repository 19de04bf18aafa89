/** Asks for what the page at an address will ask for first, while the code that shows it is still on its way. */
export function askEarly(path: string) {
  const job = /^\/jobs\/([0-9a-f-]+)/.exec(path)?.[1]
  const wants = job
    ? [`/api/v1/jobs/${job}`, '/api/v1/larder']
    : path === '/'
      ? ['/api/v1/jobs?which=coming']
      : []
  for (const href of wants) {
    const link = document.createElement('link')
    Object.assign(link, { rel: 'preload', as: 'fetch', crossOrigin: 'anonymous', href })
    document.head.append(link)
  }
}
