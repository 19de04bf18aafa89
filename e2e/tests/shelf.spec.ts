// What is kept to be used again: a choice, an idea with its picture, a theme of one's own.
import { expect } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { clearBench, saved, test } from './common'

test('a choice is kept and used for another job', async ({ page }) => {
  await clearBench(page)
  const make = async (title: string, brief: object) =>
    ((await (await page.request.post('/api/v1/jobs', { data: { title, brief } })).json()) as { id: string })
      .id
  const first = await make('The long supper', {
    guests: { adults: 10 },
    month: 9,
  })
  await page.goto(`/jobs/${first}/pick`)
  await page.getByRole('button', { name: 'Choose for me' }).first().click()
  await saved(page)
  await page.getByLabel('Name to keep this choice under').fill('Long supper')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('button', { name: 'Use Long supper' })).toBeVisible()

  const second = await make('The short one', {
    guests: { adults: 24 },
    month: 9,
    diets: [{ who: 'two', count: 2, avoid: ['milk'] }],
  })
  await page.goto(`/jobs/${second}/pick`)
  await page.getByRole('button', { name: 'Use Long supper' }).click()
  await expect(page.locator('.kept')).toContainText('Kept for 10 guests, now worked out for 24')
  await expect(page.locator('.kept')).toContainText('milk, which guests avoid')
  await saved(page)
  await expect(page.locator('.food.on').first()).toBeVisible()

  await page.goto('/shelf')
  await expect(page.getByLabel('Name of the choice Long supper')).toBeVisible()
  await page.getByRole('button', { name: 'Off the shelf Long supper' }).click()
  await expect(page.getByLabel('Name of the choice Long supper')).toHaveCount(0)
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page.getByLabel('Name of the choice Long supper')).toBeVisible()
})

test('an idea has its picture’s colours, becomes a theme, and the brief knows it', async ({ page }) => {
  await clearBench(page)
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'Keep the idea' }).click()
  await expect(page.getByRole('alert')).toContainText('name')
  const picture = {
    name: 'hull.jpg',
    mimeType: 'image/jpeg',
    buffer: await readFile('tests/hull.jpg'),
  }
  await page
    .getByLabel('A picture for the idea')
    .setInputFiles({ ...picture, buffer: Buffer.from('no picture') })
  await expect(page.getByRole('alert')).toContainText('picture')
  await page.getByLabel('A picture for the idea').setInputFiles(picture)
  await expect(page.getByRole('button', { name: /^Leave out the colour/ }).first()).toBeVisible()
  await page.getByLabel('Name of the idea', { exact: true }).fill('Old hull')
  await page.getByLabel('Note').fill('Rust on white, at low water.')
  await page.getByRole('button', { name: 'Keep the idea' }).click()
  await expect(page.getByText('Rust on white, at low water.')).toBeVisible()
  await expect(page.locator('.grid li:not(.new) img').first()).toBeVisible()
  await page.getByRole('button', { name: 'Make it a theme Old hull' }).click()
  await expect(page.getByLabel('Name of the theme Old hull')).toBeVisible()

  const made = await page.request.post('/api/v1/jobs', {
    data: { title: 'Hull', brief: { guests: { adults: 6 } } },
  })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/jobs/${id}/brief`)
  await page.getByLabel('Theme', { exact: true }).fill('old hull')
  await page.getByLabel('Theme', { exact: true }).blur()
  await expect(page.getByLabel('Theme colour 1', { exact: true })).toBeVisible({ timeout: 30_000 })
  await saved(page)
  await page.getByLabel('Colours from a picture').setInputFiles(picture)
  await saved(page)
  await expect(page.getByRole('button', { name: 'Keep as my theme' })).toHaveCount(0)
})
