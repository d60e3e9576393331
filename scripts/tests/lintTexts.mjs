import { ESLint } from 'eslint'

/** Lints the texts given on standard input as if they stood in the named files, and prints the rules each breaks. */
const cases = JSON.parse(await new Response(process.stdin).text())
const lint = new ESLint()
const broken = []
for (const { path, text } of cases)
  broken.push(
    (await lint.lintText(text, { filePath: path })).flatMap((result) =>
      result.messages.map((message) => message.ruleId ?? message.message),
    ),
  )
console.log(JSON.stringify(broken))
