// What the page will ask for first is asked for now, beside its scripts. e2e/everyPage.spec.ts holds that it is not asked for twice.
{
  const job = /^\/jobs\/([\w-]+)(?:\/([\w-]+))?/.exec(location.pathname)
  const board = '/api/jobs?find=&stage=all&sort=changed&archived=no&page=1&size=25'
  const ahead = (href) => {
    const link = document.createElement('link')
    Object.assign(link, { rel: 'preload', as: 'fetch', crossOrigin: 'anonymous', href })
    document.head.append(link)
  }
  // Where one comes in by a link, who is in is asked afterwards.
  if (!/^\/(invitation|guest|first)\b/.test(location.pathname)) {
    ahead('/api/session')
    ahead('/api/people')
  }
  // The build writes the pieces of every sheet in here.
  const pieces = {}
  if (job) {
    ahead(`/api/jobs/${job[1]}`)
    for (const name of pieces[job[2]] || pieces.site || [])
      document.head.append(
        Object.assign(document.createElement('link'), { rel: 'modulepreload', href: `/${name}` }),
      )
  } else if (location.pathname === '/' && location.search === '') ahead(board)
}
// Before anything is drawn, so that a page in the cellar theme never flashes white.
try {
  document.documentElement.dataset.theme = localStorage.getItem('theme') || 'paper'
} catch {
  document.documentElement.dataset.theme = 'paper'
}
