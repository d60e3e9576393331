/** What the sheet waits for. */
export function missingTest(last: { readonly passed: boolean } | undefined): string {
  if (!last) return 'A gas tightness test'
  return last.passed
    ? 'The gas pipes were changed since the test that passed: a gas tightness test of them as they are now'
    : 'A gas tightness test that passed'
}
