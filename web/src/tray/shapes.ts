import type { BoardRequest } from '@/api/tray.gen'

export type Shape = NonNullable<BoardRequest['shape']>

/** The shapes that a board can be made in by its measures, and what people call them. */
export const shapes: readonly (readonly [Exclude<Shape, 'outline'>, string])[] = [
  ['rectangle', 'Rectangle'],
  ['round', 'Round'],
  ['oval', 'Oval'],
  ['paddle', 'Paddle with a handle'],
  ['plank', 'Plank'],
  ['half-round', 'Half-round'],
  ['hexagon', 'Hexagon'],
  ['ring', 'Ring'],
  ['heart', 'Heart'],
  ['tree', 'Fir tree'],
  ['star', 'Star'],
  ['figure', 'Letter or digit'],
]

/** How wide a shape is for its length where nobody says: a letter stands taller than it is wide. */
const proportions: Partial<Record<Shape, number>> = { heart: 0.92, tree: 1.3, figure: 1.4 }

/** The measures of a board that takes another shape: those it had, stood up where the shape wants it. */
export function sized(shape: Shape, length: number, width: number) {
  const by = proportions[shape]
  if (oneSide(shape)) return { length_mm: length, width_mm: undefined }
  if (!by) return { length_mm: length, width_mm: width }
  const across = Math.min(length, width)
  return { length_mm: across, width_mm: Math.round(across * by) }
}

/** Those that are as long as they are wide. */
export const oneSide = (shape: Shape | undefined) =>
  shape === 'round' || shape === 'hexagon' || shape === 'ring' || shape === 'star'
