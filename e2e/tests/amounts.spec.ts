// From a brief with everything in it to a basket, a list and a price.
import { expect, type Page } from '@playwright/test'
import { demo } from '../servers'
import { choose, layAll, openDemo, saved, test, newJob } from './common'

async function number(page: Page, label: string, value: string) {
  const field = page.getByLabel(label, { exact: true })
  await field.fill(value)
  await field.blur()
}
/** A new job with its food picked. */
const till = async (page: Page) => Number((await page.locator('.look .big').innerText()).replace(/[^\d.]/g, ''))

test('a change of the brief says what it changes', async ({ page }) => {
  const id = await newJob(page, 'Harbour lights', { guests: { adults: 10 }, serve_at: '2031-05-09T18:00' })
  const changed = page.locator('.changed')
  await expect(changed).toContainText('Change something')
  await number(page, 'Adults', '20')
  await expect(changed).toContainText('That changed')
  await expect(changed).toContainText(/Food\s*\+1\.\d kg/)
  await number(page, 'Light eaters', '8')
  await expect(page.locator('.look .score')).toContainText('18 portions')
  await choose(page, 'What else is served', 'plenty besides')
  await expect(changed).toContainText(/Food\s*−/)
  await number(page, 'Degrees Celsius there', '35')
  await expect(changed).toContainText(/Stands out\s*1 h/)
  await expect(page.getByText('one hour in all')).toBeVisible()
  await number(page, 'Budget', '30')
  await expect(page.locator('.look')).toContainText('over 30.00')
  await choose(page, 'Budget in all or for each guest', 'for each guest')
  await expect(page.locator('.look')).toContainText('within 600.00')
  await choose(page, 'Sweet or savoury', 'a dessert')
  await expect(page.locator('.shares')).not.toContainText('meat')
  await saved(page)

  // a set of boards that the product suggests shares the food
  await choose(page, 'Sweet or savoury', 'only savoury')
  const set = page.locator('.surfaces li', { hasText: ' and ' }).last()
  await set.getByRole('button').click()
  await expect(page.getByRole('combobox', { name: 'Board 2' })).toBeAttached()
  await expect(page.locator('.look')).toContainText('% of the food')
  await page.getByRole('button', { name: 'Remove board 2' }).click()
  await expect(page.getByRole('combobox', { name: 'Board 2' })).toHaveCount(0)

  // a palette out of a file and into one; a broken one is refused and changes nothing
  const file = page.getByLabel('Read a palette file')
  await file.setInputFiles({ name: 'k.gpl', mimeType: 'text/plain', buffer: Buffer.from('GIMP Palette\nName: Kiln\n59 68 104\n185 138 46\n') })
  await expect(page.getByLabel('Theme', { exact: true })).toHaveValue('Kiln')
  await expect(page.getByLabel('Theme colour 2', { exact: true })).toHaveValue('#b98a2e')
  await file.setInputFiles({ name: 'b.gpl', mimeType: 'text/plain', buffer: Buffer.from('GIMP Palette\n1 2 900\n') })
  await expect(page.getByRole('alert').filter({ hasText: '0 to 255' })).toBeVisible()
  await expect(page.getByLabel('Theme colour 2', { exact: true })).toHaveValue('#b98a2e')
  const down = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save as a palette file' }).click()
  expect((await down).suggestedFilename()).toBe('theme.gpl')
  await choose(page, 'Region', 'the mountains')
  await page.getByRole('button', { name: 'Colours of that region' }).click()
  await expect(page.getByLabel('Theme colour 3', { exact: true })).toBeVisible()
  await saved(page)

  await page.reload()
  await expect(page.getByLabel('Light eaters', { exact: true })).toHaveValue('8')
  await page.request.delete(`/api/v1/jobs/${id}`)
})

