// From an empty house to a saved, re-opened and re-laid tray.
import { expect } from '@playwright/test'
import { choose, clearBench, holds, layAll, openDemo, saved, score, someBowl, stored, test } from './common'

test('a stylist plans a tray from nothing', async ({ page }) => {
  await clearBench(page)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible()
  await page.getByRole('button', { name: 'Start a job' }).click()

  // the brief, and what follows from it
  await page.getByLabel('Name of the job').fill('Supper for the ferry crew')
  await page.getByLabel('Name of the job').blur()
  const adults = page.getByLabel('Adults')
  await adults.fill('12')
  await adults.blur()
  await page.getByLabel('Place').fill('Saltmere quay')
  await page.getByLabel('Place').blur()
  await expect(page.locator('.look .score')).toContainText('12 portions')
  await page.getByRole('button', { name: 'Another diet or allergy' }).click()
  await page.getByLabel('Group 1, who').fill('Ilka')
  await choose(page, 'Group 1, what they avoid', 'gluten')
  await page.keyboard.press('Escape')
  await expect(page.getByText('Nothing with gluten comes on this tray')).toBeVisible()
  await saved(page)

  // the pick is made for them, then changed by hand
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await expect(page.getByRole('heading', { name: 'Pick', exact: true })).toBeVisible()
  await expect(page.getByText('foods picked for you')).toBeVisible()
  const walnuts = page.getByRole('button', { name: /^Walnuts/ })
  const had = (await walnuts.getAttribute('aria-pressed')) === 'true'
  await walnuts.click()
  await expect(walnuts).toHaveAttribute('aria-pressed', String(!had))
  await expect(page.getByText('picked, by hand')).toBeVisible()
  await expect(page.getByRole('button', { name: /Round crackers/ })).toContainText('gluten: avoided')
  const swap = page.getByRole('button', { name: /^Swap / }).first()
  const gone = (await swap.innerText()).replace(/^Swap\s*/, '')
  await swap.click()
  const stand = page.locator('.subs button').first()
  const name = await stand.locator('b').innerText()
  await stand.click()
  await expect(page.getByRole('button', { name: `Swap ${name}` })).toBeVisible()
  await expect(page.getByRole('button', { name: `Swap ${gone}`, exact: true })).toHaveCount(0)
  await saved(page)

  // the amounts: one is set by hand and stays
  await page.getByRole('link', { name: /^Amounts/ }).click()
  const first = page.getByLabel(/grams altogether/).first()
  const amount = page.getByLabel((await first.getAttribute('aria-label'))!)
  await amount.fill('300')
  await amount.blur()
  await expect(page.getByText('by hand, hand back')).toBeVisible()
  await expect(amount).toHaveValue('300')
  await saved(page)

  // laid by the search, with something to see on the way
  await page.getByRole('link', { name: /^Lay/ }).click()
  await expect(page.getByText('Still beside the board')).toBeVisible()
  await layAll(page)
  expect(await holds(page).count()).toBeGreaterThan(12)
  expect(await score(page)).toBeGreaterThan(60)

  // something is taken in the hand: the review follows, and it is saved
  const id = await someBowl(page)
  const bowl = page.locator(`[data-hold="${id}"]`)
  const before = await stored(page, id)
  const box = (await bowl.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  const asked = page.waitForRequest(r => /jobs\/.+\/edits$/.test(r.url()))
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2 + 40, { steps: 8 })
  await asked
  await expect(page.locator('.score')).toContainText('by this move')
  await page.mouse.up()
  await saved(page)
  await expect.poll(async () => (await stored(page, id)).x).not.toBe(before.x)
  const after = await stored(page, id)

  // turned by its handle
  const handle = page.locator('.handle .reach')
  await page.locator('.handle circle:not(.reach)').hover() // waits until it stands still where the bowl lies now
  const grip = (await handle.boundingBox())!
  await page.mouse.down()
  await page.mouse.move(grip.x + grip.width / 2 + 50, grip.y + grip.height / 2 + 20, { steps: 6 })
  await page.mouse.up()
  await saved(page)
  await expect.poll(async () => (await stored(page, id)).turn).not.toBe(after.turn)
  const turned = await stored(page, id) // one that is not round may be drawn in from the edge as it turns
  // what the browser takes for selected it would drag away as a picture next time
  expect(await page.evaluate(() => document.getSelection()?.type)).not.toBe('Range')

  // tomorrow: everything is as it was left
  await page.reload()
  await expect(holds(page).first()).toBeAttached()
  const tomorrow = await stored(page, id)
  expect([tomorrow.x, tomorrow.turn]).toEqual([turned.x, turned.turn])

  // undo reaches back across the visit, redo forward again
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await stored(page, id)).turn).toBe(after.turn)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await stored(page, id)).x).toBe(before.x)
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect.poll(async () => (await stored(page, id)).x).toBe(after.x)

  // laid again: what is locked stays
  await page.locator(`[data-hold="${id}"]`).focus()
  await page.keyboard.press('l')
  await saved(page)
  await layAll(page)
  const again = await stored(page, id)
  expect([again.x, again.y, again.locked]).toEqual([after.x, after.y, true])

  // the work list to print
  await page.getByRole('link', { name: /^Prep/ }).click()
  const steps = page.getByRole('list', { name: 'The rounds of the day' }).locator('details')
  await expect.poll(() => steps.count()).toBeGreaterThan(8)
  await expect(steps.first()).toContainText('min')
  await expect(page.getByText('Labels of your own packs decide')).toBeVisible()

  // and the list shows the job
  await page.getByRole('link', { name: '‹ Jobs' }).click()
  const ticket = page.locator('.ticket', { hasText: 'Supper for the ferry crew' })
  await expect(ticket).toContainText('12 guests')
  const picture = ticket.locator('img')
  await expect(picture).toBeVisible()
  await expect.poll(() => picture.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(0)

  // put away and taken out again
  await ticket.getByRole('button', { name: /Hide/ }).click()
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible()
  await page.getByRole('button', { name: 'Show it again' }).click()
  await expect(page.locator('.ticket')).toHaveCount(1)
})

