import { stageNames } from '../shell/stages'

export const stageWords = { ...stageNames, done: 'Done', all: 'Every stage' } as const
