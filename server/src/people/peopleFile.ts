import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Person } from '@hestian/core'
import { PersonSchema } from '@hestian/core'
import { z } from 'zod'
import { UnusableFolder } from '../db/unusableFolder'

/**
 * The firm's people and their tickets, as `people.json` in the data folder names them: read at every start, those who are not here yet are
 * added. Tickets are the firm's to give: an imported job brings names along, never tickets. Nobody where there is no such file.
 */
export function readPeopleFile(folder: string): readonly Person[] {
  const path = join(folder, 'people.json')
  if (!existsSync(path)) return []
  try {
    return z.array(PersonSchema).parse(JSON.parse(readFileSync(path, 'utf8')))
  } catch (error) {
    const says = error instanceof z.ZodError ? z.prettifyError(error) : String(error)
    throw new UnusableFolder(
      `${path} cannot be understood (${says}). It is a list of { "id", "name", "role", "tickets" }. Mend it, or take it away.`,
    )
  }
}
