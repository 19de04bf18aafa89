import type { Scene } from '@/api/client'

type Placed = Scene['bands'][number]['pieces'][number]

const gradients = /url\(#([^)]+)\)/g

/** The gradients that some drawings name, as SVG. */
function defsFor(scene: Scene, svgs: Iterable<string>): string {
  const ids = new Set<string>()
  for (const svg of svgs) for (const m of svg.matchAll(gradients)) ids.add(m[1]!)
  return [...ids].map(id => scene.defs[id] ?? '').join('')
}

const at = (p: Placed, dx = 0, dy = 0) => `translate(${p.x + dx} ${p.y + dy}) rotate(${p.turn})`

const numbers = /-?[\d.]+/g

/** Where the corners of a drawing's shadow lie round its origin, all shadows round the same way. */
function cornersOf(shade: string): [number, number][] {
  const all = (shade.match(numbers) ?? []).map(Number)
  const out: [number, number][] = []
  for (let i = 0; i + 1 < all.length; i += 2) out.push([all[i]!, all[i + 1]!])
  let area = 0
  out.forEach(([x, y], i) => {
    const [u, v] = out[(i + 1) % out.length]!
    area += x * v - u * y
  })
  return area < 0 ? out.reverse() : out // or they would cancel out where they meet
}

/** Path data of the shadow that a piece casts on the board. */
function shadow(p: Placed, corners: [number, number][]): string {
  const turn = (p.turn * Math.PI) / 180
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)]
  const [x0, y0] = [p.x + p.shift, p.y + p.shift * 1.15]
  const tenths = (v: number) => Math.round(v * 10) / 10
  return `M${corners.map(([x, y]) => `${tenths(x0 + x * cos - y * sin)} ${tenths(y0 + x * sin + y * cos)}`).join('L')}Z`
}

/**
 * The tray as one SVG document, drawn as a picture: a page of thousands of live
 * shapes with blurred shadows cannot follow a hand, one picture can. The shadows
 * of a band are one shape, which is quicker than one for each piece. Elements for
 * which skip answers true are left out.
 */
export function traySVG(scene: Scene, skip: (element: number) => boolean): string {
  const [x, y, w, h] = scene.box
  const used = new Set<string>()
  const corners = new Map<string, [number, number][]>()
  let body = ''
  for (const band of scene.bands) {
    let shade = ''
    let pieces = ''
    for (const p of band.pieces) {
      if (skip(p.e)) continue
      used.add(p.use)
      if (!corners.has(p.use)) corners.set(p.use, cornersOf(scene.drawings[p.use]?.shade ?? ''))
      shade += shadow(p, corners.get(p.use)!)
      pieces += `<use href="#${p.use}" transform="${at(p)}"/>`
    }
    if (pieces)
      body += `<g fill="#2e1a0d" opacity=".42" filter="url(#shade)"><path d="${shade}"/></g>${pieces}`
  }
  let sheet = ''
  for (const id of used) {
    const d = scene.drawings[id]
    if (d) sheet += `<g id="${id}">${d.svg}</g>`
  }
  const filter =
    '<filter id="shade" x="-3%" y="-3%" width="106%" height="106%"><feGaussianBlur stdDeviation="1.9"/></filter>'
  const defs = defsFor(
    scene,
    [...used].map(id => scene.drawings[id]?.svg ?? ''),
  )
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${w} ${h}" width="${w}" height="${h}"><defs>${filter}${defs}${sheet}</defs>${scene.board}${body}</svg>`
}

/** The drawings of one element as live SVG, for what is in the hand: lifted, so its shadow falls farther. */
export function handSVG(scene: Scene, element: number): string {
  const pieces = scene.bands.flatMap(b => b.pieces).filter(p => p.e === element)
  let shade = ''
  let drawn = ''
  for (const p of pieces) {
    const d = scene.drawings[p.use]
    if (!d) continue
    shade += `<path d="${d.shade}" transform="${at(p, 4, 5)}"/><path d="${d.shade}" transform="${at(p, 5.5, 7)}"/>`
    drawn += `<g transform="${at(p)}">${d.svg}</g>`
  }
  const defs = defsFor(
    scene,
    pieces.map(p => scene.drawings[p.use]?.svg ?? ''),
  )
  return `<defs>${defs}</defs><g fill="#2e1a0d" opacity=".2">${shade}</g>${drawn}`
}
