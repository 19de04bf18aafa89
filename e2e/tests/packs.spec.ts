// A board from what stands in the fridge, and plates for guests by name.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { clean, newJob, saved, test } from './common'

test.use({ baseURL: demo })

test('packs that are there make the board and say for how many, and nothing of them is bought', async ({
  page,
}) => {
  await newJob(page, 'From the fridge', { guests: { adults: 3 } })
  await page.getByRole('link', { name: /^Brief/ }).click()
  const list = page.getByLabel('What is there')
  await list.fill('2 x 250 g camembert, salami 160 g, gouda 400 g\nmoon dust 3 g')
  await page.getByRole('button', { name: 'Use these' }).click()
  await expect(page.getByRole('list', { name: 'Packs that are there' }).getByRole('listitem')).toHaveCount(3)
  await expect(page.getByText('Not in the larder: moon dust 3 g')).toBeVisible()
  await expect(list).toHaveValue('moon dust 3 g')
  const more = page.getByRole('button', { name: /^Make it for \d+/ })
  const guests = Number((await more.innerText()).match(/\d+/)![0])
  expect(guests).toBeGreaterThan(5)
  await more.click()
  await expect(page.getByLabel('Adults')).toHaveValue(String(guests))
  await clean(page)
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByRole('button', { name: /^Camembert/ })).toHaveAttribute('aria-pressed', 'true')
  await saved(page)
  await page.getByRole('link', { name: /^Amounts/ }).click()
  for (const food of ['Camembert', 'Salami', 'Gouda'])
    await expect(page.getByRole('row', { name: new RegExp(`^${food}`) })).toContainText(/here/)
  await page.getByRole('link', { name: 'Shopping list' }).click()
  const bought = page.getByRole('listitem').filter({ hasText: /\d × \d/ })
  await expect(bought.first()).toBeVisible()
  expect(await bought.count()).toBeLessThanOrEqual(3)
  await expect(page.getByText('Camembert')).toHaveCount(0)
})

test('guests by name get plates of their own from one basket', async ({ page }) => {
  await newJob(page, 'Keepers at table', {
    guests: { adults: 3, children: 1 },
    month: 9,
    diets: [{ who: 'Wren', count: 1, avoid: ['nuts'] }],
  })
  await page.getByRole('link', { name: /^Brief/ }).click()
  for (const [n, name, likes, dislikes] of [
    [1, 'Wren', 'cheddar', 'olives'],
    [2, 'Moss', 'figs', 'cheese'],
  ] as const) {
    await page.getByRole('button', { name: 'A grown-up by name' }).click()
    await page.getByLabel(`Name of guest ${n}`).fill(name)
    await page.getByLabel(`Name of guest ${n}`).press('Tab')
    await page.getByLabel(`${name} likes`).fill(likes)
    await page.getByLabel(`${name} likes`).press('Tab')
    await page.getByLabel(`${name} dislikes`).fill(dislikes)
    await page.getByLabel(`${name} dislikes`).press('Tab')
  }
  await expect(page.getByText('Avoids nuts.')).toBeVisible()
  await page.getByRole('button', { name: 'A plate for each' }).click()
  await expect(page.getByText('Single plate, speckled glaze, Moss')).toBeVisible()
  await clean(page)
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByRole('button', { name: /^Cheddar/ })).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByText('Wren likes it')).toBeVisible()
  await saved(page)
})
