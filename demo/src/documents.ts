/** The designs of the demo jobs: all figures invented. */
export { kestrelWeir } from './kestrelWeir'
export { juniperRidge } from './juniperRidge'
export { thornfieldScoutHut } from './thornfieldScoutHut'
export { saltbushFerry } from './saltbushFerry'