test('foods are pinned, banned and chosen again round them', async ({ page }) => {
  const id = await newJob(page, 'Net menders', { guests: { adults: 12 }, month: 9, diets: [{ who: 'two vegans', count: 2, avoid: ['animal'] }] })
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByText('foods picked for you')).toBeVisible()
  await expect(page.locator('.groups')).toContainText('two vegans')
  await expect(page.locator('.groups')).toContainText(/\d+ protein/)
  const on = page.locator('.shelf:not([aria-labelledby=shelf-prop]) .food.on') // a dish comes with stones, and is no food
  const count = await on.count()
  const [first, second] = [await on.nth(0).locator('.fname').innerText(), await on.nth(1).locator('.fname').innerText()]
  await page.getByRole('button', { name: `Pin ${first}` }).click()
  await expect(page.getByRole('button', { name: `Pinned ${first}` })).toBeVisible()
  await page.getByRole('button', { name: `Ban ${second}` }).click()
  await expect(page.locator('.food', { hasText: second }).first()).toContainText('banned')
  // another came in its place, unless there would be too little of it for those who take some
  await expect.poll(() => on.count()).toBeGreaterThanOrEqual(count - 1)
  await page.getByRole('button', { name: 'Choose the rest again' }).click()
  await saved(page)
  await expect(page.getByRole('button', { name: `Pinned ${first}` })).toBeVisible()
  await expect(page.locator('.food', { hasText: second }).first()).toContainText('banned')

  // what is missing is named with foods to fill it
  const chosen = await on.count()
  const need = page.locator('.needs > li').first()
  const missing = await need.locator('b').innerText()
  await need.getByRole('button').first().click()
  await expect(page.locator('.needs > li > b', { hasText: new RegExp(`^${missing}$`) })).toHaveCount(0)
  await expect(on).toHaveCount(chosen + 1)
  await page.request.delete(`/api/v1/jobs/${id}`)
})

test('one of three choices is taken, and another is chosen', async ({ page }) => {
  const id = await newJob(page, 'Rope walk opening', { guests: { adults: 12 }, month: 7, host: 'The rope walk' })
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByText('foods picked for you')).toBeVisible()
  const names = async () => (await page.locator('.food.on .fname').allInnerTexts()).sort()
  const first = await names()
  await page.getByRole('button', { name: 'Three choices' }).click()
  const three = page.getByRole('region', { name: 'Three choices' })
  await expect(three.getByRole('heading', { level: 3 })).toHaveText(['Well-liked', 'Of the season', 'Something new'])
  await expect(three).toContainText('at their best this month')
  await three.getByRole('button', { name: /Something new/ }).click()
  await expect(three).toHaveCount(0)
  await saved(page)
  const second = await names()
  expect(second).not.toEqual(first)
  await page.getByRole('button', { name: 'Choose again' }).click()
  await expect.poll(names).not.toEqual(second)
  await saved(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toEqual(second)
  await page.request.delete(`/api/v1/jobs/${id}`)
})

