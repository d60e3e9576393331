import { ImportedJob } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { ApiError, call } from '../api/client'

const megabyte = 1024 * 1024
const most = { json: 64 * megabyte, zip: 512 * megabyte }

type Said =
  | { readonly kind: 'refused'; readonly text: string }
  | { readonly kind: 'renumbered'; readonly job: ImportedJob }
  | { readonly kind: 'under-way' }

/** Takes in an exported job: the file alone, or the archive with its photographs. */
export function ImportJob() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const [said, setSaid] = useState<Said>()
  const take = async (file: File | undefined) => {
    if (!file) return
    setSaid({ kind: 'under-way' })
    try {
      const job = await call('POST', '/import', ImportedJob, await bodyOf(file), { patient: true })
      await client.invalidateQueries({ queryKey: ['board'] })
      if (job.renumbered) setSaid({ kind: 'renumbered', job })
      else void navigate(`/jobs/${job.id}`)
    } catch (error) {
      const text = error instanceof ApiError ? error.message : 'That file could not be read.'
      setSaid({ kind: 'refused', text })
    }
  }
  return (
    <Take>
      <span>Import a job file</span>
      <input
        type="file"
        accept=".json,.zip,application/json,application/zip"
        onChange={(event) => {
          void take(event.target.files?.[0])
          event.target.value = ''
        }}
      />
      {said?.kind === 'refused' && <small role="alert">{said.text}</small>}
      {said?.kind === 'under-way' && <small role="status">Taking it in …</small>}
      {said?.kind === 'renumbered' && (
        <small role="status">
          It is here as job {said.job.number}: its own number was taken or is none of ours.{' '}
          <Link to={`/jobs/${said.job.id}`}>Open it</Link>
        </small>
      )}
    </Take>
  )
}

async function bodyOf(file: File): Promise<unknown> {
  const isZip = /\.zip$/i.test(file.name) || file.type === 'application/zip'
  const allowed = isZip ? most.zip : most.json
  if (file.size > allowed)
    throw new ApiError(
      'too-large',
      `${file.name} is larger than the ${allowed / megabyte} MB that a job file may be.`,
    )
  if (isZip) return new Blob([file], { type: 'application/zip' })
  try {
    return JSON.parse(await file.text())
  } catch {
    throw new ApiError(
      'not-a-job-file',
      'This is not a job exported from Hestian: it is not JSON. Nothing was changed.',
    )
  }
}

const Take = styled.label`
  position: relative;
  cursor: pointer;
  padding: 12px 0;
  > span {
    color: var(--ember-ink);
    font-weight: 650;
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
  }
  input {
    position: absolute;
    opacity: 0;
    inset: 0;
    width: 100%;
    cursor: pointer;
  }
  &:focus-within {
    outline: 3px solid var(--ink);
  }
  small {
    display: block;
    position: relative;
    color: var(--ink-2);
    font-size: var(--small);
    max-width: 340px;
  }
  small[role='alert'] {
    color: var(--stop);
  }
`
