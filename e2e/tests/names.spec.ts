// Foods by the names that people use, in any form that they fit, diets as people say them, and a plate apart.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { choose, clean, newJob, saved, test } from './common'

test.use({ baseURL: demo })

test('foods are found by what people call them, pasted as a list, and added in one line', async ({ page }) => {
  await newJob(page, 'Lamp lighters at rest', { guests: { adults: 10 }, occasion: 'grazing', month: 6 })
  await page.getByRole('link', { name: /^Pick/ }).click()
  const find = page.getByRole('searchbox', { name: /Find a food/ })

  // another name of it is its name in this job
  await find.fill('camenbert') // a slip of the finger
  const found = page.getByRole('region', { name: /^Found/ })
  await expect(found.getByRole('button').first()).toContainText('Brie')
  await find.fill('camembert')
  await expect(found.getByRole('button').first()).toContainText('Camembert')
  await found.getByRole('button').first().click()
  await expect(found.getByRole('button', { name: /Camembert/ }).first()).toHaveAttribute('aria-pressed', 'true')
  await find.fill('')
  await expect(page.getByRole('button', { name: /^Camembert/ })).toBeVisible()
  await saved(page)

  // a list from a note: what is meant is said before it is taken
  await find.evaluate(el => {
    const data = new DataTransfer()
    data.setData('text', 'parmesan\n- prosciutto\n2. cornichons\nmoon dust')
    el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  const list = page.getByRole('region', { name: 'Your list' })
  await expect(list).toContainText('Parmesan as aged hard cheese')
  await expect(list).toContainText('moon dust is not in the larder')
  await clean(page)
  await list.getByRole('button', { name: 'Take these 3 foods' }).click()
  await expect(list).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^Parmesan/ })).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('button', { name: /^Camembert/ })).toHaveAttribute('aria-pressed', 'true')
  await saved(page)

  // the list that is bought speaks the host's words, too
  await page.getByRole('link', { name: /^Amounts/ }).click()
  await expect(page.locator('.table, main').first()).toContainText('Camembert')

  // what there is not is added in one line, and says so
  await page.getByRole('link', { name: /^Pick/ }).click()
  await find.fill('Lamp oil crackers')
  const line = page.locator('form', { hasText: 'Not there?' })
  await line.getByLabel('Grams a piece').fill('6')
  await line.getByLabel('Grams a pack').fill('150')
  await choose(page, 'Kind', 'Crackers and bread')
  await line.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByRole('button', { name: /^Lamp oil crackers/ })).toHaveAttribute('aria-pressed', 'true')
  await page.goto('/larder/lamp-oil-crackers')
  await expect(page.getByText('its allergens are not known')).toBeVisible()
  await clean(page)
  await page.getByRole('button', { name: 'I have read its label' }).click()
  await expect(page.getByText('its allergens are not known')).toHaveCount(0)
})

test('a diet fills in its words, and a plate apart leaves the others their bread', async ({ page }) => {
  await newJob(page, 'Weir keepers at noon', { guests: { adults: 12 }, occasion: 'grazing', month: 6 })
  await page.getByRole('group', { name: 'Add a diet or allergy' }).getByRole('button', { name: 'Coeliac' }).click()
  await expect(page.getByLabel('Group 1, who')).toHaveValue('Coeliac')
  await expect(page.getByText('Only what is labelled gluten-free counts.')).toBeVisible()
  const look = page.getByRole('complementary', { name: 'What follows from the brief' })
  await expect(look).toContainText(/bread and crackers \(\d+ of \d+\)/)
  await look.getByRole('button', { name: 'Give them a plate apart' }).click()
  await expect(look.getByRole('heading', { name: 'Boards' })).toBeVisible()
  await expect(look).toContainText('Coeliac')
  await expect(page.getByLabel(/A covered plate apart/)).toBeChecked()
  await clean(page)
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByText('foods picked for you')).toBeVisible()
  await saved(page)
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const { document } = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
  expect(JSON.stringify(document)).toContain('"apart":true')

  // pregnant guests are a group like any other
  await page.getByRole('link', { name: /^Brief/ }).click()
  await page.getByLabel('Pregnant or of weak health').fill('2')
  await page.getByLabel('Pregnant or of weak health').press('Enter')
  await expect(look).toContainText(/commonly advised against|What pregnant guests are advised against/)
  await saved(page)
})

test('a food is laid in any form that it fits, in two at once, and what goes over others where the host says', async ({ page }) => {
  const brief = { guests: { adults: 10 }, foods: ['soft-white-round', 'goat-wheel', 'fresh-goat-log', 'honey', 'red-grapes', 'oatcakes'] }
  const id = await newJob(page, 'Cutting lesson', brief)
  const made = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
  const planned = await (await page.request.post('/api/v1/plan', { data: brief })).json()
  await page.request.put(`/api/v1/jobs/${id}`, { data: { ...planned, title: 'Cutting lesson' }, headers: { 'If-Match': `"${made.revision}"` } })
  await page.goto(`/jobs/${id}/pick`)
  const wheel = page.locator('li.food', { has: page.getByRole('combobox', { name: 'Hard goat’s cheese, form' }) })
  await choose(page, /, form$/, /wedge|cut into|begun/i, wheel)
  await saved(page)
  await choose(page, /second form/, /heap|lump/i, wheel)
  await expect(wheel.locator('.el-select').nth(1)).toContainText(/lump|heap/i)
  await saved(page)
  const honey = page.locator('li.food', { has: page.getByRole('combobox', { name: 'Honey, form' }) })
  await choose(page, /, form$/, /drizzled/i, honey)
  await choose(page, /over which food/, 'Goat’s cheese log', honey)
  await saved(page)
  await clean(page, '.shelf')
  const job = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
  const doc = job.document ?? job
  const elements = (doc.trays?.[0] ?? doc).elements as { food: string; form: string }[]
  expect(elements.filter(e => e.food === 'goat-wheel').map(e => e.form).sort()).toEqual(['begun', 'tumble'])
  expect(doc.brief.foods.find((w: { food: string }) => w.food === 'honey')).toMatchObject({ form: 'drizzled', on: ['fresh-goat-log'] })
  expect(doc.brief.foods.find((w: { food: string }) => w.food === 'goat-wheel').forms).toHaveLength(2)
})
