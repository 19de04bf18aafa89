// The work against the clock, and what is printed of it.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { clean, openDemo, test } from './common'

test.use({ baseURL: demo })

test('the day is planned for the hands there are, a task says what it is, and the sheets come as files', async ({ page }) => {
  await openDemo(page, 'First firing', 'Prep')
  const chart = page.getByRole('group', { name: 'The day against the clock' })
  await expect(chart.locator('.person')).toHaveCount(1)
  await page.getByLabel('People').fill('3')
  await expect(chart.locator('.person')).toHaveCount(3)
  await expect(page.getByRole('region', { name: 'What Hands 3 does' }).locator('li').first()).toBeVisible()
  const bar = chart.locator('.stint.fold, .stint.slice').first()
  await bar.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: /\d\d:\d\d to \d\d:\d\d/ })).toBeVisible()
  await clean(page)

  const sheet = async (name: string) => {
    const href = await page.getByRole('link', { name }).getAttribute('href')
    const answer = await page.request.get(href!)
    expect(answer.status()).toBe(200)
    return (await answer.body()).subarray(0, 15).toString()
  }
  await page.getByLabel('Paper').selectOption('a3')
  for (const name of ['The mat', 'Build sheet', 'Cards', 'Quote']) expect(await sheet(name)).toMatch(/^%PDF-/)
  expect(await sheet('Calendar')).toBe('BEGIN:VCALENDAR')
  expect(await sheet('Table')).toMatch(/^id,kind,food/)
  expect(await sheet('Mat as SVG')).toMatch(/^<svg/)

  // an impossible number of hands is brought back to one that is possible
  await page.getByLabel('People').fill('0')
  await expect(chart.locator('.person')).toHaveCount(1)
})
