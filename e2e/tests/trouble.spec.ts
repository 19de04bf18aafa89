// What happens when things go wrong: nothing is lost, and a sentence says what to do.
import { expect, type Page, type Route } from '@playwright/test'
import { demo, now } from '../servers'
import { clean, inward, openDemo, saved, stored, test } from './common'

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

  // one that lies well inside the board, so that it can go both ways
  let index = 2
  let id = await take(other, index)
  let start = await stored(other, id)
  for (; (await inward(other, start.x))[1] > 0; start = await stored(other, id)) id = await take(other, ++index)
  await other.keyboard.press('ArrowLeft')
  await saved(other)

  await take(page, index)
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
  await page.route('**/api/v1/jobs/*/edits', r =>
    r.fulfill({ status: 503, contentType: 'application/problem+json', body: '{"type":"about:blank","title":"The database does not answer","status":503}' }),
  )
  await page.keyboard.press(key)
  await expect(page.locator('.says')).toContainText('Kept in this browser')

  // even if the window is closed in between
  await page.reload()
  await expect(page.locator('.says')).toContainText('Kept in this browser')
  expect((await stored(page, id)).x).toBeCloseTo(start.x, 1)
  await page.unroute('**/api/v1/jobs/*/edits')
  await saved(page)
  expect((await stored(page, id)).x).toBeCloseTo(start.x + by, 1)
})

test('the server cannot be reached at all', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(page.locator('[data-hold]').first()).toBeAttached()
  const id = await take(page, 3)
  const start = await stored(page, id)
  await page.route('**/api/v1/jobs/*/edits', r => r.abort())
  const [key, by] = await inward(page, start.x)
  await page.keyboard.press(key)
  await expect(page.locator('.says')).toContainText('Kept in this browser')
  await page.unroute('**/api/v1/jobs/*/edits')
  await saved(page)
  expect((await stored(page, id)).x).toBeCloseTo(start.x + by, 1)
})

test('changes of a job that was left while the server was away are saved from wherever one is', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(page.locator('[data-hold]').first()).toBeAttached()
  const id = await take(page, 6)
  const start = await stored(page, id)
  const lay = page.url()
  let tried = 0
  let away = true
  await page.route('**/api/v1/jobs/*/edits', r => (tried++, away ? r.abort() : r.continue()))
  const [key, by] = await inward(page, start.x)
  await page.keyboard.press(key)
  await expect(page.locator('.says')).toContainText('Kept in this browser')
  await page.goto(demo + '/larder')
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible()
  await clean(page, '.outbox')
  // pressed right after it was tried by itself, when seconds pass before the next time: it is tried at once
  const before = tried
  await expect.poll(() => tried, { timeout: 20_000 }).toBeGreaterThan(before)
  const own = tried
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect.poll(() => tried, { timeout: 1500 }).toBeGreaterThan(own)
  // and by itself once the server is back
  away = false
  await expect(page.locator('.outbox')).toHaveCount(0, { timeout: 20_000 })
  await page.goto(lay)
  await expect(page.locator('[data-hold]').first()).toBeAttached()
  // it rests against its neighbours there, so within half a millimetre
  await expect.poll(async () => (await stored(page, id)).x).toBeCloseTo(start.x + by, 0)
})

