// From serving to the next brief: what was noted on the evening changes what the same crowd gets, and says why.
import { expect } from '@playwright/test'
import { demo, now } from '../servers'
import { another, choose, clean, saved, test } from './common'

test.use({ baseURL: demo })

test('an evening is served, looked back on in a minute, and the next brief of the crowd says why it changed', async ({
  page,
  browser,
}) => {
  // a job of a new crowd, served half an hour ago
  const at = new Date(now() - 30 * 60_000).toISOString()
  const brief = (serve: string) => ({
    guests: { adults: 10 },
    host: 'The lamp room',
    serve_at: serve,
    foods: ['orange-block', 'wide-sausage', 'round-crackers', 'red-grapes', 'almonds', 'chickpea-dip'],
  })
  const api = page.request
  const made = await (await api.post('/api/v1/jobs', { data: { title: 'Lamp supper', brief: brief(at) } })).json()
  const planned = await (await api.post('/api/v1/plan', { data: brief(at) })).json()
  const lines = (await (await api.post('/api/v1/arrange?seconds=1&effort=2', { data: { ...planned, title: 'Lamp supper' } })).text()).trim().split('\n')
  const laid = lines.map(l => JSON.parse(l)).filter(l => l.tray).at(-1).tray
  const nuts = laid.elements.find((e: { food: string; placed: boolean }) => e.food === 'almonds' && e.placed)
  laid.reserve = [{ food: 'almonds', form: nuts.form, grams: 60, count: 50, why: 'for topping up' }]
  expect((await api.put(`/api/v1/jobs/${made.id}`, { data: laid, headers: { 'If-Match': `"${made.revision}"` } })).status()).toBe(200)

  // on the evening, on a phone: one tap for what is gone, a note
  const hand = await (await another(browser, { baseURL: demo, viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true })).newPage()
  await hand.goto(`/jobs/${made.id}/serve`)
  await expect(hand.getByText('Served since')).toBeVisible()
  const grapes = laid.elements.find((e: { food: string; placed: boolean }) => e.food === 'red-grapes' && e.placed).id
  await hand.locator(`[data-tap="${grapes}"]`).dispatchEvent('click')
  await expect(hand.getByRole('status').filter({ hasText: 'is gone' })).toBeVisible()
  // the box of almonds is laid, once; it was not after all, and is again
  await hand.locator(`[data-tap="${nuts.id}"]`).dispatchEvent('click')
  await hand.getByRole('button', { name: 'Lay 60 g from its box' }).tap()
  await expect(hand.getByText(/60 g more of .*almonds laid/i)).toBeVisible()
  await expect(hand.getByRole('button', { name: /from its box/ })).toHaveCount(0)
  await expect(hand.getByRole('status').filter({ hasText: 'is there' })).toBeVisible()
  await hand.getByRole('button', { name: 'It was not' }).tap()
  await expect(hand.getByText(/more of .*almonds laid/i)).toHaveCount(0)
  await hand.getByRole('button', { name: 'Lay 60 g from its box' }).tap()
  await expect(hand.getByText(/60 g more of .*almonds laid/i)).toBeVisible()
  await hand.getByLabel('Note, with the time').fill('They stand by the window.')
  await hand.getByRole('button', { name: 'Note it' }).tap()
  await expect(hand.getByText('They stand by the window.')).toBeVisible()
  await hand.getByLabel('Add a photograph').setInputFiles('tests/hull.jpg')
  await expect(hand.getByRole('img', { name: /Photograph of/ })).toBeVisible()
  expect(await hand.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(hand)

  // looked back on: the dip came home, because it was too sour
  await hand.getByRole('link', { name: 'What came home', exact: true }).tap()
  await expect(hand.getByRole('heading', { name: 'What came home?' })).toBeVisible()
  await hand.getByRole('list', { name: 'Foods of the evening' }).getByRole('button', { name: /Hummus/ }).tap()
  await hand.getByLabel('How much was left').fill('80')
  await hand.getByRole('button', { name: 'too sour' }).tap()
  await expect(hand.getByRole('button', { name: 'too sour' })).toHaveAttribute('aria-pressed', 'true')
  await clean(hand)
  await hand.getByRole('button', { name: 'The rest is gone: done' }).tap()
  await expect(hand.getByText('Saved; the next brief knows.')).toBeVisible()
  await hand.reload()
  await expect(hand.getByText('Saved; the next brief knows.')).toBeVisible()
  await hand.getByRole('list', { name: 'Foods of the evening' }).getByRole('button', { name: /Hummus/ }).tap()
  await expect(hand.getByLabel('How much was left')).toHaveValue('80')

  // the logbook has it
  await page.goto('/logbook')
  await choose(page, 'Crowd', 'The lamp room')
  await expect(page.getByRole('row', { name: /^Lamp supper/ })).toBeVisible()
  await expect(page.getByRole('row')).toHaveCount(2) // and no other crowd's
  await page.getByRole('button', { name: /^Hummus: 0\.\d+ of its share/ }).click()
  await expect(page.getByText(/too sour; it moves it by −?-?\d+ %/)).toBeVisible()
  await clean(page)

  // it goes out as one file and comes in as another job
  const zip = await (await api.get(`/api/v1/jobs/${made.id}/bundle`)).body()
  await page.goto('/settings')
  const bring = page.getByLabel('Bring in a file')
  await bring.setInputFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: zip })
  await expect(page.getByText('1 job came in, 1 photograph')).toBeVisible()
  const copy = (await page.getByRole('link', { name: 'Lamp supper' }).getAttribute('href'))!.split('/')[2]
  await clean(page)
  await bring.setInputFiles({ name: 'half.zip', mimeType: 'application/zip', buffer: zip.subarray(0, 900) })
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was changed.' })).toBeVisible()
  expect((await api.delete(`/api/v1/jobs/${copy}/evening`)).status()).toBe(204)
  expect((await api.delete(`/api/v1/jobs/${copy}`)).status()).toBe(204)

  // the next brief of the crowd
  const later = new Date(now() + 9 * 24 * 3600_000).toISOString()
  const next = await (await api.post('/api/v1/jobs', { data: { title: 'Lamp supper again', brief: brief(later) } })).json()
  const again = await (await api.post('/api/v1/plan', { data: brief(later) })).json()
  const head = await (await api.get(`/api/v1/jobs/${next.id}`)).json()
  const put = await api.put(`/api/v1/jobs/${next.id}`, { data: { ...again, title: 'Lamp supper again' }, headers: { 'If-Match': `"${head.revision}"` } })
  expect(put.status()).toBe(200)
  await page.goto(`/jobs/${next.id}/amounts`)
  const learnt = page.getByRole('region', { name: 'Learnt from evenings' })
  await learnt.getByText('Hummus').click()
  await expect(learnt.getByText(/too sour/).filter({ visible: true })).toBeVisible()
  const grams = () => api.get(`/api/v1/jobs/${next.id}`).then(async r => {
    const d = (await r.json()).document
    return [...d.elements, ...d.reserve].filter((e: { food: string }) => e.food === 'chickpea-dip').reduce((s: number, e: { grams: number }) => s + e.grams, 0)
  })
  const less = await grams()
  await learnt.getByRole('button', { name: 'Ignore it: the usual share' }).filter({ visible: true }).click()
  await expect(learnt.getByText('as usual')).toBeVisible()
  await saved(page)
  expect(await grams()).toBeGreaterThan(less * 1.2)
  await clean(page)

  // and forgetting the evening forgets what it taught
  await hand.getByRole('button', { name: 'Forget this evening' }).tap()
  await expect(hand.getByRole('button', { name: 'The rest is gone: done' })).toBeVisible()
  await page.goto('/logbook')
  await expect(page.getByLabel('Crowd').locator('option', { hasText: 'The lamp room' })).toHaveCount(0)
  for (const id of [made.id, next.id]) expect((await api.delete(`/api/v1/jobs/${id}`)).status()).toBe(204)
  await hand.context().close()
})

