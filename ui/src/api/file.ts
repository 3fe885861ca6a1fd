import { type Problem, Refused } from './client'

/** Fetches a file and hands it to the downloads; answers its name. A refusal is thrown with the server's words. */
export async function fetchFile(url: string): Promise<string> {
  let r: Response
  try {
    r = await fetch(url)
  } catch {
    throw new Refused('The server does not answer; no file was made. Try again.', 0)
  }
  if (!r.ok) throw new Refused(((await r.json()) as Problem).detail, r.status)
  const name = /filename="([^"]+)"/.exec(r.headers.get('Content-Disposition') ?? '')?.[1] ?? 'file'
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await r.blob())
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
  return name
}
