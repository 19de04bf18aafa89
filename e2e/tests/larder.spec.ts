// The larder, the boards and the settings, made one's own.
import { readFile } from 'node:fs/promises'
import { expect, type Page } from '@playwright/test'
import { choose, test } from './common'

async function saved(page: Page) {
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
}

test('foods are found as one types, and filtered', async ({ page }) => {
  await page.goto('/larder')
  await expect(page.locator('.sum')).toContainText(/3\d\d foods/)
  await page.keyboard.press('/')
  await page.keyboard.type('smok')
  await expect(page.getByRole('link', { name: /^Smoked cheese/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /^Honey/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Show all' }).click()
  await page.getByRole('button', { name: 'purple' }).click()
  await expect(page.getByRole('link', { name: /^Red grapes/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /^White brined/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Show all' }).click()
  await choose(page, 'Without', 'milk')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('link', { name: /^Aged hard cheese/ })).toHaveCount(0)
  await expect(page.getByRole('link', { name: /^Cashew round/ })).toBeVisible()
  await page.getByLabel('Find a food').fill('gravel')
  await expect(page.getByText('No food is like that')).toBeVisible()
})

test('a food shows its forms to scale, and what they come to', async ({ page }) => {
  await page.goto('/larder/fennel-sausage')
  await page.getByRole('button', { name: 'lapped round a glass and turned out', exact: true }).click()
  await expect(page.locator('.sums')).toContainText('Slices in each30')
  await page.getByRole('button', { name: /shot glass/ }).click()
  await expect(page.locator('.sums')).toContainText('Slices in each21')
  await expect(page.getByRole('img', { name: /beside a hand/ })).toBeVisible()
  await page.getByRole('slider', { name: 'Pieces' }).press('ArrowRight')
  await expect(page.locator('.pieces b')).toHaveText('2')
  await expect(page.locator('.yields')).toContainText('A pack of')
})

test('a built-in food is changed, taken back and handed back; a copy is one’s own', async ({ page }) => {
  await page.goto('/larder/walnuts')
  await expect(page.getByText('As it comes with the product')).toBeVisible()
  const price = page.getByLabel('Pack 1, price')
  const was = await price.inputValue()
  await price.fill('9.99')
  await price.blur()
  await expect(page.getByText('Changed by you')).toBeVisible()
  await page.reload()
  await expect(price).toHaveValue('9.99')
  await page.getByLabel('Tool').fill('sugar tongs')
  await page.getByLabel('Tool').blur()
  await saved(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Tool')).not.toHaveValue('sugar tongs')
  await page.getByRole('button', { name: 'Reset to default' }).click()
  await expect(page.getByText('As it comes with the product')).toBeVisible()
  await expect(price).toHaveValue(was)

  // for a number that cannot be the nearest that can is taken, and that is said
  const strong = page.getByLabel('strong, of 5')
  await strong.fill('9')
  await strong.blur()
  await expect(page.getByText('5 at most')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(strong).toHaveValue('5')

  await page.getByRole('button', { name: 'Copy' }).click()
  await page.getByLabel('Call the copy').fill('Walnuts from the allotment')
  await page.getByRole('button', { name: 'Make it' }).click()
  await expect(page).toHaveURL(/larder\/walnuts-from-the-allotment$/)
  await expect(page.getByText('Your own food')).toBeVisible()
  await page.getByRole('button', { name: 'Put some in' }).click()
  await expect(page.getByLabel('Lot 1, g', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Hide' }).click()
  await expect(page.getByText('is hidden. Boards that use it keep it')).toBeVisible()
  await page.goto('/larder')
  await page.getByLabel('Find a food').fill('allotment')
  await expect(page.getByText('No food is like that')).toBeVisible()
  await page.getByLabel('hidden').check()
  await page.getByRole('link', { name: /^Walnuts from the allotment/ }).click()
  await page.getByRole('button', { name: 'Show again' }).click()
  await expect(page.getByRole('button', { name: 'Hide' })).toBeVisible()
  await page.getByRole('button', { name: 'Hide' }).click()
})

test('tables go out and come in, whole or not at all', async ({ page }) => {
  await page.goto('/larder')
  await page.getByRole('button', { name: 'Tables in and out' }).click()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Packs and prices' }).click()])
  const file = await readFile(await download.path())
  const choose = (name: string, text: string | Buffer) =>
    page.locator('.files input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

  await choose('packs.csv', file)
  await expect(page.getByText('It says what the larder says already')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take all of it' })).toBeDisabled()

  const lines = 'food;grams;price\nhoney;250;4,10\nhoney;5000;39,90\nmoon-cheese;100;1,00\n'
  await choose('prices.csv', lines)
  await expect(page.getByRole('cell', { name: /refused/ })).toBeVisible()
  await expect(page.getByRole('cell', { name: /there is no food/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take all of it' })).toBeDisabled()

  await choose('prices.csv', lines.replace(/moon.*\n/, ''))
  await expect(page.locator('.report')).toContainText('0 refused')
  await page.getByRole('button', { name: 'Take all of it' }).click()
  await expect(page.getByText(/^Taken:/)).toBeVisible()
  await page.goto('/larder/honey')
  await expect(page.getByLabel('Pack 3, price').or(page.getByLabel('Pack 4, price')).first()).toHaveValue('39.90')
  await page.getByRole('button', { name: 'Reset to default' }).click()
  await expect(page.getByText('As it comes with the product')).toBeVisible()

  await page.goto('/larder')
  await page.getByRole('button', { name: 'Tables in and out' }).click()
  await choose('notes.txt', 'dear diary\n')
  await expect(page.getByRole('alert')).toContainText('should name the columns')
})

test('colours are taken from a picture', async ({ page }) => {
  await page.goto('/larder/plum')
  const url = await page.evaluate(() => {
    const c = document.createElement('canvas')
    c.width = c.height = 120
    const p = c.getContext('2d')!
    p.fillStyle = '#4d2a5c'
    p.fillRect(0, 0, 120, 120)
    p.fillStyle = '#e0a030'
    p.fillRect(0, 80, 120, 40)
    return c.toDataURL('image/png')
  })
  const input = page.locator('.colours input[type=file]')
  await input.setInputFiles({ name: 'plum.png', mimeType: 'image/png', buffer: Buffer.from(url.split(',')[1]!, 'base64') })
  await expect(page.getByRole('list', { name: 'Main colours of the picture' }).getByRole('listitem')).toHaveCount(2)
  await page.getByRole('button', { name: /outside.*#4d2a5c/ }).click()
  await expect(page.getByLabel('outside', { exact: true })).toHaveValue('#4d2a5c')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('outside', { exact: true })).not.toHaveValue('#4d2a5c')
  await input.setInputFiles({ name: 'plum.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.getByRole('alert')).toContainText('no PNG or JPEG')
  await expect(page.getByText('As it comes with the product')).toBeVisible() // all was taken back
})

test('a board is made by its measures, its edge is moved, and a tray is laid on it', async ({ page }) => {
  await page.goto('/boards')
  await page.getByRole('button', { name: 'Make a board' }).click()
  await page.getByLabel('Called').fill('Ferry hatch')
  await page.getByLabel('Length').fill('50')
  await page.getByLabel('Length').blur()
  await expect(page.getByRole('status').filter({ hasText: 'to lay food on' })).toContainText('50 × 30 cm')
  await page.getByLabel('fit for food as it is').uncheck()
  await expect(page.getByText('food-grade liner')).toBeVisible()
  await page.getByRole('button', { name: 'Move its edge' }).click()
  const point = page.getByRole('button', { name: /^Point/ }).first()
  await point.focus()
  for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowRight')
  await expect(page.getByRole('status').filter({ hasText: 'to lay food on' })).not.toContainText('50 × 30 cm')
  await page.getByRole('button', { name: 'Save this board' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Ferry hatch' })).toBeVisible()

  const made = await page.request.post('/api/v1/jobs', {
    data: { title: 'On the hatch', brief: { guests: { adults: 5 }, board: 'ferry-hatch' } },
  })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/jobs/${id}/pick`)
  await page.getByRole('button', { name: 'Choose for me' }).first().click()
  await page.getByRole('button', { name: 'Lay them' }).click()
  await expect(page.getByRole('heading', { name: /^Ferry hatch/ })).toBeVisible()
  await expect(page.locator('[data-hold]').first()).toBeVisible({ timeout: 30_000 }) // it is laid at once
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 30_000 })
  await page.request.delete(`/api/v1/jobs/${id}`)
  await page.goto('/boards')
  await page.getByRole('button', { name: /^Ferry hatch/ }).click()
  await page.getByRole('button', { name: 'Hide' }).click()
  await expect(page.getByText('Boards that use it keep it')).toBeVisible()
})

test('a board comes from a drawing, at the length one says it has', async ({ page }) => {
  await page.goto('/boards')
  await page.getByRole('button', { name: 'Make a board' }).click()
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 80 50"><path d="M0 10Q0 0 10 0H70Q80 0 80 10V40Q80 50 70 50H10Q0 50 0 40Z"/><circle cx="70" cy="25" r="4"/></svg>`
  const choose = (text: string) =>
    page.locator('.ask input[type=file]').setInputFiles({ name: 'b.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(text) })
  await choose('<svg><script>1</script></svg>')
  await expect(page.getByRole('alert')).toContainText('script')
  await choose(svg)
  await expect(page.getByText('taken for a hole')).toBeVisible()
  const keep = page.getByRole('button', { name: 'Save this board' })
  await expect(keep).toBeDisabled()
  await page.getByLabel(/How long is the longer side/).fill('64')
  await page.getByRole('button', { name: 'So it is' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'to lay food on' })).toContainText('64 × 40 cm')
  await expect(keep).toBeEnabled()
  await page.getByRole('button', { name: 'Hole 1; press to fill it' }).press('Enter')
  await expect(page.getByRole('button', { name: /^Hole/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Leave it' }).click()
})

test('a bowl is copied and changed', async ({ page }) => {
  await page.goto('/boards')
  await page.getByRole('button', { name: /^Clay cup/ }).click()
  await page.getByRole('button', { name: 'Copy and change' }).click()
  await page.getByLabel('Called').fill('Kiln cup')
  await page.getByLabel('High, cm').fill('9')
  await page.getByLabel('High, cm').blur()
  await page.getByRole('button', { name: 'Save this bowl' }).click()
  await expect(page.getByRole('heading', { name: 'Kiln cup' })).toBeVisible()
  await expect(page.locator('.about')).toContainText('9 cm')
  await page.getByRole('button', { name: 'Hide', exact: true }).click()
})

test('lengths, amounts and money are shown as they are set', async ({ page }) => {
  await page.goto('/settings')
  for (const when of ['opens', 'closes']) { // room for a whole time
    const box = await page.getByLabel(`When the shop ${when}`).boundingBox()
    expect(box!.width).toBeGreaterThan(90)
  }
  await page.getByLabel('inches').check()
  await page.getByLabel('ounces and pounds').check()
  await expect(page.getByText('24.4 × 15.7 in of walnut')).toBeVisible()
  await page.goto('/larder/honey')
  await expect(page.locator('.sums')).toContainText('in')
  await expect(page.getByLabel('Pack 1, oz')).toBeVisible()
  await page.goto('/settings')
  await page.getByLabel('centimetres').check()
  await page.getByLabel('grams', { exact: true }).check()
  await expect(page.getByText('62 × 40 cm of walnut')).toBeVisible()
})
