// Before anything is drawn, so that a page in the cellar theme never flashes white.
try {
  document.documentElement.dataset.theme = localStorage.getItem('theme') || 'paper'
} catch {
  document.documentElement.dataset.theme = 'paper'
}