test('a logbook with nothing in it says how it comes to have something', async ({ browser }) => {
  const { empty } = await import('../servers')
  const page = await (await another(browser, { baseURL: empty })).newPage()
  await page.goto('/logbook')
  await expect(page.getByRole('heading', { name: 'No evening was looked back on yet' })).toBeVisible()
  await clean(page)
  await page.context().close()
})

test('the past job of the demo has its evening: what came home, what to do with it, what was noted', async ({ page }) => {
  await page.goto('/')
  await page.getByText('Past', { exact: true }).click()
  await page.locator('.ticket .open', { hasText: 'Seed swap' }).click()
  await page.getByRole('link', { name: /^Look back/ }).click()
  await expect(page.getByText('Everybody stands at the beans.')).toBeVisible()
  await expect(page.getByText(/throw it away, however good it looks/).first()).toBeVisible()
  await clean(page)
  // the photograph of the evening is held against the plan
  await page.getByRole('button', { name: /beside the plan/ }).click()
  const beside = page.getByRole('region', { name: 'The photograph beside the plan' })
  await expect(beside.getByText(/lies \d+ mm from where it was planned/)).toBeVisible()
  const corner = beside.getByRole('slider', { name: 'upper left corner' })
  const was = await corner.getAttribute('aria-valuetext')
  await corner.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(corner).not.toHaveAttribute('aria-valuetext', was!)
  await page.keyboard.press('Shift+ArrowLeft')
  await beside.getByRole('button', { name: 'These are its corners' }).click()
  await expect(beside.getByText(/lies \d+ mm from where it was planned/)).toBeVisible()
  await clean(page)
})
