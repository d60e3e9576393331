import { ModernFakeTimers } from '@jest/fake-timers'
import { TestEnvironment } from 'jest-environment-node'
import { ModuleMocker } from 'jest-mock'
import vm from 'node:vm'

/** Stands for the one context there is, where Jest asks for one to compile a module in. */
const here = vm.createContext()
const compileIn = vm.compileFunction
vm.compileFunction = (source, names, options) => {
  if (options?.parsingContext !== here) return compileIn(source, names, options)
  const { parsingContext: _, importModuleDynamically: __, ...rest } = options
  return compileIn(source, names, rest)
}

/**
 * Unit tests without a browser, in the context Node itself runs in. In a context of its own, as
 * Jest gives each file, every `Math` and `Number` is looked up through an interceptor: what computes
 * took two to three times as long. Modules are still loaded afresh for each file.
 */
export default class OneContext extends TestEnvironment {
  constructor(config, context) {
    super(config, context)
    this.global = globalThis
    this.moduleMocker = new ModuleMocker(globalThis)
    this.fakeTimersModern = new ModernFakeTimers({
      config: config.projectConfig,
      global: globalThis,
    })
    this.before = Object.getOwnPropertyDescriptors(globalThis)
  }

  getVmContext() {
    return here
  }

  /** What the file left on `globalThis` goes with it, and what it put in place of another. */
  async teardown() {
    this.fakeTimersModern.dispose()
    for (const key of Reflect.ownKeys(globalThis)) {
      const was = this.before[key]
      const is = Object.getOwnPropertyDescriptor(globalThis, key)
      if (!was) Reflect.deleteProperty(globalThis, key)
      else if (is && is.configurable && (is.value !== was.value || is.get !== was.get))
        Object.defineProperty(globalThis, key, was)
    }
  }
}
