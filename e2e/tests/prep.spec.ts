// The work against the clock, and what is printed of it.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { another, choose, clean, layAll, newJob, openDemo, saved, test } from './common'

test.use({ baseURL: demo })

test('the day is planned for the hands there are, a task says what it is, and the sheets come as files', async ({ page }) => {
  await openDemo(page, 'First firing', 'Prep')
  const chart = page.getByRole('group', { name: 'The day against the clock' })
  await page.getByLabel('People').fill('1') // whatever another journey left
  await page.keyboard.press('Enter')
  await expect(chart.locator('.person')).toHaveCount(1)
  await page.getByLabel('People').fill('3')
  await page.keyboard.press('Enter')
  await expect(chart.locator('.person')).toHaveCount(3)
  // a day is rounds, each with its list
  const rounds = page.getByRole('list', { name: 'The rounds of the day' })
  await expect(rounds.locator('summary', { hasText: 'Get everything out' }).first()).toBeVisible()
  expect(await rounds.locator('details').count()).toBeLessThan(15)
  const lay = rounds.locator('details', { has: page.locator('summary b', { hasText: /^\d+ Lay$/ }) }).first()
  await expect(lay.locator('.task').first()).toBeHidden()
  await lay.locator('summary').click()
  await expect(lay.locator('.task').first()).toContainText('min')
  const bar = chart.locator('.stint.fold, .stint.slice').first()
  await bar.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: /\d\d:\d\d to \d\d:\d\d/ })).toBeVisible()
  await clean(page)

  // moved by hand it begins then, and it is said what became of the rest; given back, the plan has it again
  const was = await page.getByRole('status').filter({ hasText: /\d\d:\d\d to/ }).innerText()
  for (let n = 0; n < 2; n++) {
    await bar.focus()
    await page.keyboard.press('Alt+ArrowLeft')
    await expect(page.getByText(/All begins .*moved\./)).toBeVisible()
  }
  await expect(page.getByRole('status').filter({ hasText: /\d\d:\d\d to/ })).not.toHaveText(was)
  await page.getByRole('button', { name: 'Moved by hand; give it back to the plan' }).click()
  await expect(page.getByRole('button', { name: 'Moved by hand; give it back to the plan' })).toHaveCount(0)

  const sheet = async (name: string) => {
    const href = await page.getByRole('link', { name }).getAttribute('href')
    const answer = await page.request.get(href!)
    expect(answer.status()).toBe(200)
    return (await answer.body()).subarray(0, 15).toString()
  }
  // the kit is ticked off as it is put out, and stays so
  const cloths = page.getByRole('checkbox', { name: /clean cloths/ })
  await cloths.check()
  await page.reload()
  await expect(cloths).toBeChecked()
  await cloths.uncheck()

  await choose(page, 'Paper', 'A3')
  for (const name of ['The mat', 'Tracing', 'Build sheet', 'Cards', 'Cheese markers', 'Quote']) expect(await sheet(name)).toMatch(/^%PDF-/)
  expect(await sheet('Calendar')).toBe('BEGIN:VCALENDAR')
  expect(await sheet('Table')).toMatch(/^id,kind,food/)
  expect(await sheet('Mat as SVG')).toMatch(/^<svg/)

  // the whole day is the same work, and that of other jobs with it
  await page.getByRole('link', { name: 'The whole day' }).click()
  await expect(chart.locator('.person')).toHaveCount(3)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d/)
  await clean(page)
  await page.goBack()

  // an impossible number of hands is brought back to one that is possible
  await page.getByLabel('People').fill('0')
  await page.keyboard.press('Enter')
  await expect(chart.locator('.person')).toHaveCount(1)
})

