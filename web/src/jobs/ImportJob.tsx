import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call } from '../api/client'

/** Takes in an exported job. */
export function ImportJob() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const [says, setSays] = useState<string>()
  const take = async (file: File | undefined) => {
    if (!file) return
    if (file.size > 64 * 1024 * 1024)
      return setSays(`${file.name} is larger than the 64 MB that a job file may be.`)
    try {
      const { id } = await call(
        'POST',
        '/import',
        z.object({ id: z.string() }),
        parse(await file.text()),
      )
      await client.invalidateQueries({ queryKey: ['board'] })
      void navigate(`/jobs/${id}`)
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'That file could not be read.')
    }
  }
  return (
    <Take>
      <span>Import a job file</span>
      <input
        type="file"
        accept=".json,application/json"
        onChange={(event) => {
          void take(event.target.files?.[0])
          event.target.value = ''
        }}
      />
      <small role="alert">{says}</small>
    </Take>
  )
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
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
    color: var(--stop);
    font-size: 15px;
    max-width: 340px;
  }
`
