// The first ten minutes and the practice room.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { another, clean, clearBench, openDemo, test } from './common'

test('three questions end on a laid board', async ({ page }) => {
  await clearBench(page)
  await page.goto('/')
  await page.getByLabel('How many guests').fill('6')
  await page.getByLabel('nuts').check()
  await page.getByRole('button', { name: 'Lay a board' }).click()
  await expect(page).toHaveURL(/\/lay/)
  await expect.poll(() => page.locator('[data-hold]').count(), { timeout: 60_000 }).toBeGreaterThan(8)
  await page.getByRole('link', { name: /^Brief/ }).click()
  await expect(page.getByLabel('Adults')).toHaveValue('6')
})

test('what stands in the house is written down, and lies on a board', async ({ page }) => {
  await clearBench(page)
  await page.goto('/')
  const said = page.getByLabel('What stands in fridge and cupboard')
  await said.fill('a lamp')
  await page.getByRole('button', { name: 'See what it makes' }).click()
  await expect(page.getByText(/makes no board yet/)).toBeVisible()
  await expect(page.getByText(/Not in the larder: a lamp/)).toBeVisible()
  await said.fill('2 x 200 g brie, 250 g cheddar, salami 150 g, round crackers 200 g, olives 180 g, 500 g grapes')
  await page.getByRole('button', { name: 'See what it makes' }).click()
  await page.getByRole('button', { name: /^Lay it for \d+/ }).click()
  await expect(page).toHaveURL(/\/lay/)
  await expect.poll(() => page.locator('[data-hold]').count(), { timeout: 60_000 }).toBeGreaterThan(5)
  await page.getByRole('link', { name: /^Brief/ }).click()
  await expect(page.getByRole('list', { name: 'Packs that are there' }).getByRole('listitem')).not.toHaveCount(0)
})

test('a board to play with is laid, and put away again', async ({ page }) => {
  await clearBench(page)
  await page.goto('/')
  await page.getByRole('button', { name: 'Lay one to play with' }).click()
  await expect.poll(() => page.locator('[data-hold]').count(), { timeout: 60_000 }).toBeGreaterThan(8)
  await page.getByRole('link', { name: '‹ Jobs' }).click()
  await page.locator('.ticket', { hasText: 'A board to play with' }).getByRole('button', { name: /Hide/ }).click()
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible()
})

test('an exercise of each kind is answered, marked and explained', async ({ page }) => {
  await page.goto('/practice?set=find.2.5,amount.1.5,order.1.5,save.3.5,pair.1.5,diet.2.5,tool.1.5,season.1.5,board.1.5,cost.3.5,keep.3.5,clock.4.5,why.1.5')
  const answer = page.getByRole('button', { name: 'That is my answer' })
  const points = page.locator('.points')
  const next = page.getByRole('button', { name: /^(Next|Done)$/ })

  const board = page.locator('svg.board')
  await board.locator('image').waitFor()
  await board.click({ position: { x: 160, y: 120 } })
  await board.focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter') // by keyboard, from the middle
  await expect(page.getByText('2 marked')).toBeVisible()
  await answer.click()
  await expect(points).toBeVisible()
  await expect(page.locator('.faults li')).toHaveCount(2)
  await clean(page)
  await next.click()

  await page.locator('.range input').first().waitFor()
  for (const f of await page.locator('.range input').all()) {
    await f.fill((await f.getAttribute('aria-label'))!.includes('least') ? '100' : '2000')
    await f.blur()
  }
  await answer.click()
  await expect(page.getByText(/your range/).first()).toBeVisible()
  await next.click()

  for (const says of [/begins at/, /what is over its hours can harm/]) {
    await page.getByRole('button', { name: /^Later: / }).first().click()
    await answer.click()
    await expect(page.getByText(says).first()).toBeVisible()
    await next.click()
  }

  for (let n = 0; n < 9; n++) {
    await page.locator('.choice').first().click()
    if (n % 3 === 0) await clean(page)
    await answer.click()
    await expect(page.locator('.came').first()).toBeVisible()
    await next.click()
  }
  await expect(page.getByText('of 100')).toBeVisible()
  await page.getByRole('button', { name: 'Beside those of others' }).click()
  await expect(page.locator('tr.mine td')).toHaveCount(13)
  await page.getByRole('button', { name: 'That is enough' }).click()
  await expect(page.getByText(/rules met/)).toBeVisible() // and it is kept
  await page.reload()
  await expect(page.getByText(/rules met/)).toBeVisible()
  await clean(page)
})

