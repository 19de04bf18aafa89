// What happens when things go wrong: nothing is lost, and a sentence says what to do.
import { expect, type Page } from '@playwright/test'
import { demo } from '../servers'
import { inward, openDemo, saved, stored, test } from './common'

test.use({ baseURL: demo })

async function take(page: Page, index: number): Promise<string> {
  const hold = page.locator('[data-hold]:not(.locked)').nth(index)
  await hold.focus()
  return (await hold.getAttribute('data-hold'))!
}

test('two windows change one job: both versions are offered, neither is lost', async ({ page, context }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(page.locator('[data-hold]').first()).toBeAttached()
  await context.route('**/head', r => r.abort()) // neither looks for the other's changes meanwhile
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.locator('[data-hold]').first()).toBeAttached()

  const id = await take(other, 2)
  const start = await stored(other, id)
  await other.keyboard.press('ArrowLeft')
  await saved(other)

  await take(page, 2)
  const [key, by] = await inward(page, start.x)
  await page.keyboard.press(key)
  const question = page.getByRole('dialog', { name: 'This job was changed elsewhere' })
  await expect(question).toBeVisible()
  expect((await stored(page, id)).x).toBeCloseTo(start.x - 2, 1) // not overwritten
  await question.getByRole('button', { name: 'Save mine on top' }).click()
  await saved(page)
  expect((await stored(page, id)).x).toBeCloseTo(start.x + by, 1)
  await page.getByRole('button', { name: 'Undo' }).click() // theirs is still there
  await expect.poll(async () => (await stored(page, id)).x).toBeCloseTo(start.x - 2, 1)

  // and the other way round
  await page.locator(`[data-hold="${id}"]`).focus()
  await page.keyboard.press('ArrowDown')
  await saved(page)
  await other.keyboard.press('ArrowUp')
  const again = other.getByRole('dialog', { name: 'This job was changed elsewhere' })
  await again.getByRole('button', { name: 'Take the other' }).click()
  await saved(other)
  expect((await stored(other, id)).y).toBeCloseTo(start.y + 2, 1)
  await other.close()
})

test('the database is away: the work is kept here and saved when it is back', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(page.locator('[data-hold]').first()).toBeAttached()
  const id = await take(page, 4)
  const start = await stored(page, id)
  const [key, by] = await inward(page, start.x)
  await page.route('**/api/v1/jobs/*', r =>
    r.request().method() === 'PUT'
      ? r.fulfill({ status: 503, contentType: 'application/problem+json', body: '{"type":"about:blank","title":"The database does not answer","status":503}' })
      : r.continue(),
  )
  await page.keyboard.press(key)
  await expect(page.locator('.says')).toContainText('Kept in this browser')

  // even if the window is closed in between
  await page.reload()
  await expect(page.locator('.says')).toContainText('Kept in this browser')
  expect((await stored(page, id)).x).toBeCloseTo(start.x, 1)
  await page.unroute('**/api/v1/jobs/*')
  await saved(page)
  expect((await stored(page, id)).x).toBeCloseTo(start.x + by, 1)
})

test('the server cannot be reached at all', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(page.locator('[data-hold]').first()).toBeAttached()
  const id = await take(page, 3)
  const start = await stored(page, id)
  await page.route('**/api/v1/jobs/*', r => (r.request().method() === 'PUT' ? r.abort() : r.continue()))
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('.says')).toContainText('Kept in this browser')
  await page.unroute('**/api/v1/jobs/*')
  await saved(page)
  expect((await stored(page, id)).y).toBeCloseTo(start.y + 2, 1)
})

test('a brief that cannot be planned says what gives', async ({ page }) => {
  await openDemo(page, 'Quiz league', 'Brief')
  for (const field of ['Adults', 'Children']) {
    await page.getByLabel(field).fill('0')
    await page.getByLabel(field).blur()
  }
  await expect(page.getByRole('alert')).toContainText('between 1 and 2000')
  await expect(page.getByRole('button', { name: 'Pick the foods' })).toBeDisabled()
  await page.getByLabel('Adults').fill('9')
  await page.getByLabel('Adults').blur()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await saved(page)
})

test('a job that is not there', async ({ page }) => {
  await page.goto('/jobs/11111111-2222-3333-4444-555555555555/lay')
  await expect(page.getByRole('heading', { name: 'This job cannot be opened' })).toBeVisible()
  await page.getByRole('link', { name: 'Back to the bench' }).click()
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeVisible()
})

test('two changes of a brief made in haste both hold', async ({ page }) => {
  await openDemo(page, 'First firing', 'Brief')
  await page.route('**/api/v1/replan', async r => {
    await new Promise(done => setTimeout(done, 400)) // a slow plan
    await r.continue()
  })
  await page.getByLabel('Adults').fill('20')
  await page.getByLabel('Adults').blur()
  await page.getByLabel('Children').fill('3')
  await page.getByLabel('Children').blur()
  await expect(page.getByRole('link', { name: /^Brief/ })).toContainText('23 guests')
  await saved(page)
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const { document } = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
  expect(document.brief.guests).toEqual({ adults: 20, children: 3 })
})
