import type { TrayFile } from '@/api/tray.gen'

/** A tray with nothing on it, told from others by its title. */
export const tray = (title: string): TrayFile => ({
  format: 'happytray/1',
  title,
  brief: { guests: { adults: 4 } },
  board: null,
  vessels: [],
  elements: [],
  reserve: [],
  rules: {},
  seed: 1,
})