test('what is noted on an evening without a server survives, counts once, and stands beside what others note', async ({ page }) => {
  const api = page.request
  const brief = { guests: { adults: 8 }, serve_at: new Date(now() - 30 * 60_000).toISOString(), foods: ['orange-block', 'almonds', 'red-grapes'] }
  const made = await (await api.post('/api/v1/jobs', { data: { title: 'In the cellar', brief } })).json()
  const planned = await (await api.post('/api/v1/plan', { data: brief })).json()
  const lines = (await (await api.post('/api/v1/arrange?seconds=1&effort=1', { data: { ...planned, title: 'In the cellar' } })).text()).trim().split('\n')
  const laid = lines.map(l => JSON.parse(l)).filter(l => l.tray).at(-1).tray
  expect((await api.put(`/api/v1/jobs/${made.id}`, { data: laid, headers: { 'If-Match': `"${made.revision}"` } })).status()).toBe(200)
  const evening = async () => (await api.get(`/api/v1/jobs/${made.id}/evening`)).json()
  const grapes = laid.elements.find((e: { food: string; placed: boolean }) => e.food === 'red-grapes' && e.placed).id

  await page.goto(`/jobs/${made.id}/serve`)
  await expect(page.getByText('Served since')).toBeVisible()
  const changes = /\/evening\/(gone|notes|photos|topped)|\/weights$/
  const away = (r: Route) => (r.request().method() === 'GET' ? r.continue() : r.abort())
  await page.route(changes, away)
  await page.locator(`[data-tap="${grapes}"]`).dispatchEvent('click')
  await expect(page.getByRole('status').filter({ hasText: 'is gone' })).toBeVisible()
  await page.getByLabel('Note, with the time').fill('Dark down here.')
  await page.getByRole('button', { name: 'Note it' }).click()
  await page.getByLabel('Add a photograph').setInputFiles('tests/hull.jpg')
  await expect(page.getByText('3 entries wait in this browser')).toBeVisible()
  expect((await evening()).version).toBe(0)

  // the page is loaded again, and somebody else notes something meanwhile
  await page.reload()
  await expect(page.getByText('3 entries wait in this browser')).toBeVisible()
  await expect(page.getByText('Dark down here.')).toBeVisible()
  await page.getByText('As a list').click()
  await expect(page.getByRole('checkbox', { name: /grapes/i }).first()).toBeChecked()
  await api.post(`/api/v1/jobs/${made.id}/evening/notes`, { data: { says: 'Light up here.' } })

  // the server is back, but its first answers are lost on the way
  await page.unroute(changes)
  let lost = 0
  await page.route(changes, async r => {
    if (r.request().method() === 'GET' || lost >= 2) return r.continue()
    lost++
    await r.fetch()
    await r.abort()
  })
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect(page.locator('.outbox')).toHaveCount(0, { timeout: 30_000 })
  const photos = async () => (await (await api.get(`/api/v1/jobs/${made.id}/evening/photos`)).json()).photos.length
  await expect.poll(photos, { timeout: 20_000 }).toBe(1) // it was the last in the line
  expect(lost).toBe(2)
  const e = await evening()
  expect(e.notes.map((n: { says: string }) => n.says).sort()).toEqual(['Dark down here.', 'Light up here.'])
  expect(e.dishes.find((d: { element: string }) => d.element === grapes).gone_at_min).not.toBeNull()
  await page.unroute(changes)

  // weights wait as well
  await page.goto(`/jobs/${made.id}/weigh`)
  await page.route(changes, away)
  await page.getByLabel('By hand, g').fill('120')
  await page.getByLabel('By hand, g').press('Enter')
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible()
  await page.reload()
  await page.unroute(changes)
  const weights = async () => (await (await api.get(`/api/v1/jobs/${made.id}/weights`)).json()).weights.length
  await expect.poll(weights, { timeout: 30_000 }).toBe(1)
  await expect(page.locator('.outbox')).toHaveCount(0)

  // what the server will not take is said, and stays until somebody has looked at it
  await page.goto(`/jobs/${made.id}/serve`)
  await page.route(changes, r =>
    r.request().method() === 'GET'
      ? r.continue()
      : r.fulfill({ status: 422, contentType: 'application/problem+json', body: '{"type":"about:blank","title":"This cannot be worked with","detail":"60 at most.","status":422}' }),
  )
  await page.getByLabel('Note, with the time').fill('One too many')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Not saved: the note “One too many”' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('alert').filter({ hasText: '60 at most.' })).toBeVisible()
  await page.getByRole('button', { name: 'Drop it' }).click()
  await expect(page.locator('.outbox')).toHaveCount(0)
  await page.unroute(changes)
  expect((await api.delete(`/api/v1/jobs/${made.id}/evening`)).status()).toBe(204)
  expect((await api.delete(`/api/v1/jobs/${made.id}`)).status()).toBe(204)
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
  await page.getByRole('link', { name: 'Back to the jobs' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible()
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
