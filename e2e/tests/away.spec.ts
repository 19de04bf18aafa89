// Without a network: what was last seen is there, what is noted waits, and both are said.
import { expect } from '@playwright/test'
import { demo } from '../servers'
import { openDemo, test } from './common'

test.use({ serviceWorkers: 'allow', baseURL: demo })

test('in a kitchen without a network the counter, shopping, Serve and Look back are there, and what is noted waits', async ({
  page,
  context,
}) => {
  await page.goto(demo)
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await expect.poll(() => page.evaluate(() => !!navigator.serviceWorker.controller)).toBe(true)
  await openDemo(page, 'Night-sky', 'Prep')
  await expect(page).toHaveURL(/\/prep/)
  const job = page.url().match(/\/jobs\/[^/]+/)![0]
  await page.getByRole('link', { name: /^Serve/ }).click()
  await page.locator('.tap image').waitFor()
  await page.goto(`${job}/look-back`)
  await page.waitForLoadState('networkidle')
  await page.goto(`${job}/counter`)
  await page.getByRole('button', { name: 'Done, next' }).first().waitFor()
  await page.waitForLoadState('networkidle')
  await page.goto('/shopping')
  await page.locator('input[type=checkbox]').first().waitFor()
  await page.waitForLoadState('networkidle')

  await context.setOffline(true)
  await page.goto('/') // opened anew, as from its icon
  await expect(page.locator('.ticket', { hasText: 'Night-sky' })).toBeVisible()
  const stale = page.getByText(/No connection\. What you see is from/)
  await expect(stale).toBeVisible()

  await page.goto('/shopping')
  const tick = page.locator('input[type=checkbox]').first()
  await tick.check()
  await expect(page.getByText(/waits in this browser/)).toBeVisible()
  await page.reload()
  await expect(page.locator('input[type=checkbox]').first()).toBeChecked()

  await page.goto(`${job}/serve`)
  await expect(page.locator('.tap image')).toBeVisible()
  await page.goto(`${job}/look-back`)
  await expect(page.getByRole('heading', { name: 'What came home?' })).toBeVisible()
  await expect(stale).toBeVisible()

  await page.goto(`${job}/counter`)
  await page.getByRole('button', { name: 'Done, next' }).first().click()
  await expect(page.getByText(/cannot be reached; what you see is from .*1 tick/)).toBeVisible()

  await page.goto('/')
  await expect(stale).toBeVisible()
  await context.setOffline(false)
  await page.getByRole('button', { name: 'Read it again' }).click() // it was looked for
  await expect(page.getByText(/No connection|What you see is from/)).toHaveCount(0)
  await expect(page.getByText(/in this browser/)).toHaveCount(0, { timeout: 20_000 })
  // and the server has it
  await page.goto('/shopping')
  await expect(page.locator('input[type=checkbox]').first()).toBeChecked()
  await page.locator('input[type=checkbox]').first().uncheck()
  // and nothing of it stays behind for who opens the same demo world next
  await page.goto(`${job}/counter`)
  const which = page.locator('.which')
  await expect(which).toContainText(/step 2 of \d+/)
  await page.keyboard.press('ArrowLeft')
  await page.getByRole('button', { name: 'Not done after all' }).click()
  await expect
    .poll(async () => (await (await page.request.get(`/api/v1${job}/ticks`)).json()).ticks)
    .toEqual([])
})

test('it can be installed, and what may not be kept is not', async ({ page }) => {
  await page.goto(demo)
  const found = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel=manifest]')!
    const manifest = (await (await fetch(link.href)).json()) as { icons: { src: string }[]; start_url: string }
    const icons = await Promise.all(
      manifest.icons.map(async i => (await fetch(i.src)).headers.get('Content-Type')),
    )
    await navigator.serviceWorker.ready
    await fetch('/api/v1/door')
    await fetch('/api/v1/settings')
    const kept = (await Promise.all(
      (await caches.keys()).map(async name => (await (await caches.open(name)).keys()).map(r => r.url)),
    )).flat()
    return { manifest, icons, kept, credentials: link.crossOrigin }
  })
  expect(found.icons).toEqual(['image/png', 'image/png', 'image/png'])
  expect(found.manifest.start_url).toBe('/')
  expect(found.credentials).toBe('use-credentials')
  expect(found.kept.some(u => u.endsWith('/api/v1/door'))).toBe(false)
  expect(found.kept.some(u => u.includes('/assets/'))).toBe(true)
  // a page comes from the server while there is one, and else the one that was kept
  await page.evaluate(async () => {
    const name = (await caches.keys()).find(k => k.includes('precache'))!
    const cache = await caches.open(name)
    const key = (await cache.keys()).find(r => r.url.includes('/index.html'))!
    await cache.put(key, new Response('<p>kept</p>', { headers: { 'Content-Type': 'text/html' } }))
  })
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible()
  await page.context().setOffline(true)
  await page.goto('/')
  await expect(page.getByText('kept', { exact: true })).toBeVisible()
  await page.context().setOffline(false)
  await page.goto('/')
  // who is put out keeps nothing of the house
  await page.evaluate(() => navigator.serviceWorker.controller!.postMessage('forget'))
  await expect
    .poll(() => page.evaluate(async () => (await caches.keys()).filter(k => k === 'seen').length))
    .toBe(0)
})
