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

/**
 * The tray as one SVG document, drawn as a picture: a page of thousands of live
 * shapes with blurred shadows cannot follow a hand, one picture can. Elements
 * for which skip answers true are left out.
 */
export function traySVG(scene: Scene, skip: (element: number) => boolean): string {
  const [x, y, w, h] = scene.box
  const used = new Set<string>()
  let body = ''
  for (const band of scene.bands) {
    let shade = ''
    let pieces = ''
    for (const p of band.pieces) {
      if (skip(p.e)) continue
      used.add(p.use)
      shade += `<use href="#o-${p.use}" transform="${at(p, p.shift, p.shift * 1.15)}"/>`
      pieces += `<use href="#${p.use}" transform="${at(p)}"/>`
    }
    if (pieces) body += `<g fill="#2e1a0d" opacity=".42" filter="url(#shade)">${shade}</g>${pieces}`
  }
  let sheet = ''
  for (const id of used) {
    const d = scene.drawings[id]
    if (d) sheet += `<g id="${id}">${d.svg}</g><path id="o-${id}" d="${d.shade}"/>`
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
