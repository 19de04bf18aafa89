// Three ways of laying one tray: looked at side by side, one is built, or none.
import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { holds, openDemo, saved, score, test } from './common'

test.use({ baseURL: demo })

test('three ways are laid, looked at and judged; one of them is built, and undo brings the old one back', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const places = async () =>
    ((await (await page.request.get(`/api/v1/jobs/${id}`)).json()).document.elements as { x: number; y: number }[]).map(e => [e.x, e.y])
  const before = await places()
  const was = await score(page)

  await page.keyboard.press('w')
  const ways = page.getByRole('region', { name: 'Ways to lay this tray' }).getByRole('button')
  await expect(ways).toHaveCount(3, { timeout: 40_000 })
  await expect(ways.first()).toHaveAttribute('aria-pressed', 'true')
  expect(new Set(await ways.locator('b:not(.figure)').allInnerTexts()).size).toBe(3)
  await ways.nth(2).click()
  await expect(ways.nth(2)).toHaveAttribute('aria-pressed', 'true')
  const promised = Number(await ways.nth(2).locator('.figure').innerText())
  await expect.poll(() => score(page)).toBe(promised)
  await expect(page.getByRole('button', { name: /^Mend/ })).toHaveCount(0) // nothing is kept yet
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  expect(await places()).toEqual(before)

  // none of them: everything is as it was
  await page.getByRole('button', { name: 'None of these' }).click()
  await expect(ways).toHaveCount(0)
  await expect.poll(() => score(page)).toBe(was)
  expect(await places()).toEqual(before)

  await page.getByRole('button', { name: 'Three ways' }).click()
  await expect(ways).toHaveCount(3, { timeout: 40_000 })
  await ways.nth(1).click()
  await page.getByRole('button', { name: 'Build this one' }).click()
  await saved(page)
  await expect.poll(places).not.toEqual(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(places).toEqual(before)
})
