import { type Problem, Refused } from './client'
import { spokenHeader } from './spoken'

/** Fetches a file and hands it to the downloads; answers its name. A refusal is thrown with the server's words. */
export async function fetchFile(url: string): Promise<string> {
  let r: Response
  try {
    r = await fetch(url, { headers: spokenHeader() })
  } catch {
    throw new Refused('The server does not answer; no file was made. Try again.', 0)
  }
  if (!r.ok) throw new Refused(((await r.json()) as Problem).detail, r.status)
  const name = /filename="([^"]+)"/.exec(r.headers.get('Content-Disposition') ?? '')?.[1] ?? 'file'
  keepFile(await r.blob(), name)
  return name
}

/** Hands data to the downloads as a file. */
export function keepFile(data: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(data)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
