// Fastify names a plugin after its file and looks for it in every module that is loaded; a test
// runner answers each look slowly. Functions here have their own names as plugins.
const displayName = Symbol.for('fastify.display-name')
Object.defineProperty(Function.prototype, displayName, {
  configurable: true,
  get(this: { readonly name: string }) {
    return this.name || 'a plugin'
  },
  set(this: object, value: unknown) {
    Object.defineProperty(this, displayName, { value, writable: true, configurable: true })
  },
})
