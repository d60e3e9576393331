import { useEffect, useRef } from 'react'
import SignaturePad from 'signature_pad'
import { Button } from '../ui/Button'
import { pathOf } from './drawnPath'

/** The field a signature is drawn in, as the record keeps it. */
const field = { width: 300, height: 100 }

/** A field to sign in by finger or mouse. */
export function Drawing({ onDrawn }: { readonly onDrawn: (path: string) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<SignaturePad>(undefined)
  const told = useRef(onDrawn)
  told.current = onDrawn
  useEffect(() => {
    if (!canvas.current) return
    const made = new SignaturePad(canvas.current, {
      penColor: getComputedStyle(canvas.current).color,
    })
    pad.current = made
    const tell = () => told.current(pathOf(made.toData().map((group) => group.points)))
    made.addEventListener('endStroke', tell)
    return () => {
      made.removeEventListener('endStroke', tell)
      made.off()
    }
  }, [])
  return (
    <div>
      <canvas ref={canvas} {...field} aria-label="Field to sign in by finger or mouse" role="img" />
      <Button
        look="text"
        onPress={() => {
          pad.current?.clear()
          onDrawn('')
        }}
      >
        Wipe the lines
      </Button>
    </div>
  )
}

/** A signature as it was drawn. */
export const Drawn = ({ path, name }: { readonly path: string; readonly name: string }) => (
  <svg
    viewBox={`0 0 ${field.width} ${field.height}`}
    role="img"
    aria-label={`Signature of ${name}`}
  >
    <path d={path} fill="none" stroke="currentColor" strokeWidth={2} />
  </svg>
)
