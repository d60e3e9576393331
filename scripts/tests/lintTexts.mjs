import { existsSync } from 'node:fs'
import { ESLint } from 'eslint'

/**
 * Reads files to lint as `[{ path, text }]` from standard input; prints the rules each one breaks.
 */
let input = ''
for await (const part of process.stdin) input += part
const typed = new ESLint()
// A file that is not there has no types: the rules that ask for them are tried on files that are.
const untyped = new ESLint({
  overrideConfig: {
    languageOptions: { parserOptions: { projectService: false } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'off',
      '@typescript-eslint/no-misused-promises': 'off',
      '@typescript-eslint/switch-exhaustiveness-check': 'off',
    },
  },
})
const found = []
for (const { path, text } of JSON.parse(input)) {
  const eslint = existsSync(path) ? typed : untyped
  const [result] = await eslint.lintText(text, { filePath: path })
  found.push(result.messages.map((message) => message.ruleId ?? message.message))
}
console.log(JSON.stringify(found))