test('at the counter the steps go by keys, two screens share one list, and what is ticked without a server catches up', async ({
  page,
  browser,
}) => {
  await openDemo(page, 'Night-sky', 'Prep')
  await page.getByLabel('People').fill('2')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: 'At the counter' }).click()
  const which = page.locator('.which')
  await expect(which).toContainText(/step 1 of \d+/)
  await expect(page.getByRole('img', { name: /^The tray, with/ })).toBeVisible()
  const all = Number((await which.innerText()).match(/of (\d+)/)![1])
  await page.keyboard.press(' ')
  await expect(which).toContainText('step 2 of')
  await page.keyboard.press('ArrowRight')
  await expect(which).toContainText('step 3 of')
  await page.keyboard.press('ArrowLeft')
  await expect(which).toContainText('step 2 of')
  await expect(page.getByText('· done')).toBeVisible()
  await clean(page)

  // on another screen the same is ticked, and what is ticked there is ticked here within a second or so
  const other = await (await another(browser)).newPage()
  await other.goto(page.url())
  await expect(other.locator('.which')).toContainText('step 3 of')
  await other.getByRole('button', { name: 'Done, next' }).click()
  await expect(other.locator('.which')).toContainText('step 4 of')
  await page.keyboard.press('ArrowRight') // from where it was gone back to, to the first that is not done
  await expect(which).toContainText('step 4 of')

  // the connection drops: the work goes on, and is told when it is back
  await page.context().setOffline(true)
  await page.keyboard.press(' ')
  await expect(which).toContainText('step 5 of')
  await expect(page.getByRole('status').filter({ hasText: 'cannot be reached' })).toContainText('1 tick ')
  await page.context().setOffline(false)
  await expect(page.getByText('cannot be reached')).toHaveCount(0)
  await expect(other.locator('.which')).toContainText('step 5 of')

  // a round is ticked item by item, or as a whole
  const items = page.locator('.items button')
  const open = await page.locator('.items button[aria-pressed="false"]').count()
  expect(open).toBeLessThan(await items.count())
  const at = await which.innerText()
  await page.getByRole('button', { name: `All ${open} done` }).click()
  await expect(which).not.toHaveText(at)
  await expect.poll(async () => (await other.locator('.which').innerText()) === (await which.innerText())).toBe(true)

  // the thermometers of the house, and the clock of what stands out once some was got out
  await expect(page.locator('.hold')).toContainText(/table 2\d\.\d °C/)

  // only one's own steps
  await choose(page, 'Whose steps', 'Hands 2')
  expect(Number((await which.innerText()).match(/of (\d+)/)![1])).toBeLessThan(all)
  await other.close()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('group', { name: 'The day against the clock' })).toBeVisible()
})

