import type { WaterPipe } from '@hestian/core'
import { sourceNode } from '@hestian/core'
import { InitHydOption, NodeProperty, Project, Workspace } from 'epanet-js'

/** Viscosity the engine multiplies by its setting, m²/s: 1.1e-5 ft²/s. */
const engineViscosity_m2_s = 1.1e-5 * 0.3048 ** 2

export interface EngineRun {
  /** Solves the network once more. */
  readonly solve: () => void
  /** Head over the datum at the far end of a pipe, m. */
  readonly head_m: (pipeId: string) => number
  readonly close: () => void
}

/**
 * Opens a tree of water pipes in a general-purpose network engine, to check and time ours against.
 * Heads over the source's height; density 1 000 kg/m³.
 */
export async function waterEngine(
  pipes: readonly WaterPipe[],
  { head_m, viscosity_m2_s }: { readonly head_m: number; readonly viscosity_m2_s: number },
): Promise<EngineRun> {
  const workspace = new Workspace()
  await workspace.loadModule()
  const model = new Project(workspace)
  const height = new Map<string, number>([[sourceNode, 0]])
  for (let more = true; more;) {
    more = false
    for (const pipe of pipes) {
      const from = height.get(pipe.from)
      if (from !== undefined && !height.has(pipe.id)) {
        height.set(pipe.id, from + pipe.rise_m)
        more = true
      }
    }
  }
  const node = (id: string) => (id === sourceNode ? 'S' : `N${id}`)
  const lines = [
    '[JUNCTIONS]',
    ...pipes.map((pipe) => `${node(pipe.id)} ${height.get(pipe.id)} ${pipe.draw_m3_s * 1000}`),
    '[RESERVOIRS]',
    `S ${head_m}`,
    '[PIPES]',
    ...pipes.map(
      (pipe) =>
        `P${pipe.id} ${node(pipe.from)} ${node(pipe.id)} ${pipe.length_m} ${pipe.bore_m * 1000} ${pipe.roughness_m * 1000} ${pipe.lossCoefficient} Open`,
    ),
    '[TIMES]',
    'Duration 0',
    '[OPTIONS]',
    'Units LPS',
    'Headloss D-W',
    'Specific Gravity 1',
    `Viscosity ${viscosity_m2_s / engineViscosity_m2_s}`,
    'Trials 200',
    'Accuracy 0.000001',
    '[REPORT]',
    'Status No',
    '[END]',
    '',
  ]
  workspace.writeFile('tree.inp', lines.join('\n'))
  model.open('tree.inp', 'tree.rpt', 'tree.out')
  model.openH()
  const indexes = new Map(pipes.map((pipe) => [pipe.id, model.getNodeIndex(node(pipe.id))]))
  return {
    solve: () => {
      model.initH(InitHydOption.InitFlow)
      model.runH()
    },
    head_m: (id) => model.getNodeValue(indexes.get(id) ?? 0, NodeProperty.Head),
    close: () => {
      model.closeH()
      model.close()
    },
  }
}
