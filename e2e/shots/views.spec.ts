import type { Page } from '@playwright/test'
import { openDemo, test } from '../tests/common'

const folder = '../docs/screenshots'

async function shoot(page: Page, name: string) {
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(700) // pictures are drawn
  await page.screenshot({ path: `${folder}/${name}.png` })
}

test('the jobs', async ({ page }) => {
  await page.goto('/')
  await shoot(page, 'jobs')
})

for (const stage of ['Brief', 'Pick', 'Amounts', 'Prep']) {
  test(stage, async ({ page }) => {
    await openDemo(page, stage === 'Brief' ? 'Quiz league' : 'First firing', stage)
    await shoot(page, stage.toLowerCase())
  })
}

test('lay', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await page.locator('[data-hold]').nth(5).focus()
  await shoot(page, 'lay')
})

test('serving, looking back, the logbook', async ({ page }) => {
  await openDemo(page, 'First firing', 'Serve')
  await page.locator('.tap image').waitFor()
  await shoot(page, 'serve')
  await page.goto('/')
  await page.getByText('Past', { exact: true }).click()
  await page.locator('.ticket .open', { hasText: 'Seed swap' }).click()
  await page.getByRole('link', { name: /^Look back/ }).click()
  await page.locator('.tap image').waitFor()
  await page.getByRole('list', { name: 'Foods of the evening' }).getByRole('button', { name: / left/ }).first().click()
  await shoot(page, 'look-back')
  await page.goto('/logbook')
  await page.locator('.dot').first().waitFor()
  await shoot(page, 'logbook')
})

test('at the counter', async ({ page }) => {
  await openDemo(page, 'First firing', 'Prep')
  await page.getByLabel('People').fill('2')
  await page.getByRole('link', { name: 'At the counter' }).click()
  await page.locator('.step image').first().waitFor()
  for (let n = 0; n < 21; n++) await page.keyboard.press(' ')
  await shoot(page, 'counter')
})

test('several trays, their list and their price', async ({ page }) => {
  await openDemo(page, 'Night-sky', 'Lay')
  await page.getByRole('link', { name: /^Amounts/ }).click()
  await page.getByRole('link', { name: 'Quote' }).click()
  await page.locator('.price').waitFor()
  await page.getByRole('link', { name: 'Back to the amounts' }).click()
  await page.getByRole('link', { name: 'Shopping list' }).click()
  await page.getByRole('checkbox').first().waitFor()
  for (const i of [0, 2]) await page.getByRole('checkbox').nth(i).check()
  await shoot(page, 'shopping')
})

test('three ways to lay a tray', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await page.getByRole('button', { name: 'Three ways' }).click()
  await page.getByRole('region', { name: 'Ways to lay this tray' }).getByRole('button').nth(1).click({ timeout: 60_000 })
  await page.waitForTimeout(1500)
  await shoot(page, 'ways')
  await page.getByRole('button', { name: 'None of these' }).click()
})

test('a round tray', async ({ page }) => {
  await openDemo(page, 'Quiz league', 'Brief')
  await page.getByRole('button', { name: 'Pick the foods' }).click()
  await page.getByRole('button', { name: 'Lay them' }).click() // it lays at once
  await page.locator('[data-hold]').first().waitFor({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Lay it another way' }).waitFor({ timeout: 60_000 })
  await shoot(page, 'lay-round')
})

test('the larder, a food, the boards', async ({ page }) => {
  await page.goto('/larder')
  await shoot(page, 'larder')
  await page.goto('/larder/fennel-sausage')
  await page.getByRole('button', { name: 'folded in four', exact: true }).click()
  await shoot(page, 'food')
  await page.goto('/boards')
  await page.getByRole('button', { name: /^Oval, walnut/ }).click()
  await page.evaluate(() => window.scrollTo({ top: 0 }))
  await shoot(page, 'boards')
})

test('practice', async ({ page }) => {
  await page.goto('/practice?set=find.4.7')
  const board = page.locator('svg.board')
  await board.locator('image').waitFor()
  for (const [x, y] of [[147, 337], [81, 355], [330, 150]]) {
    const at = await board.evaluate((b, [x, y]) => {
      const p = new DOMPoint(x, y).matrixTransform((b as unknown as SVGGraphicsElement).getScreenCTM()!)
      return [p.x, p.y] as const
    }, [x!, y!] as const)
    await page.mouse.click(...at)
  }
  await page.getByRole('button', { name: 'That is my answer' }).click()
  await page.locator('.points').waitFor()
  await shoot(page, 'practice')
})

test('through a lens, and at a slant', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await page.locator('[data-hold]').first().waitFor()
  await page.waitForTimeout(1200)
  await page.keyboard.press('1')
  await page.getByRole('region', { name: /^Seen through a lens/ }).waitFor()
  await shoot(page, 'lens')
  await page.keyboard.press('0')
  await page.keyboard.press('i')
  await page.getByRole('img', { name: /^The tray from the front/ }).waitFor()
  await shoot(page, 'slant')
})
