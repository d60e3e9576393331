import type { Evidence } from '@hestian/core'
import { Camera, FileText } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import { useEffect, useId, useMemo, useState } from 'react'
import { Checkbox } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useSending } from '../job/JobContext'
import { waitingBlob } from '../sync/useOutbox'
import { Button } from './Button'
import { phone } from './phone'

interface PhotosProps {
  readonly label: string
  readonly photos: readonly Evidence[]
  readonly onChange: (photos: readonly Evidence[]) => void
  readonly most?: number
}

/**
 * Photographs beside what they show: taken or chosen here, made small in the browser, the place
 * left out unless it is wanted.
 */
export function Photos({ label, photos, onChange, most = 12 }: PhotosProps) {
  const { keep } = useJobActions()
  const { waiting } = useSending()
  const [keepPlace, setKeepPlace] = useState(false)
  const [busy, setBusy] = useState(false)
  const id = useId()
  const take = async (files: FileList | null) => {
    setBusy(true)
    let next = [...photos]
    for (const file of files ?? []) {
      const kept = await keep(file, { keepPlace })
      if (kept && !next.some((one) => one.hash === kept.hash) && next.length < most)
        next = [...next, kept]
    }
    setBusy(false)
    if (next.length !== photos.length) onChange(next)
  }
  const ask = photos.length === 0 ? label : 'Another'
  return (
    <Frame data-waiting={waiting || undefined}>
      {photos.map((photo) => (
        <Thumb
          key={photo.hash}
          photo={photo}
          onRemove={() => onChange(photos.filter((one) => one.hash !== photo.hash))}
        />
      ))}
      {photos.length < most && (
        <Take htmlFor={id}>
          <Camera aria-hidden size={20} strokeWidth={1.7} />
          <span>{busy ? 'Keeping it …' : ask}</span>
          <input
            id={id}
            type="file"
            accept="image/jpeg,image/png,image/webp,image/heic,application/pdf"
            multiple
            aria-label={label}
            onKeyDown={openOnEnter}
            onChange={(event) => {
              void take(event.target.files)
              event.target.value = ''
            }}
          />
        </Take>
      )}
      {photos.length < most && (
        <Place isSelected={keepPlace} onChange={setKeepPlace}>
          <i />
          keep where it was taken
        </Place>
      )}
    </Frame>
  )
}

/** Where a kept file is shown from: the queue until it is sent, the server then. */
export function useEvidenceUrl(evidence: Evidence): string {
  const { waiting } = useSending()
  const url = useMemo(() => {
    const blob = waitingBlob(evidence.hash)
    return blob ? URL.createObjectURL(blob) : `/api/evidence/${evidence.hash}`
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `waiting` says when the queue has sent it: then the server shows it
  }, [evidence.hash, waiting])
  useEffect(
    () => () => {
      if (url.startsWith('blob:')) setTimeout(() => URL.revokeObjectURL(url), 2000)
    },
    [url],
  )
  return url
}

export function Thumb({
  photo,
  onRemove,
}: {
  readonly photo: Evidence
  readonly onRemove?: () => void
}) {
  const url = useEvidenceUrl(photo)
  return (
    <Picture>
      <a href={url} target="_blank" rel="noreferrer" title={photo.name}>
        {photo.type === 'application/pdf' ? (
          <>
            <FileText aria-hidden size={22} strokeWidth={1.6} />
            <span>{photo.name}</span>
          </>
        ) : (
          <img src={url} alt={photo.name} loading="lazy" />
        )}
      </a>
      {onRemove && (
        <Button look="text" onPress={onRemove} aria-label={`Take out ${photo.name}`}>
          Take out
        </Button>
      )}
    </Picture>
  )
}

interface PaperProps {
  readonly label: string
  readonly paper: Evidence | null
  readonly onChange: (paper: Evidence | null) => void
}

/** One paper that must be on file: a PDF or a photograph of it. */
export function Paper({ label, paper, onChange }: PaperProps) {
  const { keep } = useJobActions()
  const id = useId()
  const take = async (file: File | undefined) => {
    const kept = file && (await keep(file))
    if (kept) onChange(kept)
  }
  return (
    <PaperRow data-missing={paper === null || undefined}>
      <span>{label}</span>
      {paper ? <PaperLink paper={paper} /> : <em>not on file</em>}
      {paper ? (
        <Button
          look="text"
          onPress={() => onChange(null)}
          aria-label={`Take out the ${label.toLowerCase()}`}
        >
          Take out
        </Button>
      ) : (
        <Take htmlFor={id}>
          <FileText aria-hidden size={18} strokeWidth={1.7} />
          <span>Add it</span>
          <input
            id={id}
            type="file"
            accept="application/pdf,image/jpeg,image/png,image/webp"
            aria-label={`Add the ${label.toLowerCase()}`}
            onKeyDown={openOnEnter}
            onChange={(event) => {
              void take(event.target.files?.[0])
              event.target.value = ''
            }}
          />
        </Take>
      )}
    </PaperRow>
  )
}

function PaperLink({ paper }: { readonly paper: Evidence }) {
  return (
    <a href={useEvidenceUrl(paper)} target="_blank" rel="noreferrer">
      {paper.name}
    </a>
  )
}

const Frame = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
  padding: 6px 0;
  min-width: 0;
`
/** In a form, Enter would send the form without the photograph; here it opens what one came for. */
function openOnEnter(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'Enter') return
  event.preventDefault()
  event.currentTarget.click()
}

const Take = styled.label`
  position: relative;
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  cursor: pointer;
  color: var(--ember-ink);
  font-weight: 650;
  font-size: var(--small);
  span {
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
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
const Place = styled(Checkbox)`
  && {
    font: 400 var(--note)/18px var(--text);
  }
  display: inline-flex;
  gap: 8px;
  align-items: center;
  font-size: var(--note);
  color: var(--ink-3);
  min-height: 32px;
  cursor: pointer;
  i {
    width: 16px;
    height: 16px;
    border: 1.5px solid var(--rule);
  }
  &[data-selected] i {
    background: var(--ink);
    box-shadow: inset 0 0 0 2.5px var(--paper);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
`
const Picture = styled.figure`
  display: grid;
  gap: 0;
  justify-items: start;
  a {
    display: flex;
    gap: 6px;
    align-items: center;
    max-width: 180px;
    font-size: var(--note);
    color: var(--ink-2);
    border: 1px solid var(--rule);
  }
  a:has(svg) {
    padding: 6px 8px;
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  img {
    display: block;
    height: 84px;
    max-width: 160px;
    object-fit: cover;
  }
  button {
    font-size: var(--note);
  }
`
const PaperRow = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr) 90px;
  gap: 12px;
  align-items: center;
  min-height: 35px;
  border-bottom: 0.8px solid var(--hair);
  a {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: var(--small);
  }
  em {
    font-style: normal;
    color: var(--pencil);
    font-size: var(--small);
    border-bottom: 2px dashed var(--pencil);
    justify-self: start;
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto;
    > span {
      grid-column: 1 / -1;
    }
    padding: 4px 0;
  }
`
