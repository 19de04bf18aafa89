// What several journeys do.
import AxeBuilder from '@axe-core/playwright'
import {
  expect,
  test as base,
  type Browser,
  type BrowserContextOptions,
  type Locator,
  type Page,
  type Response,
} from '@playwright/test'
import { demo, knowsTheRooms, setClock } from '../servers'

/** Tests in which a search tries at most so many layouts for each way, 0 for as its time allows: where what it
 * finds is not looked at, its seconds would only be waited for. A newcomer has been in no room yet. */
export const test = base.extend<{ effort: number; newcomer: boolean }>({
  effort: [4, { option: true }],
  newcomer: [false, { option: true }],
  context: async ({ context, effort, newcomer }, use) => {
    await setClock(context)
    if (!newcomer) await knowsTheRooms(context)
    if (effort)
      await context.addInitScript((effort: number) => {
        const plain = window.fetch
        window.fetch = (what, how) =>
          plain(
            typeof what === 'string' && what.startsWith('/api/v1/arrange')
              ? `${what}&effort=${effort}`
              : what,
            how,
          )
      }, effort)
    await use(context)
  },
})

/** Another window or device, which nothing links to the first. */
export async function another(browser: Browser, how: BrowserContextOptions = {}) {
  const context = await browser.newContext(how)
  await setClock(context)
  await knowsTheRooms(context)
  return context
}

/** No violations, as axe sees it, on a page or on a part of it. */
export async function clean(page: Page, part?: string) {
  // no view has frames, and what passes need not be carried over: a fifth of the time
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  const { violations } = await (part ? axe.include(part) : axe).analyze()
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target).join(' | ')}`)).toEqual([])
}

/** Opens a job of the demo world at a stage. */
export async function openDemo(page: Page, title: string, stage: string) {
  await page.goto(demo)
  await page.locator('.ticket .open', { hasText: title }).click()
  await page.getByRole('link', { name: new RegExp('^' + stage) }).click()
}

/** Makes a job of a brief and opens it there; its id. */
export async function newJob(page: Page, title: string, brief: object) {
  const made = await page.request.post('/api/v1/jobs', { data: { title, brief } })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/jobs/${id}/brief`)
  await expect(page.locator('.look .score')).toContainText('portion')
  return id
}

/** Puts away whatever earlier tests left on the empty one. */
export async function clearBench(page: Page) {
  const { jobs } = (await (await page.request.get('/api/v1/jobs')).json()) as { jobs: { id: string }[] }
  for (const j of jobs) expect((await page.request.delete(`/api/v1/jobs/${j.id}`)).status()).toBe(204)
}

/** Waits until the line under the heading says that everything is saved. */
export async function saved(page: Page) {
  await expect(page.locator('.says[role=status]')).toHaveText(/^saved/)
}

/** Whether an answer says that a command was done, and not only previewed. */
export const wasDone = (r: Response) =>
  r.url().endsWith('/edits') && r.ok() && !/"preview":true/.test(r.request().postData() ?? '')

/** The score in big figures. */
export async function score(page: Page): Promise<number> {
  return Number(await page.locator('.score .big').innerText())
}

export const holds = (page: Page): Locator => page.locator('[data-hold]')

/** A bowl that lies on the tray: what is loose may flow back to where it lay. */
export async function someBowl(page: Page) {
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const job = await (await page.request.get(new URL(`/api/v1/jobs/${id}`, page.url()).href)).json()
  return (job.document.elements as { id: string; vessel?: string; placed: boolean }[]).find(e => e.vessel && e.placed)!.id
}

/** The key that moves something that lies at x by 10 mm towards the middle of its board, and how far that is: near the
 * edge it would be drawn inside. */
export async function inward(page: Page, x: number): Promise<[key: string, by: number]> {
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const job = await (await page.request.get(new URL(`/api/v1/jobs/${id}`, page.url()).href)).json()
  const xs = job.document.board.outline.map((p: number[]) => p[0]) as number[]
  return x > (Math.min(...xs) + Math.max(...xs)) / 2 ? ['Shift+ArrowLeft', -10] : ['Shift+ArrowRight', 10]
}

/** Where an element says it lies, from the document the server holds. */
export async function stored(page: Page, element: string) {
  const id = page.url().match(/jobs\/([^/]+)/)![1]
  const answer = await page.request.get(new URL(`/api/v1/jobs/${id}`, page.url()).href)
  const job = await answer.json()
  const e = job.document.elements.find((e: { id: string }) => e.id === element)
  return {
    revision: job.revision as number,
    x: e.x as number,
    y: e.y as number,
    turn: e.turn_deg as number,
    placed: e.placed as boolean,
    locked: e.locked as boolean,
    form: e.form as string,
    count: e.count as number,
  }
}

/** Lays the tray and waits for the search to end. */
export async function layAll(page: Page) {
  const search = page.waitForResponse(/\/api\/v1\/arrange/) // it has begun then, and a plate may be laid before its bar is seen
  await page.getByRole('button', { name: /Lay the tray|Lay it another way/ }).click()
  await search
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 30_000 })
  await saved(page)
}

/** Chooses from a list. What scrolls the page makes an open list turn to its other side, which under load
 * can come between pressing and letting go: then it is chosen again. */
export async function choose(
  page: Page,
  label: string | RegExp,
  option: string | RegExp,
  within: Page | Locator = page,
) {
  const select = within.locator('.el-select', { has: page.getByLabel(label, { exact: true }) })
  const listed = page.getByRole('option', { name: option }).filter({ visible: true }).first()
  await expect(async () => {
    if (!(await listed.isVisible())) await select.click()
    await listed.click({ timeout: 2000 })
    await expect(select).toContainText(option, { timeout: 1000 })
  }).toPass()
}