test.describe('without a bound', () => {
  test.use({ effort: 0 })
  test('a search can be stopped and keeps the best so far', async ({ page }) => {
    await openDemo(page, 'First firing', 'Lay')
    await page.getByRole('button', { name: 'Lay it another way' }).click()
    await expect(page.locator('.said')).toContainText('best')
    await page.getByRole('button', { name: 'Stop, keep the best' }).click()
    await expect(page.getByRole('button', { name: 'Lay it another way' })).toBeVisible()
    await saved(page)
    expect(await score(page)).toBeGreaterThan(60)
  })
})

test.describe('by touch', () => {
  test.use({ hasTouch: true })
  test('a finger moves what it touches', async ({ page }) => {
    await openDemo(page, 'First firing', 'Lay')
    await expect(holds(page).first()).toBeAttached()
    // something that nothing else lies on at its middle
    const { id, at, way } = await page.evaluate(() => {
      const all = [...document.querySelectorAll<SVGElement>('[data-hold]:not(.locked)')]
      const boxes = all.map(h => h.getBoundingClientRect())
      const middle = (Math.min(...boxes.map(b => b.left)) + Math.max(...boxes.map(b => b.right))) / 2
      for (const h of all) {
        const b = h.getBoundingClientRect()
        const at = { x: b.x + b.width / 2, y: b.y + b.height / 2 }
        // towards the middle, where there is room
        if (document.elementFromPoint(at.x, at.y) === h)
          return { id: h.dataset.hold!, at, way: at.x < middle ? 1 : -1 }
      }
      throw new Error('everything is covered')
    })
    const before = await stored(page, id)
    const cdp = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', dx: number) =>
      cdp.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: type === 'touchEnd' ? [] : [{ x: at.x + way * dx, y: at.y }],
      })
    await touch('touchStart', 0)
    for (const dx of [10, 25, 40]) await touch('touchMove', dx)
    await touch('touchEnd', 0)
    await expect.poll(async () => way * ((await stored(page, id)).x - before.x)).toBeGreaterThan(15)
  })
})
