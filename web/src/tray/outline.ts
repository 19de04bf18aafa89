export type Pt = [number, number]

/** A grown hand laid flat, fingers together, mm: 84 across the palm, 186 long. */
export const hand = {
  w: 90,
  h: 188,
  path: 'M20 186C12 160 2 140 1 112C0 100 8 98 12 108L18 122V58C18 46 32 46 33 58L34 96V22C34 9 50 9 51 22L52 94V14C52 1 69 1 70 14L70 97V30C70 18 85 18 86 30C88 70 90 110 84 140C82 156 78 170 76 186',
}

/** An id made of a name that nothing has yet. */
export function freeId(name: string, otherwise: string, taken: (id: string) => boolean): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 44) || otherwise
  let id = base
  for (let n = 2; taken(id); n++) id = `${base}-${n}`
  return id
}

/** The box round a set of points: x, y, width, height. */
export function boxOf(points: readonly Pt[]): [number, number, number, number] {
  const xs = points.map(p => p[0])
  const ys = points.map(p => p[1])
  const x = Math.min(...xs)
  const y = Math.min(...ys)
  return [x, y, Math.max(...xs) - x, Math.max(...ys) - y]
}

/** Which points of an outline get a handle: all of a few, evenly spread ones of many. */
export function handles(outline: readonly Pt[], most = 26): number[] {
  if (outline.length <= most) return outline.map((_, i) => i)
  const lengths = outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length]!
    return Math.hypot(q[0] - p[0], q[1] - p[1])
  })
  const total = lengths.reduce((a, b) => a + b, 0)
  const out: number[] = []
  let walked = 0
  lengths.forEach((l, i) => {
    if (walked >= (out.length * total) / most) out.push(i)
    walked += l
  })
  return out
}

/**
 * The outline with one point moved by (dx, dy). Points within reach of it along
 * the edge, in mm, go along, the less the farther they are; with no reach it
 * moves alone.
 */
export function bent(outline: readonly Pt[], at: number, dx: number, dy: number, reach: number): Pt[] {
  const n = outline.length
  const share = new Array<number>(n).fill(0)
  share[at] = 1
  for (const way of [1, -1]) {
    let walked = 0
    for (let k = 1; k < n; k++) {
      const i = (at + way * k + n * k) % n
      const before = (i - way + n) % n
      walked += Math.hypot(outline[i]![0] - outline[before]![0], outline[i]![1] - outline[before]![1])
      if (walked >= reach) break
      share[i] = Math.max(share[i]!, (1 + Math.cos((Math.PI * walked) / reach)) / 2)
    }
  }
  const round = (v: number) => Math.round(v * 10) / 10
  return outline.map((p, i) => [round(p[0] + dx * share[i]!), round(p[1] + dy * share[i]!)])
}

/** The outline with a point added in the middle of the edge after a point. */
export function withPoint(outline: readonly Pt[], after: number): Pt[] {
  const p = outline[after]!
  const q = outline[(after + 1) % outline.length]!
  return [
    ...outline.slice(0, after + 1),
    [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2] as Pt,
    ...outline.slice(after + 1),
  ]
}

/** The outline without a point; three are the least. */
export const withoutPoint = (outline: readonly Pt[], at: number): Pt[] =>
  outline.length > 3 ? outline.filter((_, i) => i !== at) : [...outline]

/** The outline stretched so that its box has the given sides. */
export function stretched(outline: readonly Pt[], width: number, height: number): Pt[] {
  const [x, y, w, h] = boxOf(outline)
  return outline.map(p => [((p[0] - x) * width) / w, ((p[1] - y) * height) / h])
}

/** Liners by colour: what shows between the food then. */
export const liners = [
  ['', 'nothing'],
  ['#efe8d9', 'baking paper'],
  ['#4a4d4c', 'dark paper'],
  ['#7d8c57', 'green leaf'],
  ['#dfe3e2', 'white paper'],
] as const
