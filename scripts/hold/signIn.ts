/** Signs one of the demo's people in, and gives the cookie. */
export async function signIn(address: string, personId: string): Promise<string> {
  const answer = await fetch(`${address}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId }),
  })
  if (!answer.ok) throw new Error(`${personId} was not let in: ${await answer.text()}`)
  return (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
}
