import { useState } from 'react'
import { fetchFile } from '../api/file'
import { useStanding } from '../job/JobContext'
import { Button } from '../ui/Button'
import { saveBlob } from '../ui/saveFile'

interface PaperProps {
  readonly name: string
  readonly path: string
  readonly file: string
}

/** Makes a paper and hands it over; says that it is being made, and why it could not. */
export function Paper({ name, path, file }: PaperProps) {
  const { state } = useStanding()
  const [making, setMaking] = useState(false)
  const [says, setSays] = useState<string>()
  const offers = ['handover', 'record', 'labels'].includes(file) ? `${name}, PDF` : 'PDF'
  const make = async () => {
    setMaking(true)
    setSays(undefined)
    try {
      const pdf = await fetchFile(`/jobs/${state.id}/${path}`)
      saveBlob(`${file}-${state.number}-${state.frozen ?? 'draft'}.pdf`, pdf)
    } catch (error) {
      setSays(error instanceof Error ? error.message : 'It could not be made.')
    }
    setMaking(false)
  }
  return (
    <span>
      <Button
        look="text"
        isDisabled={making}
        onPress={() => void make()}
        aria-label={`${making ? 'Making …' : offers}: ${name}`}
      >
        {making ? 'Making …' : offers}
      </Button>
      {says && <small role="alert">{says}</small>}
    </span>
  )
}
