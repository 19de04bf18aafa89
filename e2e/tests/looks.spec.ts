// Lenses, the view at a slant, and pictures to give away.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { holds, openDemo, test } from './common'

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
  await page.getByLabel('Lens', { exact: true }).selectOption('allergens')
  const allergens = page.getByRole('region', { name: 'Seen through a lens: Allergens and diets' })
  await expect(allergens).toContainText('the labels of your packs decide')
  await allergens.getByLabel('What to look for').selectOption('nuts')
  await expect(allergens).toContainText('holds nuts')
  await page.keyboard.press('0')
  await expect(page.locator('.lens')).toHaveCount(0)
})

test('the tray is seen at a slant from each side, and goes out as a picture', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  await page.keyboard.press('i')
  await expect(page.getByRole('img', { name: /^The tray from the near side, \d+ elements/ })).toBeVisible()
  await page.getByLabel('Seen from').selectOption('left')
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
