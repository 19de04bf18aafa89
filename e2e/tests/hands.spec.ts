// What the product does around a hand: neighbours give way, findings are mended.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { holds, openDemo, saved, score, test, wasDone } from './common'

test.use({ baseURL: demo })

/** Every element with where it lies, as the server holds it. */
async function places(page: import('@playwright/test').Page) {
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const job = await (await page.request.get(`/api/v1/jobs/${id}`)).json()
  return new Map((job.document.elements as { id: string; x: number; y: number; vessel?: string }[]).map(e => [e.id, e]))
}

test('neighbours give way to what is moved, in one step to undo; or they do not', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const before = await places(page)
  // one that no other bowl stands before: heaps and rows give way, and bowls would, too
  const bowls = [...before.values()].filter(e => e.vessel)
  const free = (e: (typeof bowls)[number]) => !bowls.some(o => o.id !== e.id && o.x < e.x && e.x - o.x < 160 && Math.abs(o.y - e.y) < 120)
  // and that has 10 mm to go: at the edge it would be drawn in
  const middle = [...before.values()].reduce((s, e) => s + e.x / before.size, 0)
  const bowl = bowls.filter(free).sort((a, b) => Math.abs(a.x - middle) - Math.abs(b.x - middle))[0] ?? bowls[0]!
  await page.locator(`[data-hold="${bowl.id}"]`).focus()
  const asked = page.waitForResponse(wasDone)
  await page.keyboard.press('Shift+ArrowLeft')
  const { changed, says } = await (await asked).json()
  expect(changed.length).toBeGreaterThan(1)
  expect(says).toMatch(/^moved the .+ made room/)
  expect((await asked).request().postData()!.length).toBeLessThan(10_000)
  await saved(page)
  const after = await places(page)
  expect(after.get(bowl.id)!.x).toBeCloseTo(bowl.x - 10, 1)
  const gave = [...after.values()].filter(e => e.id !== bowl.id && (e.x !== before.get(e.id)?.x || e.y !== before.get(e.id)?.y))
  expect(gave.length).toBeGreaterThan(0)
  expect(gave.every(e => !e.vessel)).toBe(true)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => [...(await places(page)).values()].every(e => e.x === before.get(e.id)!.x)).toBe(true)

  // G: from now on everything else stays
  await page.keyboard.press('g')
  await expect(page.getByLabel('Neighbours give way')).not.toBeChecked()
  await page.locator(`[data-hold="${bowl.id}"]`).focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await saved(page)
  const alone = await places(page)
  expect([...alone.values()].filter(e => e.x !== before.get(e.id)!.x).map(e => e.id)).toEqual([bowl.id])
  await page.keyboard.press('Control+z')
  await page.getByLabel('Neighbours give way').check()
})

