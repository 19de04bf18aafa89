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

/** Those that are as long as they are wide. */
export const oneSide = (shape: Shape | undefined) =>
  shape === 'round' || shape === 'hexagon' || shape === 'ring' || shape === 'star'