test('a kind is made more of, a saving taken, a list ticked off, a price quoted', async ({ page }) => {
  const id = await newJob(page, 'Tide table supper', { guests: { adults: 16 }, occasion: 'grazing', serve_at: '2031-06-04T19:00', budget: 4200 })
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByText('foods picked for you')).toBeVisible()
  await page.getByRole('link', { name: /^Amounts/ }).click()

  // while the slider moves, the sums follow; let go, they are kept
  const cheese = page.getByLabel('More or less cheese')
  // what lies on the tray, waits in reserve and costs: a full board takes no more, and the rest waits
  const row = page.locator('tr.cat', { hasText: 'cheese' })
  const ofKind = async () => (await row.locator('.nums').allInnerTexts()).join(' ')
  await expect(row.locator('.nums').first()).toBeVisible()
  const before = await ofKind()
  expect(before).toMatch(/\d/)
  const asked = page.waitForRequest('**/api/v1/amounts')
  await cheese.focus()
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight')
  await asked
  await expect.poll(ofKind).not.toBe(before)
  await expect(page.getByRole('button', { name: /140 %, hand back/ })).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: /hand back cheese/ }).click()
  await expect.poll(ofKind).toBe(before)

  // every number explains itself
  await page.getByRole('button', { name: /how its amount comes about/ }).first().click()
  await expect(page.locator('.told')).toContainText(/portions, by how well|All of the|because everybody wants it|as it is sold whole|worth a bowl|looks like a group/)

  // over the budget: the savings are said unasked, and save what they say
  await expect(page.locator('.look')).toContainText('over the budget of 42.00')
  const saving = page.locator('.savings li').first()
  await expect(saving.getByRole('button', { name: /^Take/ })).toBeEnabled() // reckoned for what stands there now
  const worth = Number(await saving.locator('b').innerText())
  const cost = await till(page)
  await saving.getByRole('button', { name: /^Take/ }).click()
  await expect.poll(() => till(page)).toBeCloseTo(cost - worth, 2)
  await saved(page)

  // the shopping list, ticked off with a thumb and still ticked tomorrow
  await page.getByRole('link', { name: 'Shopping list' }).click()
  await expect(page.getByRole('heading', { name: 'For Tide table supper' })).toBeVisible()
  const item = page.getByRole('checkbox').first()
  await item.check()
  await expect(page.getByText('still to get')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('checkbox').first()).toBeChecked()
  const down = page.waitForEvent('download')
  await page.getByRole('link', { name: 'As text' }).click()
  expect((await down).suggestedFilename()).toBe('shopping.txt')
  await page.getByRole('link', { name: 'All jobs of that week' }).click()
  await expect(page.getByRole('heading', { name: /The week of Mon 2 Jun/ })).toBeVisible()
  await page.getByRole('button', { name: 'Week after' }).click()
  await expect(page.getByText('No job is served in this week.')).toBeVisible()

  // the quote adds up, and follows the house's rates
  await page.goto(`/jobs/${id}/quote`)
  const lines = page.locator('.look dd')
  await expect(lines.first()).toBeVisible()
  const sums = (await lines.allInnerTexts()).map(Number)
  expect(sums.slice(0, -1).reduce((a, b) => a + b, 0)).toBeCloseTo(sums.at(-1)!, 2)
  const price = await page.locator('.price .big').innerText()
  await page.goto('/settings')
  const kept = page.waitForResponse(r => r.request().method() === 'PUT' && r.url().endsWith('/settings'))
  await number(page, 'An hour of work', '36')
  await kept // leaving at once would take it back
  await page.goto(`/jobs/${id}/quote`)
  await expect(page.locator('.price .big')).not.toHaveText(price)
  await page.goto('/settings')
  await number(page, 'An hour of work', '18')
  await page.request.delete(`/api/v1/jobs/${id}`)
})

test('a plate for each guest: two kinds, each laid by itself', async ({ page }) => {
  await page.goto(demo)
  await openDemo(page, 'regatta', 'Lay')
  const trays = page.getByRole('navigation', { name: 'Trays of this job' })
  await expect(trays.getByRole('button')).toHaveText([/11 alike/, /without milk/])
  await layAll(page)
  const laid = await page.locator('[data-hold]').count()
  await trays.getByRole('button', { name: /without milk/ }).click()
  await expect(page.getByText('Still beside the board')).toBeVisible()
  await layAll(page)
  await trays.getByRole('button', { name: /11 alike/ }).click()
  await expect(page.locator('[data-hold]')).toHaveCount(laid)
  await page.reload()
  await expect(page.locator('[data-hold]')).toHaveCount(laid)
})

test('a tiered stand is chosen like a board, and every tier of it is laid', async ({ page }) => {
  const id = await newJob(page, 'Tea on the quay', { guests: { adults: 6 }, occasion: 'nibble', month: 5 })
  await page.locator('.el-select', { has: page.getByLabel('Board', { exact: true }) }).click()
  await page.locator('.el-select-dropdown__item', { hasText: 'Tiered stand of two, glazed' }).click()
  await expect(page.getByRole('combobox', { name: 'Board 2' })).toBeAttached()
  await saved(page)
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await page.getByRole('button', { name: 'Lay them' }).first().click()
  const laid = async () => {
    const { document } = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
    return [document, ...document.further].map((t: { elements: { placed: boolean }[] }) => t.elements.some(e => e.placed))
  }
  await expect.poll(laid, { timeout: 40_000 }).toEqual([true, true]) // one after the other, without asking again
  await page.getByText('2 of 2').click()
  await expect(page.locator('[data-hold]').nth(3)).toBeAttached()
  await saved(page)
  await page.request.delete(`/api/v1/jobs/${id}`)
})