test('a food that is swapped takes the place of the other on the laid tray', async ({ page }) => {
  await openDemo(page, 'First firing', 'Pick')
  const fruit = page.getByRole('region', { name: /^Fruit/ })
  const swap = fruit.getByRole('button', { name: /^Swap/ }).first()
  await swap.click()
  const stand = page.locator('.subs button').first()
  const name = await stand.locator('b').innerText()
  await stand.click()
  await expect(page.getByRole('button', { name: `Swap ${name}` })).toBeVisible()
  await saved(page)
  await page.getByRole('link', { name: /^Lay/ }).click()
  await expect(holds(page).first()).toBeAttached()
  const job = await (await page.request.get(`/api/v1/jobs/${page.url().match(/jobs\/([^/]+)/)![1]}`)).json()
  const beside = (job.document.elements as { placed: boolean }[]).filter(e => !e.placed).length
  expect(beside).toBeLessThanOrEqual(1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
})

test('a finding is mended where one change can, and it is said where none can', async ({ page }) => {
  await openDemo(page, 'Night-sky', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  await page.locator('.findings').waitFor()
  const first = await score(page)
  const toast = page.locator('[role=status]', { hasText: /\+\d|No single change/ })
  const take = page.getByRole('button', { name: 'Take it' })
  const count = Math.min(2, await page.getByRole('button', { name: /^Mend finding/ }).count())
  let mended = 0
  for (let i = 0; i < count; i++) {
    await page.getByRole('button', { name: /^Mend finding/ }).nth(i).click()
    await expect(toast.first()).toBeVisible({ timeout: 30_000 })
    if (await take.isVisible()) {
      // shown on the tray, with where things lay, before it is taken
      await expect(page.locator('path.ghost')).toBeAttached()
      if (!mended) {
        await page.getByRole('button', { name: 'Leave it' }).click()
        await expect(take).toBeHidden()
        expect(await score(page)).toBe(first)
        await page.getByRole('button', { name: /^Mend finding/ }).nth(i).click()
      }
      await take.click()
      mended++
      await expect(toast.first()).toBeVisible()
    }
    await page.locator('.findings').waitFor()
    await expect(toast).toBeHidden({ timeout: 15_000 })
  }
  await saved(page)
  expect(await score(page)).toBeGreaterThanOrEqual(first)
  if (mended) {
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('button', { name: 'Redo' })).toBeEnabled()
  }
})

test('coming nearer, what lies under the hand stays there', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  const one = holds(page).first()
  // a px of the picture is a px of the screen: it would be made anew for every frame otherwise, and smeared
  const off = () =>
    page.locator('canvas.tray').evaluate((c: HTMLCanvasElement) => {
      const { left, top, width, height } = c.getBoundingClientRect()
      const by = [left % 1, top % 1, width - c.width / devicePixelRatio, height - c.height / devicePixelRatio]
      return Math.max(...by.map(Math.abs))
    })
  await expect.poll(off).toBeLessThan(0.02) // once it has its size
  const box = (await one.boundingBox())!
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  const under = () => page.evaluate(p => document.elementFromPoint(p.x, p.y)?.getAttribute('data-hold'), at)
  const id = await under()
  expect(id).toBeTruthy()
  await page.mouse.move(at.x, at.y)
  await page.keyboard.down('Control')
  for (let i = 0; i < 4; i++) {
    await page.mouse.wheel(0, -100)
    await expect(page.getByRole('button', { name: 'Farther' })).toBeEnabled()
  }
  await page.keyboard.up('Control')
  await expect.poll(async () => (await one.boundingBox())!.width).toBeGreaterThan(box.width * 2)
  expect(await under()).toBe(id)
})

test('a board that stands on its narrow side is shown turned, and hands and keys go the way they are seen to', async ({ page }) => {
  const api = page.request
  const outline = [
    [0, 0],
    [260, 0],
    [260, 900],
    [0, 900],
  ]
  const brief = { guests: { adults: 8 }, board: { shape: 'outline', outline } }
  const made = await (await api.post('/api/v1/jobs', { data: { title: 'On its narrow side', brief } })).json()
  const planned = await (await api.post('/api/v1/plan', { data: brief })).json()
  const lines = (await (await api.post('/api/v1/arrange?effort=2', { data: { ...planned, title: 'On its narrow side' } })).text()).trim().split('\n')
  const laid = lines.map(l => JSON.parse(l)).filter(l => l.tray).at(-1).tray
  expect((await api.put(`/api/v1/jobs/${made.id}`, { data: laid, headers: { 'If-Match': `"${made.revision}"` } })).status()).toBe(200)
  await page.goto(`/jobs/${made.id}/lay`)
  await expect(page.getByText('Shown turned: its front is on the left')).toBeVisible()
  const picture = (await page.locator('canvas.tray').boundingBox())!
  expect(picture.width).toBeGreaterThan(2 * picture.height)

  // a bowl is carried to the right, and lies there
  const bowl = laid.elements.find((e: { vessel?: string; placed: boolean }) => e.vessel && e.placed)
  const hold = page.locator(`[data-hold="${bowl.id}"]`)
  await page.getByLabel('Neighbours give way').uncheck()
  const was = (await hold.boundingBox())!
  const [x, y] = [was.x + was.width / 2, was.y + was.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 1; i <= 10; i++) await page.mouse.move(x + 4 * i, y)
  await page.mouse.up()
  await expect.poll(async () => Math.round((await hold.boundingBox())!.x - was.x)).toBeGreaterThan(30)
  expect(Math.abs((await hold.boundingBox())!.y - was.y)).toBeLessThan(8)
  // and by keys a little more
  const there = (await hold.boundingBox())!
  await hold.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect.poll(async () => Math.round((await hold.boundingBox())!.x - there.x)).toBeGreaterThan(3)
  await page.keyboard.press('Shift+ArrowDown')
  await expect.poll(async () => Math.round((await hold.boundingBox())!.y - there.y)).toBeGreaterThan(3)
})
