import { Trouble, trouble } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'

/** From where a tray is seen. */
export type From = 'above' | 'bottom' | 'top' | 'left' | 'right'
export const froms: readonly [From, string][] = [
  ['above', 'From above'],
  ['bottom', 'From the front'],
  ['top', 'From the back'],
  ['left', 'From the left'],
  ['right', 'From the right'],
]

/** From above, or from the next side round. */
export const nextFrom = (from: From): From =>
  froms[(froms.findIndex(f => f[0] === from) + 1) % froms.length]![0]

/** The sides of a frame that is filled with food, as a camera straight above takes it; none for all of the tray. */
export const crops = ['', '1:1', '4:5', '2:3', '3:2', '16:9'] as const

/** A tray drawn as SVG. */
export async function drawing(
  tray: TrayFile,
  from: From,
  names: boolean,
  crop = '',
  signal?: AbortSignal,
): Promise<string> {
  const query = new URLSearchParams({ from, names: String(names) })
  if (crop && from === 'above') query.set('crop', crop)
  let r: Response
  try {
    r = await fetch(`/api/v1/picture?${query}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(tray),
      signal: signal ?? null,
    })
  } catch (e) {
    if (signal?.aborted) throw e
    throw new Trouble(0, 'The server cannot be reached. Try again when it is back.')
  }
  if (!r.ok) throw trouble(await r.json().catch(() => null), r.status)
  return r.text()
}

/** The drawing as PNG, so many px wide; the ground of the table behind it, unless it is to be clear. */
export async function asPNG(svg: string, width: number, ground: string | null): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  try {
    const img = new Image()
    img.src = url
    await img.decode()
    const canvas = document.createElement('canvas')
    canvas.width = width
    canvas.height = Math.max(1, Math.round((width * img.naturalHeight) / Math.max(1, img.naturalWidth)))
    const on = canvas.getContext('2d')!
    if (ground) {
      on.fillStyle = ground
      on.fillRect(0, 0, canvas.width, canvas.height)
    }
    on.drawImage(img, 0, 0, canvas.width, canvas.height)
    return await new Promise((done, failed) =>
      canvas.toBlob(b => (b ? done(b) : failed(new Error('no picture'))), 'image/png'),
    )
  } finally {
    URL.revokeObjectURL(url)
  }
}

/** Gives a file to the browser to be kept. */
export function keep(file: Blob, name: string) {
  const a = document.createElement('a')
  a.href = URL.createObjectURL(file)
  a.download = name
  a.click()
  window.setTimeout(() => URL.revokeObjectURL(a.href), 10_000)
}
