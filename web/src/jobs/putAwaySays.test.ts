import { putAwaySays } from './putAwaySays'

test.each([
  [{ archived: false, off: 0 }, /^Nothing is lost/],
  [{ archived: false, off: 1 }, /^One thing is off on its site, and putting it away turns nothing/],
  [{ archived: false, off: 3 }, /^3 things are off on its site/],
  [{ archived: true, off: 3 }, /^It comes back/],
])('%j: what is off is said before a job is put away', (row, says) =>
  expect(putAwaySays(row)).toMatch(says),
)
