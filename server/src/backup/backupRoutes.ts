import { createReadStream, existsSync } from 'node:fs'
import { join } from 'node:path'
import { BackupParams, Backups, KeptBackup, MakeBackup, Refused } from '@hestian/core'
import type { FastifyReply } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Clock } from '../app/parts'
import { lets } from '../people/gate'
import { Refusal } from '../app/refusal'
import { turnstile } from '../app/turnstile'
import type { PeopleStore } from '../people/peopleStore'
import type { Tasks } from '../workers/tasks'
import { backupName, backupsIn, keptBackups, listBackups } from './keeper'

/** Backups of everything: which are kept, one made now, one taken away. */
export const backupRoutes: FastifyPluginAsyncZod<{
  dataFolder: string
  people: PeopleStore
  tasks: Tasks
  clock: Clock
}> = async (app, { dataFolder, people, tasks, clock }) => {
  const oneAtATime = turnstile(1)
  app.get('/backups', { ...lets('firm'), schema: { response: { 200: Backups } } }, async () => ({
    folder: backupsIn(dataFolder),
    keeps: keptBackups,
    kept: [...(await listBackups(dataFolder))],
  }))

  app.post(
    '/backups',
    {
      ...lets('firm'),
      schema: {
        body: MakeBackup,
        response: { 201: KeptBackup, 400: Refused, 503: Refused, 507: Refused },
      },
    },
    async (request, reply) => {
      const { id, by } = request.body
      await people.get(by)
      const made = await oneAtATime(() => tasks.backup({ askedAs: id, at: clock.now() }))
      return reply.code(201).send(made)
    },
  )

  app.get(
    '/backups/:name',
    { ...lets('firm'), schema: { params: BackupParams, response: { 404: Refused } } },
    async (request, reply) => {
      const { name } = request.params
      const file = join(backupsIn(dataFolder), name)
      if (!backupName.test(name) || !existsSync(file))
        throw new Refusal('no-such-backup', 'No backup of that name is kept here any more.')
      return sendZip(reply, name, file)
    },
  )
}

const sendZip = (reply: FastifyReply, name: string, file: string) =>
  reply
    .header('content-type', 'application/zip')
    .header('content-disposition', `attachment; filename="${name}"`)
    .send(createReadStream(file))
