// What the page will ask for first is asked for now, beside its scripts. e2e/everyPage.spec.ts holds that it is not asked for twice.
{
  const job = /^\/jobs\/([\w-]+)(?:\/([\w-]+))?/.exec(location.pathname)
  const board = '/api/jobs?find=&stage=all&sort=changed&archived=no&page=1&size=25'
  const links = []
  const ahead = (href) =>
    links.push(`<link rel="preload" as="fetch" crossorigin="anonymous" href="${href}">`)
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
      links.push(`<link rel="modulepreload" href="/${name}">`)
  } else if (location.pathname === '/' && location.search === '') ahead(board)
  document.head.insertAdjacentHTML('beforeend', links.join(''))
}
// Before anything is drawn, so that a page in the cellar theme never flashes white.
try {
  document.documentElement.dataset.theme = localStorage.getItem('theme') || 'paper'
} catch {
  document.documentElement.dataset.theme = 'paper'
}