test('on a phone the rooms stand at the foot, and nothing is wider than the screen', async ({ browser }) => {
  const context = await another(browser, { baseURL: demo, viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true })
  const page = await context.newPage()
  for (const at of ['/', '/practice', '/larder', '/shopping', '/boards', '/shelf', '/logbook', '/devices', '/settings']) {
    await page.goto(at)
    const nav = page.getByRole('navigation', { name: 'Rooms of the house' })
    await expect(nav.getByRole('link', { name: 'Practice' })).toBeVisible()
    const box = (await nav.boundingBox())!
    expect(box.y + box.height).toBeGreaterThan(840)
    await page.waitForLoadState('networkidle')
    expect(await page.evaluate(() => document.documentElement.scrollWidth), at).toBeLessThanOrEqual(390)
  }
  await page.goto('/')
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible()
})

test('a board is laid by hand against the clock, held beside the search’s own, and comes back in two days', async ({
  page,
}) => {
  await clearBench(page)
  await page.goto('/practice?set=lay.1.5')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByRole('timer')).toContainText(/0:\d\d of \d:\d\d/)
  await expect(page.getByRole('button', { name: 'Lay it' })).toHaveCount(0) // the search is not at hand
  const waiting = page.locator('.strip .chip')
  await expect(waiting).not.toHaveCount(0)
  await page.waitForLoadState('networkidle')
  const before = await waiting.count()
  for (let n = 0; n < 3; n++) {
    const left = await waiting.count()
    await waiting.first().press('Enter')
    await expect(waiting).toHaveCount(left - 1)
    await expect(page.locator('[data-hold]:focus')).toHaveCount(1) // what was laid is in hand
  }
  // half laid it is left and gone on with
  await page.goto('/practice')
  await expect(page.getByText('A board is half laid.')).toBeVisible()
  await clean(page)
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(waiting).toHaveCount(before - 3)
  await page.getByRole('button', { name: 'It is laid' }).click()
  await expect(page.getByRole('heading', { name: 'What made the difference' })).toBeVisible()
  await expect(page.getByText('Yours:')).toBeVisible()
  await expect(page.locator('.both img')).toHaveCount(2)
  await expect(page.locator('.both ol li').first()).toContainText('+')
  await clean(page)
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'That is enough' }).click()
  // its job is put away, and in two days it is asked for again
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible()
  await page.clock.install({ time: Date.now() + 3 * 864e5 })
  await page.goto('/practice')
  await expect(page.getByText(/A board that you laid for \d+ points is due again/)).toBeVisible()
})

test.describe('a newcomer', () => {
  test.use({ newcomer: true })
  test('is told once what a room is for, and what anything is where it is asked', async ({ page }) => {
    await page.goto(demo)
    const room = page.getByRole('complementary', { name: 'What this room is for' })
    await expect(room).toContainText('A job is one occasion')
    await clean(page)
    await openDemo(page, 'First firing', 'Lay')
    await expect(room).toContainText('what is next to it makes room')
    await room.getByRole('button', { name: 'I see' }).click()
    await expect(room).toHaveCount(0)
    await page.goto(demo)
    await expect(page.locator('.ticket').first()).toBeVisible()
    await expect(room).toHaveCount(0) // it was used

    // by key, of what has the focus; searched; by a finger that points
    await openDemo(page, 'First firing', 'Lay')
    await page.locator('[data-hold][aria-label*="in its bowl"]').first().focus()
    await page.mouse.move(2, 2)
    await page.keyboard.press('?')
    const help = page.getByRole('dialog', { name: 'What is this?' })
    await expect(help.getByRole('heading', { name: 'Anchor' })).toBeVisible()
    await help.getByLabel('Search what can be asked').fill('choke')
    await help.getByRole('button', { name: 'Small children' }).click()
    await expect(help).toContainText('quarters')
    await help.getByRole('button', { name: 'Point at something else' }).click()
    await expect(page.getByText('Tap what you want to know about.')).toBeVisible()
    await page.locator('.score').first().click()
    await expect(help.getByRole('heading', { name: 'Score' })).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(help).toHaveCount(0)
    await page.getByRole('button', { name: 'What is this?' }).click()
    await expect(help.getByRole('heading', { name: 'Lay', exact: true })).toBeVisible()
  })
})
