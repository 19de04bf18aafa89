// Two windows on one job, and the job's history.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { holds, openDemo, saved, test, wasDone } from './common'

test.use({ baseURL: demo })

test('a second window sees a change within a second or two, and conflicting ones are offered side by side', async ({ page, context }) => {
  await openDemo(page, 'Night-sky', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(holds(other).first()).toBeAttached()
  const id = (await holds(page).first().getAttribute('data-hold'))!
  await other.bringToFront()
  await page.locator(`[data-hold="${id}"]`).focus()
  const says = () => other.locator(`[data-hold="${id}"]`).getAttribute('aria-label')
  const locked = /locked/.test((await says())!) // another journey may have left it so
  const kept = page.waitForResponse(wasDone)
  await page.keyboard.press('l')
  await kept
  await expect(other.getByText('Another window changed this job')).toBeVisible({ timeout: 4000 })
  await expect.poll(async () => /locked/.test((await says())!)).toBe(!locked)

  // both at once, each with something else: both hold
  await other.route('**/head', r => r.abort())
  const saves = page.waitForResponse(wasDone)
  await page.keyboard.press('l')
  await saves
  const second = (await holds(other).nth(1).getAttribute('data-hold'))!
  const lies = other.locator(`[data-hold="${second}"]`)
  const secondLocked = /locked/.test((await lies.getAttribute('aria-label'))!)
  await lies.focus()
  const both = other.waitForResponse(wasDone)
  await other.keyboard.press('l')
  await both
  await expect.poll(async () => /locked/.test((await says())!)).toBe(locked)
  expect(/locked/.test((await lies.getAttribute('aria-label'))!)).toBe(!secondLocked)
  await other.keyboard.press('l') // as other journeys find it
  await saved(other)

  // both with the same: the later one is asked
  await page.bringToFront()
  await expect.poll(async () => /locked/.test((await page.locator(`[data-hold="${second}"]`).getAttribute('aria-label'))!)).toBe(secondLocked)
  const free = (await page.locator('.hold:not(.locked)').nth(3).getAttribute('data-hold'))!
  const label = (p: typeof page) => p.locator(`[data-hold="${free}"]`).getAttribute('aria-label')
  const third = page.waitForResponse(wasDone)
  await page.locator(`[data-hold="${free}"]`).focus()
  await page.keyboard.press('l')
  await third
  await other.bringToFront()
  await other.locator(`[data-hold="${free}"]`).focus()
  await other.keyboard.press('Delete')
  await expect(other.getByRole('dialog', { name: 'This job was changed elsewhere' })).toBeVisible()
  await other.getByRole('button', { name: 'Take the other' }).click()
  await expect.poll(async () => /locked/.test((await label(other))!)).toBe(true) // as the first left it
  await page.bringToFront()
  await page.keyboard.press('l')
  await saved(page)
  await other.close()
})

test('what was saved is looked at, named and brought back', async ({ page }) => {
  await openDemo(page, 'Night-sky', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const id = (await holds(page).first().getAttribute('data-hold'))!
  const hold = page.locator(`[data-hold="${id}"]`)
  await hold.focus()
  await page.keyboard.press('Delete')
  await expect(hold).toBeHidden()
  await saved(page)
  await page.getByRole('button', { name: 'History' }).click()
  const states = page.getByRole('list', { name: 'Saved states, newest first' }).getByRole('button')
  await expect(states.first()).toContainText('off the board')
  await states.nth(1).click()
  const name = page.getByLabel('Its name')
  const named = page.waitForResponse(r => r.request().method() === 'PUT')
  await name.fill('For the jury')
  await name.press('Enter')
  await named
  await page.getByLabel('only what has a name').check()
  await expect(states).toHaveCount(1)
  await expect(states.first()).toContainText('For the jury')
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(hold).toBeAttached()
  await expect(page.getByText('Brought back.')).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(hold).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(hold).toBeAttached()
})
