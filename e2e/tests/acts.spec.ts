// What hands do besides moving one thing, by mouse and by keys: each one step to undo.
import { expect, type Page } from '@playwright/test'
import { demo } from '../servers'
import { another, holds, openDemo, saved, test, wasDone } from './common'

test.use({ baseURL: demo })

type Laid = {
  id: string
  food: string
  form: string
  x: number
  y: number
  count: number
  placed: boolean
  vessel?: string
  pieces: { at: number[]; z_mm: number }[]
}
async function elements(page: Page): Promise<Laid[]> {
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  return (await (await page.request.get(`/api/v1/jobs/${id}`)).json()).document.elements
}
const hold = (page: Page, id: string) => page.locator(`[data-hold="${id}"]`)
async function acted(page: Page, act: () => Promise<unknown>) {
  const done = page.waitForResponse(wasDone)
  await act()
  expect((await done).status()).toBe(200)
  await saved(page)
}
async function undo(page: Page, was: Laid[]) {
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await elements(page)).map(e => [e.id, e.x, e.count])).toEqual(was.map(e => [e.id, e.x, e.count]))
}

test('a heap is duplicated, split, made less and changes places with a bowl, by keys', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  const heap = was.find(e => e.form === 'drift' && e.count > 5)!
  const bowl = was.find(e => e.vessel)!

  await hold(page, heap.id).focus()
  await acted(page, () => page.keyboard.press('d'))
  expect((await elements(page)).filter(e => e.food === heap.food).length).toBe(was.filter(e => e.food === heap.food).length + 1)
  await undo(page, was)

  await hold(page, heap.id).focus()
  await acted(page, () => page.keyboard.press('s'))
  const halves = (await elements(page)).filter(e => e.food === heap.food)
  expect(halves.reduce((n, e) => n + e.count, 0)).toBe(was.filter(e => e.food === heap.food).reduce((n, e) => n + e.count, 0))
  await undo(page, was)

  await hold(page, heap.id).focus()
  await acted(page, () => page.keyboard.press('Shift+PageDown'))
  expect((await elements(page)).find(e => e.id === heap.id)!.count).toBe(heap.count - 5)
  await undo(page, was)

  await hold(page, heap.id).focus()
  await page.keyboard.press('x')
  await expect(page.getByText('Tap what it changes places with.')).toBeVisible()
  await acted(page, () => hold(page, bowl.id).focus())
  const swapped = (await elements(page)).find(e => e.id === bowl.id)!
  expect(Math.hypot(swapped.x - heap.x, swapped.y - heap.y)).toBeLessThan(100)
  await undo(page, was)
})

test('a bowl is set up on something and stands in another, by its card', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  const bowl = was.find(e => e.vessel)!
  await hold(page, bowl.id).focus()
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await acted(page, () => page.getByRole('button', { name: /^Set it up/ }).click())
  expect((await elements(page)).find(e => e.id === bowl.id)!.pieces[0]!.z_mm).toBe(15)
  await expect(page.getByRole('button', { name: /^Stands 15 mm higher/ })).toBeVisible()
  await page.locator('.vessel .el-select').click()
  const other = page.getByRole('option').filter({ visible: true }).last()
  const capacity = Number(/(\d+) ml$/.exec(await other.innerText())![1])
  await acted(page, () => other.click())
  const now = (await elements(page)).find(e => e.id === bowl.id)!.vessel
  expect(now).not.toBe(bowl.vessel)
  const { vessels } = (await (await page.request.get('/api/v1/larder')).json()) as {
    vessels: { id: string; capacity_ml: number }[]
  }
  expect(vessels.find(v => v.id === now)!.capacity_ml).toBe(capacity)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).click()
  await undo(page, was)
})

test('a trail is bent by its handles, by mouse and by keys', async ({ page }) => {
  await openDemo(page, 'Night-sky', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  const trail = was.find(e => e.form === 'trail')!
  await hold(page, trail.id).focus()
  const end = page.getByRole('button', { name: /^End of the trail/ })
  await end.focus()
  await acted(page, async () => {
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown')
  })
  const bent = (await elements(page)).find(e => e.id === trail.id)!
  expect(bent.pieces.at(-1)!.at[1]).toBeGreaterThan(trail.pieces.at(-1)!.at[1]! + 20)
  await undo(page, was)
  await hold(page, trail.id).focus()
  const box = (await page.getByRole('button', { name: /^Bend 2/ }).boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 10, box.y + box.height / 2 - 30, { steps: 4 })
  await acted(page, () => page.mouse.up())
  await undo(page, was)
})

test('several things are chosen by area, moved together and laid again, and the rest stays', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  const box = (await page.locator('.hands.layer').boundingBox())!
  await page.getByLabel('Choose several').check()
  await page.mouse.move(box.x + 30, box.y + 30)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width * 0.36, box.y + box.height * 0.6, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByText(/\d+ things/)).toBeVisible()
  await page.getByLabel('Choose several').uncheck()
  const chosen = await page.locator('.other').count()
  expect(chosen).toBeGreaterThan(0)
  const first = await page.locator('[data-hold][aria-pressed=true]').getAttribute('data-hold')
  await hold(page, first!).focus()
  const edit = page.waitForRequest(r => r.method() === 'POST' && r.url().endsWith('/edits') && !r.postData()?.includes('"preview":true'))
  await acted(page, () => page.keyboard.press('Shift+ArrowRight'))
  const ids = ((await edit).postDataJSON() as { command?: { ids: string[] }; ids?: string[] }).command?.ids ?? (await edit).postDataJSON().ids
  expect(ids).toContain(first)
  const now = await elements(page)
  const gone = (id: string) => now.find(e => e.id === id)!.x - was.find(e => e.id === id)!.x
  // what stands goes the very ten millimetres; the middle of a heap, which flows round what stands, about so far
  const stands = ids.filter((id: string) => ['bowl', 'shingle', 'fan', 'trail', 'ribbon'].includes(now.find(e => e.id === id)!.form))
  expect(stands.length).toBeGreaterThan(0)
  for (const id of stands) expect(gone(id)).toBeCloseTo(10, 1)
  for (const id of ids) expect(gone(id)).toBeGreaterThan(0)
  await undo(page, was)

  const search = page.waitForResponse('**/api/v1/arrange*')
  await page.getByRole('button', { name: 'Lay these again' }).click()
  await search
  await expect(page.getByRole('button', { name: 'Stop, keep the best' })).toBeHidden({ timeout: 20_000 })
  await saved(page)
  const again = await elements(page)
  const far = was.filter(e => e.placed && e.x > 600)
  expect(far.length).toBeGreaterThan(3)
  for (const e of far) expect([e.id, again.find(a => a.id === e.id)!.x]).toEqual([e.id, e.x])
  await undo(page, was)
})

