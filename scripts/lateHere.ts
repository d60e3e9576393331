import { lateOnes } from '../web/src/ui/lateOnes'

// In the simulated browser of the unit tests what is fetched late is here before the first test:
// there an editor opens in the turn it is pressed in, as it does once a page stands still.
beforeAll(() => Promise.all(lateOnes.map(({ fetch }) => fetch())))
