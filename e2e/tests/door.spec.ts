// A phone is let in by a square code, works at the counter, and is put out.
import { expect, type Browser, type Page } from '@playwright/test'
import jsQR from 'jsqr'
import { PNG } from 'pngjs'
import { demo, door } from '../servers'
import { another, clean, test } from './common'

test.use({ baseURL: demo })

// what a phone's browser says of itself, and its screen
const small = {
  viewport: { width: 390, height: 844 },
  deviceScaleFactor: 2,
  isMobile: true,
  hasTouch: true,
  userAgent: 'Mozilla/5.0 (Linux; Android 16) Mobile',
}
const phone = async (browser: Browser) => (await another(browser, { ...small, baseURL: door(demo) })).newPage()

/** What a camera reads from the square code on a page. */
async function scan(page: Page) {
  const shot = PNG.sync.read(await page.getByRole('img', { name: 'The link as a square code' }).screenshot())
  return jsQR(new Uint8ClampedArray(shot.data), shot.width, shot.height)?.data ?? ''
}

test('a phone comes in by the square code, ticks at the counter, and is put out at once', async ({ page, browser }) => {
  await page.goto('/devices')
  await expect(page.getByRole('heading', { name: 'Phones and tablets are off' })).toBeVisible()
  await clean(page)
  await page.getByRole('button', { name: 'Turn them on' }).click()
  await expect(page.getByText('is not encrypted on its way')).toBeVisible()
  await page.getByRole('button', { name: 'Let a device in' }).click()
  const link = await scan(page)
  expect(link).toMatch(new RegExp(`^${door(demo)}/enter#[2-9A-HJ-NP-Z]{5}-[2-9A-HJ-NP-Z]{5}$`))
  await clean(page)

  // before that the phone sees the door only, wherever it goes
  const hand = await phone(browser)
  expect((await hand.goto('/shopping'))?.status()).toBe(401)
  await expect(hand.getByRole('heading', { name: 'Come in' })).toBeVisible()
  await clean(hand)
  await hand.getByLabel('Key').fill('WRONG-WRONG')
  await hand.getByRole('button', { name: 'Let me in' }).click()
  await expect(hand.getByRole('alert')).toContainText('does not hold')

  await hand.goto(link)
  expect(hand.url()).not.toContain('#') // the key does not stay in the history
  await expect(hand.getByLabel('This device is called')).toHaveValue('A phone')
  await hand.getByLabel('This device is called').fill('Ilka’s phone')
  await hand.getByRole('button', { name: 'Let me in' }).tap()
  await expect(hand.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible()
  await expect(page.getByText('Ilka’s phone')).toBeVisible() // and the code is gone
  await expect(page.getByRole('img', { name: 'The link as a square code' })).toHaveCount(0)

  // the counter in the hand: nothing is wider than the screen, buttons are for wet hands
  await hand.locator('.ticket .open', { hasText: 'First firing' }).tap()
  await hand.getByRole('link', { name: /^Prep/ }).tap()
  await hand.getByRole('link', { name: 'At the counter' }).tap()
  const done = hand.getByRole('button', { name: 'Done, next' })
  await expect(done).toBeVisible()
  expect((await done.boundingBox())!.height).toBeGreaterThanOrEqual(44)
  expect(await hand.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(hand)
  const first = await hand.locator('.what .big').innerText()
  await done.tap()
  await expect(hand.locator('.what .big')).not.toHaveText(first)

  // seen at the house's computer within a second
  const id = hand.url().match(/jobs\/([^/]+)/)![1]
  await page.goto(`/jobs/${id}/counter`)
  await page.getByRole('button', { name: 'Back' }).click()
  await expect(page.locator('.what .big')).toHaveText(first)
  await expect(page.getByRole('button', { name: 'Not done after all' })).toBeVisible()
  await hand.getByRole('button', { name: 'Back' }).tap()
  await hand.getByRole('button', { name: 'Not done after all' }).tap()
  await expect(page.getByRole('button', { name: 'Not done after all' })).toHaveCount(0)

  // a device does not decide who else is in
  await hand.goto('/devices')
  await expect(hand.getByRole('heading', { name: 'This is Ilka’s phone' })).toBeVisible()
  await expect(hand.getByRole('button', { name: /Turn them|Let a device/ })).toHaveCount(0)
  await clean(hand)

  // put out while it works, it is at the door again within moments
  await hand.goto(`/jobs/${id}/counter`)
  await expect(hand.getByRole('button', { name: 'Done, next' })).toBeVisible()
  await page.goto('/devices')
  await page.getByRole('button', { name: 'Sign out Ilka’s phone' }).click()
  await expect(page.getByText('No device is signed in')).toBeVisible()
  await expect(hand.getByRole('heading', { name: 'Come in' })).toBeVisible()
  expect((await hand.request.get('/api/v1/jobs')).status()).toBe(401)

  await page.getByRole('button', { name: 'Turn them all off' }).click()
  await expect(page.getByRole('heading', { name: 'Phones and tablets are off' })).toBeVisible()
  await expect(hand.request.get('/api/v1/jobs')).rejects.toThrow(/ECONNREFUSED/)
  await hand.context().close()
})