test('by touch: a second finger turns what the first holds, two bring the tray nearer', async ({ browser }) => {
  const context = await another(browser, { hasTouch: true, viewport: { width: 1024, height: 768 }, baseURL: demo })
  const page = await context.newPage()
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  const row = was.find(e => e.form === 'shingle' || e.form === 'arc' || e.form === 'fan')!
  const touch = await context.newCDPSession(page)
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...points: [number, number][]) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: points.map(([x, y], id) => ({ x, y, id })) })
  const box = (await hold(page, row.id).boundingBox())!
  // a point that is surely on one of its pieces
  const at = await page.evaluate(
    ([id, x, y, w, h]) => {
      for (let i = 1; i < 10; i++)
        for (let k = 1; k < 10; k++) {
          const p = { x: x + (w * i) / 10, y: y + (h * k) / 10 }
          if (document.elementFromPoint(p.x, p.y)?.getAttribute('data-hold') === id) return p
        }
      return null
    },
    [row.id, box.x, box.y, box.width, box.height] as [string, number, number, number, number],
  )
  const { x, y } = at!
  await send('touchStart', [x, y])
  await send('touchMove', [x + 8, y])
  await send('touchStart', [x + 8, y], [x + 108, y])
  await send('touchMove', [x + 8, y], [x + 8 + 70, y + 70])
  const asked = page.waitForResponse(wasDone)
  await send('touchEnd', [x + 8, y])
  await send('touchEnd')
  await asked
  await saved(page)
  const now = (await elements(page)).find(e => e.id === row.id)! as Laid & { turn_deg: number }
  const before = was.find(e => e.id === row.id)! as Laid & { turn_deg: number }
  expect((now.turn_deg - before.turn_deg + 360) % 360).toBeGreaterThan(30)
  await undo(page, was)

  const tray = (await page.locator('.hands.layer').boundingBox())!
  const corner: [number, number] = [tray.x + 30, tray.y + tray.height - 8]
  await send('touchStart', corner)
  await send('touchStart', corner, [corner[0] + 60, corner[1]])
  await send('touchMove', corner, [corner[0] + 150, corner[1]])
  await send('touchEnd', corner)
  await send('touchEnd')
  await expect(page.getByRole('button', { name: 'Farther' })).toBeEnabled()
  await context.close()
})

test('a tray is laid like that of another job, in one step to undo', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  await page.locator('.el-select', { hasText: 'suits the board' }).click()
  await page.getByRole('option', { name: /like another tray/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Lay it like another tray' })
  await dialog.getByLabel('Find a job').fill('Night')
  const kept = page.waitForResponse(r => r.request().method() === 'PUT')
  await dialog.getByRole('button', { name: /Night-sky/ }).click()
  expect((await kept).status()).toBe(200)
  await expect(dialog).toBeHidden()
  await saved(page)
  const now = await elements(page)
  expect(now.filter(e => e.placed).length).toBeGreaterThan(was.length * 0.8)
  expect(now.filter(e => e.x !== was.find(w => w.id === e.id)!.x).length).toBeGreaterThan(was.length / 2)
  await undo(page, was)
})

test('a step is moved in the order of hands, or it is said why not', async ({ page }) => {
  await openDemo(page, 'First firing', 'Lay')
  await expect(holds(page).first()).toBeAttached()
  const was = await elements(page)
  const steps = page.locator('.hands ol button')
  const titles = () => steps.evaluateAll(l => l.map(b => b.getAttribute('title')!.replace(/^\d+\. /, '')))
  const before = await titles()
  await steps.nth(1).focus()
  const kept = page.waitForResponse(r => r.request().method() === 'PUT')
  await page.keyboard.press('Alt+ArrowLeft')
  expect((await kept).status()).toBe(200)
  await expect.poll(titles).toEqual([before[1], before[0], ...before.slice(2)])
  await page.getByRole('button', { name: 'Usual order' }).click()
  await expect.poll(titles).toEqual(before)
  // greens lie on what they lie on
  const last = (await steps.last().boundingBox())!
  const first = (await steps.first().boundingBox())!
  await page.mouse.move(last.x + last.width / 2, last.y + last.height / 2)
  await page.mouse.down()
  await page.mouse.move(first.x + 1, first.y + first.height / 2, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByRole('alert')).toContainText(' first; ')
  expect(await titles()).toEqual(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Usual order' })).toBeHidden()
  expect((await elements(page)).length).toBe(was.length)
})