test('food is weighed out: over and under in pieces, what is right comes by itself, and by hand where one likes', async ({
  page,
}) => {
  await openDemo(page, 'First firing', 'Prep')
  await page.getByRole('link', { name: 'Weigh out' }).click()
  const list = page.getByRole('list', { name: 'What is weighed' }).getByRole('button')
  await expect(list.first()).toHaveAttribute('aria-current', 'step')
  const live = page.locator('.live')
  await expect(live).toHaveText(/^0\.0/)
  await page.getByRole('button', { name: '+50' }).click()
  await expect(live).toHaveText(/^50\.0/)
  await expect(page.getByRole('status').filter({ hasText: / more/ })).toBeVisible()
  await clean(page)
  await page.getByRole('button', { name: 'what is wanted' }).click()
  await expect(list.nth(1)).toHaveAttribute('aria-current', 'step') // it lay still, was right, and the next one came
  await expect(list.first()).toContainText('✓')
  await expect(live).toHaveText(/^0\.0/) // tared
  await page.getByLabel('By hand, g').fill('123')
  await page.getByRole('button', { name: 'Record' }).click()
  await expect(list.nth(1)).toContainText('✓ 123 g')
  await page.reload()
  await expect(list.nth(2)).toHaveAttribute('aria-current', 'step')

  // what is there becomes what is planned, and undo takes it back
  await page.getByRole('button', { name: 'Take the weights over' }).click()
  await expect(page.getByText(/The job has these amounts now.* g (more|less)/)).toBeVisible()
  await clean(page)
  await page.getByRole('link', { name: 'Prep' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('.says')).toHaveText(/^saved/)
})

test('what is printed from the browser has neither the frame of the page nor its buttons', async ({ page }) => {
  await openDemo(page, 'First firing', 'Prep')
  const rounds = page.getByRole('list', { name: 'The rounds of the day' })
  await expect(rounds).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  const bare = async () => {
    await expect(page.locator('nav:visible')).toHaveCount(0)
    expect(await page.locator('main button:visible').allInnerTexts()).toEqual([])
  }
  await bare()
  await expect(rounds.locator('.task').nth(30)).toBeVisible() // every list is open on paper
  await expect(page.locator('.only-print')).toContainText('First firing at the new kiln')
  await expect(page.locator('.only-print')).toBeVisible()
  await page.emulateMedia({ media: 'screen' })
  await page.getByRole('link', { name: /^Amounts/ }).click()
  await page.getByRole('link', { name: 'Shopping list' }).click()
  await page.getByRole('checkbox').first().waitFor()
  await page.emulateMedia({ media: 'print' })
  await bare()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
})

test('a board is laid ahead in certain hours, covered, taken out and finished, and it is told what to buy when', async ({ page }) => {
  const id = await newJob(page, 'Harbour choir supper', { guests: { adults: 10 }, serve_at: '2027-01-15T19:00' })
  await choose(page, 'By when it is laid', 'by a time of its own')
  await expect(page.getByLabel('Laid by')).toHaveValue('15 Jan 2027, 16:30')
  await page.getByRole('button', { name: 'Only in certain hours' }).click()
  await expect(page.getByLabel('Hours 1, from')).toHaveValue('14 Jan 2027, 17:00')
  await page.getByRole('button', { name: 'More hours' }).click()
  await expect(page.getByLabel('Hours 2, from')).toBeVisible()
  await page.getByRole('button', { name: 'Leave out hours 2' }).click()
  await expect(page.getByLabel('Hours 2, from')).toHaveCount(0)
  await saved(page)
  await clean(page)
  const brief = (await (await page.request.get(`/api/v1/jobs/${id}`)).json()).document.brief
  expect([brief.ready_by, brief.sessions]).toEqual(['2027-01-15T16:30', [{ from: '2027-01-14T17:00', to: '2027-01-14T19:00' }]])
})

test('who asks a price stands on the quote, with its tax and until when it holds', async ({ page }) => {
  await page.goto(`${demo}/settings`)
  await page.getByLabel('Name on a quote').fill('Tern & Tallow of Saltmere')
  await page.getByLabel('Name on a quote').blur()
  await page.getByLabel('Tax', { exact: true }).fill('10')
  await page.getByLabel('Tax', { exact: true }).blur()
  await expect.poll(async () => (await (await page.request.get('/api/v1/settings')).json()).seller).toMatchObject({ name: 'Tern & Tallow of Saltmere', tax_pct: 10 })
  await clean(page)
  await openDemo(page, 'First firing', 'Amounts')
  await page.getByRole('link', { name: 'Quote' }).click()
  const quote = page.locator('article.page')
  await expect(quote).toContainText('Tern & Tallow of Saltmere')
  await expect(quote).toContainText('Tax, 10 %')
  await expect(quote).toContainText('valid until')
  await expect(quote.getByRole('img').first()).toBeVisible()
  await clean(page)
  await page.request.put('/api/v1/settings', { data: { seller: { name: 'Tern & Tallow', address: 'Saltmere', tax_pct: 0, valid_days: 21, terms: '' } } })
})

test('a supper in two sittings, its hummus made in the house: parts to buy, steps to do, a clock for each sitting, and tools at the very end', async ({ page }) => {
  const brief = { guests: { adults: 12 }, serve_at: '2031-06-04T12:00', lasts_minutes: 30, rules: { hours: 'two-and-four' }, pins: [{ food: 'chickpea-dip' }] }
  const id = await newJob(page, 'Two tides supper', brief)
  await page.getByRole('button', { name: 'The same food is served again later' }).click()
  await expect(page.getByLabel('Sitting 2', { exact: true })).toHaveValue('4 Jun 2031, 14:30')
  await clean(page)
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByText('foods picked for you')).toBeVisible()

  // its parts are bought, at what they cost
  await page.getByRole('link', { name: /^Amounts/ }).click()
  await page.getByRole('button', { name: /make it here \(Hummus\)/ }).click()
  await expect(page.getByRole('button', { name: /made here; buy it \(Hummus\)/ })).toBeVisible()
  await saved(page)
  await page.getByRole('link', { name: 'Shopping list' }).click()
  await expect(page.getByRole('heading', { name: /^To make in the house/ })).toBeVisible()
  const paste = page.getByRole('checkbox', { name: /^Sesame paste/ })
  await paste.check()
  await page.reload()
  await expect(paste).toBeChecked()

  // laid, with what guests take with
  await page.goto(`/jobs/${id}/lay`)
  await layAll(page)
  await page.getByRole('button', { name: 'Show the tools' }).click()
  await expect.poll(() => page.locator('.tools .drawn').count()).toBeGreaterThan(2)
  await expect(page.locator('.tools title').filter({ hasText: 'hummus' })).toHaveCount(1)
  await clean(page)

  // the day has the steps of the recipe, and each sitting its clock
  await page.getByRole('link', { name: /^Prep/ }).click()
  await expect(page.getByRole('list', { name: 'By when what perishes goes' }).getByRole('listitem')).toHaveText([/^First sitting/, /^Sitting 2/])
  const day = await (await page.request.get(`/api/v1/jobs/${id}/day?people=2`)).json()
  const says = day.tasks.map((t: { says: string }) => t.says).join('\n')
  for (const step of ['Blend the hummus', 'cover it and put it back in the fridge', 'lay fresh crackers', 'Put in the tools']) expect(says).toContain(step)
  await clean(page)
  await page.request.delete(`/api/v1/jobs/${id}`)
})
