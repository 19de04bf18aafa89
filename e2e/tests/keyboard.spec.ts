// The same job without a mouse: nothing here clicks.
import { expect, type Page } from '@playwright/test'
import { saved, score, stored, test } from './common'

const focused = (page: Page) =>
  page.evaluate(() => {
    const e = document.activeElement as HTMLElement | SVGElement
    if (e === document.body) return ''
    return (e.getAttribute('aria-label') ?? e.textContent ?? '').replace(/\s+/g, ' ').trim()
  })

/** Presses Tab until what has the focus is called so. */
async function tabTo(page: Page, name: RegExp, most = 160) {
  for (let i = 0; i < most; i++) {
    if (name.test(await focused(page))) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`no way to ${name} with the Tab key; last at "${await focused(page)}"`)
}

test('a tray is planned, laid and changed from the keyboard', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('button', { name: /New job|Start a job/ }).first()).toBeVisible()
  await tabTo(page, /^(New job|Start a job)$/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible()

  await tabTo(page, /^Name of the job$|^Adults$/)
  await page.getByLabel('Name of the job').focus()
  await page.keyboard.press('Control+A')
  await page.keyboard.type('Lighthouse keepers')
  await tabTo(page, /^Adults$/)
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Tab')
  await expect(page.locator('.look .score')).toContainText('9 portions')
  await saved(page)

  await page.keyboard.press('Home')
  await page.locator('.back').focus()
  await tabTo(page, /^Pick the foods$/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Pick', exact: true })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('fig')
  await expect(page.getByRole('button', { name: /Fresh figs/ })).toBeVisible()
  await page.locator('.back').focus()
  await tabTo(page, /^Lay(?! them)/)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Still beside the board')).toBeVisible()
  await saved(page)

  // one from the strip where there is room, then everything
  await tabTo(page, /, \d/)
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-hold]')).toHaveCount(1)
  await saved(page)
  const search = page.waitForResponse(/\/api\/v1\/arrange/)
  await page.keyboard.press('a')
  await search
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 30_000 })
  await saved(page)
  expect(await score(page)).toBeGreaterThan(60)

  // Tab walks the elements in the order they are laid
  await page.locator('[data-hold]').first().focus()
  const first = await focused(page)
  expect(first).toMatch(/, (front|back|left|right|in the middle)/)
  await page.keyboard.press('Tab')
  expect(await focused(page)).not.toBe(first)
  const id = (await page.evaluate(() => (document.activeElement as SVGElement).dataset.hold))!
  const start = await stored(page, id)
  await page.keyboard.press('g') // just as far as it is told to: nothing draws it in from an edge
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press(']')
  await page.keyboard.press('Shift+]')
  await saved(page)
  await expect
    .poll(async () => {
      const now = await stored(page, id)
      return [Math.round(now.x - start.x), Math.round(now.y - start.y), Math.round((((now.turn - start.turn) % 360) + 360) % 360)]
    })
    .toEqual([2, 10, 20])
  await page.keyboard.press('g')

  // locked it stays; let go it moves
  await page.keyboard.press('l')
  await expect(page.locator(`[data-hold="${id}"]`)).toHaveAttribute('aria-label', /locked/)
  await page.keyboard.press('ArrowRight')
  await saved(page)
  expect(Math.round((await stored(page, id)).x - start.x)).toBe(2)
  await page.keyboard.press('l')
  await saved(page)

  // off the board, and back by undo
  await page.keyboard.press('Delete')
  await saved(page)
  expect((await stored(page, id)).placed).toBe(false)
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await stored(page, id)).placed).toBe(true)
  await page.keyboard.press('Control+Shift+z')
  await expect.poll(async () => (await stored(page, id)).placed).toBe(false)
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await stored(page, id)).placed).toBe(true)

  // another form for something that has one
  const loose = await page.evaluate(async () => {
    const job = location.pathname.split('/')[2]
    const [document_, larder] = await Promise.all([
      fetch(`/api/v1/jobs/${job}`).then(r => r.json()),
      fetch('/api/v1/larder').then(r => r.json()),
    ])
    const forms = new Map(larder.foods.map((f: { id: string; forms: { form: string }[] }) => [f.id, f.forms.filter(o => o.form !== 'bowl').length]))
    return document_.document.elements.find((e: { food: string; form: string; placed: boolean }) => e.placed && e.form !== 'bowl' && Number(forms.get(e.food)) > 1)?.id as string
  })
  const was = await stored(page, loose)
  await page.locator(`[data-hold="${loose}"]`).focus()
  await page.keyboard.press('f')
  await expect.poll(async () => (await stored(page, loose)).form).not.toBe(was.form)

  // the next finding, and the page of keys
  await page.keyboard.press('Escape')
  if (await page.locator('.findings li').count()) {
    await page.keyboard.press('.')
    await expect(page.locator('.findings .shown')).toHaveCount(1)
  }
  await page.keyboard.press('k')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toHaveCount(0)

  // the order of hands builds the tray up
  await page.getByRole('button', { name: /^Step 1,/ }).focus()
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-hold]:visible')).not.toHaveCount(await page.locator('[data-hold]').count())
})
