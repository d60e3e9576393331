import { Input, Label, Text, TextField } from 'react-aria-components'

interface TextLineProps {
  readonly label: string
  readonly value: string
  readonly onChange: (text: string) => void
  readonly autoComplete?: string
  readonly type?: 'text' | 'password'
  readonly maxLength?: number
  readonly hint?: string
}

/** A line that is typed into a form. */
export const TextLine = ({
  label,
  hint,
  autoComplete = 'off',
  type = 'text',
  maxLength = 120,
  ...field
}: TextLineProps) => (
  <TextField {...field} type={type} maxLength={maxLength}>
    <Label>{label}</Label>
    <Input autoComplete={autoComplete} />
    {hint && <Text slot="description">{hint}</Text>}
  </TextField>
)
