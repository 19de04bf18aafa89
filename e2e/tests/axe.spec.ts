// No violations on any view, as axe sees it.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { clean, openDemo, test } from './common'

test.use({ baseURL: demo })

test('the jobs', async ({ page }) => {
  await page.goto('/')
  await expect(page.locator('.ticket')).toHaveCount(4)
  await clean(page)
})

// one page for all stages: starting it takes longer than looking at it
for (const [title, job] of [
  ['a laid tray', 'First firing'],
  ['a job that is only briefed', 'Quiz league'],
]) {
  test(`every stage of ${title}`, async ({ page }) => {
    await openDemo(page, job, 'Brief')
    for (const stage of ['Brief', 'Pick', 'Amounts', 'Lay', 'Prep', 'Serve', 'Look back']) {
      await page.getByRole('link', { name: new RegExp('^' + stage) }).click()
      await expect(page.locator('h1')).toBeVisible()
      await page.waitForLoadState('networkidle')
      await test.step(stage, () => clean(page))
    }
  })
}

test('a quote, and a shopping list with something on it', async ({ page }) => {
  await openDemo(page, 'Night-sky', 'Amounts')
  await page.getByRole('button', { name: /how its amount/ }).first().click()
  await clean(page)
  await page.getByRole('link', { name: 'Quote' }).click()
  await page.locator('.price').waitFor()
  await clean(page)
  await page.getByRole('link', { name: 'Back to the amounts' }).click()
  await page.getByRole('link', { name: 'Shopping list' }).click()
  await page.getByRole('checkbox').first().check()
  await clean(page)
})

test('Lay with something in the hand, a finding shown, and the keys', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await page.locator('[data-hold]').first().focus()
  await page.keyboard.press('.')
  await clean(page)
  for (const key of ['k', '?']) {
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog')).toBeVisible()
    await page.waitForTimeout(500) // its fading in is a matter of contrast
    await clean(page)
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
})

test('an address that leads nowhere', async ({ page }) => {
  await page.goto('/nowhere')
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
  await clean(page)
})

test('every room of the house', async ({ page }) => {
  for (const [path, ready] of [
    ['/larder', '.food img'],
    ['/larder/fennel-sausage', '.scale image'],
    ['/boards', '.shelf img'],
    ['/shelf', '.new'],
    ['/logbook', '.dot'],
    ['/devices', 'h2'],
    ['/settings', 'fieldset'],
    ['/shopping', 'h1'],
  ]) {
    await page.goto(path)
    await page.locator(ready).first().waitFor()
    await page.waitForLoadState('networkidle')
    await test.step(path, () => clean(page))
  }
})

test('tables in and out, and a board being made', async ({ page }) => {
  await page.goto('/larder')
  await page.getByRole('button', { name: 'Tables in and out' }).click()
  await page.locator('.files input[type=file]').setInputFiles({ name: 'p.csv', mimeType: 'text/csv', buffer: Buffer.from('food,grams,price\nmoon,1,1\n') })
  await expect(page.locator('.report')).toBeVisible()
  await clean(page)
  await page.goto('/boards')
  await page.getByRole('button', { name: 'Make a board' }).click()
  await page.getByRole('button', { name: 'Move its edge' }).click()
  await page.getByRole('button', { name: 'Make a bowl' }).click()
  await clean(page)
})
