// Lenses, the view at a slant, and pictures to give away.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { choose, clean, holds, openDemo, test, wasDone } from './common'

test.use({ baseURL: demo })

test('lenses tint the tray and say what they show, by keys and by name', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  await page.keyboard.press('4')
  const bar = page.getByRole('region', { name: 'Seen through a lens: Wet and crisp' })
  await expect(bar).toContainText(/apart|too near|none near/)
  await expect(bar).toContainText('crisp')
  expect(await page.locator('.lens .tint').count()).toBeGreaterThan(10)
  await page.keyboard.press('3')
  await expect(page.getByRole('region', { name: 'Seen through a lens: Without green cones' })).toBeVisible()
  expect(await page.locator('.picture').evaluate(e => getComputedStyle(e).filter)).toContain('url')
  await choose(page, 'Lens', /^Allergens/)
  const allergens = page.getByRole('region', { name: 'Seen through a lens: Allergens and diets' })
  await expect(allergens).toContainText('the labels of your packs decide')
  await choose(page, 'What to look for', /^nuts$/)
  await expect(allergens).toContainText('holds nuts')
  await page.keyboard.press('0')
  await expect(page.locator('.lens')).toHaveCount(0)
})

test('the tray is seen at a slant from each side, and goes out as a picture', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  await page.keyboard.press('i')
  const front = page.getByRole('img', { name: /^The tray from the front, \d+ elements/ })
  await expect(front).toBeVisible()
  // the board alone, without the plates that stand beside it and are in the picture: that is wider
  const [shown, whole] = await front.evaluate((img: HTMLImageElement) => [
    img.width / img.height,
    img.naturalWidth / img.naturalHeight,
  ])
  expect(shown!).toBeLessThan(0.9 * whole!)
  await choose(page, 'Seen from', /left/i)
  await expect(page.getByRole('img', { name: /from the left/ })).toBeVisible()
  await page.getByRole('button', { name: 'Picture', exact: true }).click()
  await page.getByLabel('with names').check()
  await page.getByLabel('px wide').fill('640')
  const svg = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Keep as SVG' }).click()
  expect((await svg).suggestedFilename()).toBe('first-firing-at-the-new-kiln-left.svg')
  const png = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Keep as PNG' }).click()
  const file = await (await png).createReadStream()
  const head: Buffer = await new Promise(done => file.once('data', d => done(d as Buffer)))
  expect(head.subarray(1, 4).toString()).toBe('PNG')
  expect(head.readUInt32BE(16)).toBe(640)
})

test('a tray is seen as it was, as large as on the table, filled with food, and kept as a pattern', async ({ page }) => {
  await openDemo(page, 'Night-sky', 'Lay')
  const first = holds(page).first()
  await first.focus()
  const done = page.waitForResponse(wasDone)
  await page.keyboard.press('l') // a change, so that something came before it
  await done
  await page.getByLabel('As it was before').check()
  await expect(page.getByRole('img', { name: 'The tray as it lay before' })).toBeVisible()
  await page.keyboard.press('b')
  await expect(page.getByRole('img', { name: 'The tray as it lay before' })).toHaveCount(0)
  const undone = page.waitForResponse(wasDone)
  await first.focus()
  await page.keyboard.press('l') // as other journeys find it
  await undone

  // a card is measured once; then the board is as wide on the screen as its millimetres say
  await page.getByRole('button', { name: 'True size' }).click()
  const dialog = page.getByRole('dialog', { name: 'As large as on the table' })
  const card = await dialog.getByRole('img', { name: /^A card/ }).boundingBox()
  await clean(page, '.el-dialog')
  await dialog.getByRole('button', { name: 'They are alike' }).click()
  await expect(page.getByRole('button', { name: 'Measure again' })).toBeVisible()
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const { document: tray } = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
  const xs = (tray.trays?.[0] ?? tray).board.outline.map((p: number[]) => p[0])
  const board = Math.max(...xs) - Math.min(...xs)
  const picture = await page.locator('.picture').boundingBox()
  const margin = picture!.width / (card!.width / 85.6) - board // the board's own shadow and edge beside it, mm
  expect(margin).toBeGreaterThan(0)
  expect(margin).toBeLessThan(60)
  await page.keyboard.press('Home')

  // what stands beside it is drawn as it is laid
  const beside = page.getByRole('region', { name: 'Beside the board' })
  await expect(beside).toContainText(/A plate of \d+ cm\s*round crackers.* and toasted baguette, \d+ g/)
  expect(await beside.locator('img').evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(50)

  await page.getByRole('button', { name: 'Picture', exact: true }).click()
  await choose(page, 'Shows', /1:1/)
  await clean(page, '.el-dialog')
  const shown = page.getByRole('img', { name: 'The picture as it will be kept' })
  await expect
    .poll(() => shown.evaluate((i: HTMLImageElement) => Math.round((100 * i.naturalWidth) / i.naturalHeight)))
    .toBe(100)
  await page.keyboard.press('Escape')

  await page.locator('.el-select', { hasText: 'suits the board' }).click()
  await page.getByRole('option', { name: /like another tray/ }).click()
  const like = page.getByRole('dialog', { name: 'Lay it like another tray' })
  await expect(like.getByRole('button', { name: 'The kiln’s oval' })).toBeVisible() // of the demo world
  await like.getByLabel('Keep this tray as a pattern').fill('Two long rivers')
  await like.getByRole('button', { name: 'Keep it' }).click()
  await expect(like.getByRole('button', { name: 'Two long rivers' })).toBeVisible()
  await clean(page, '.el-dialog')
  await page.goto('/shelf')
  await expect(page.getByRole('textbox', { name: 'Name of the pattern Two long rivers' })).toBeVisible()
  await page.getByRole('button', { name: 'Off the shelf Two long rivers' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of the pattern Two long rivers' })).toHaveCount(0)
})
