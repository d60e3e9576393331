import { TextLine } from './TextLine'

interface SecretFieldProps {
  readonly label: string
  readonly value: string
  readonly onChange: (text: string) => void
  readonly autoComplete: 'current-password' | 'new-password'
  readonly hint?: string
}

/** A password: the browser may fill it in and keep it. */
export const SecretField = (props: SecretFieldProps) => (
  <TextLine {...props} type="password" maxLength={200} />
)
