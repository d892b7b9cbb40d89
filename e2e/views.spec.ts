import AxeBuilder from '@axe-core/playwright'
import { expect, goOn, jobPath, openDemoJob, test } from './shop'

const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
const shelves = [
  ['/', 'Slipway'],
  ['/days', 'Days'],
  ['/buy', 'To buy'],
  ['/log', 'Log'],
  ['/vehicles', 'Vehicles'],
  ['/stock', 'Stock rack'],
  ['/parts', 'Bought parts'],
  ['/rules', 'Shop rules'],
  ['/shop', 'The shop'],
  ['/pair', 'Pair this device'],
  ['/calculators/section', 'Section properties'],
] as const
const stations = ['brief', 'measure', 'layout', 'loads', 'loads?part=straps', 'fit', 'fit?part=inside', 'cut', 'hand-over']

// the dim look changes colours only: three views that hold every colour are enough
for (const [name, look, pages, stops] of [
  ['every page, light', 'light', shelves, []],
  ['every station, light', 'light', [], stations],
  ['a page and two stations, dark', 'dark', shelves.slice(0, 1), ['layout', 'cut']],
] as const) {
  test(`the accessibility scan passes: ${name}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: look, reducedMotion: 'reduce' })
    const scan = async (name: string) => {
      const { violations } = await new AxeBuilder({ page }).withTags(tags).analyze()
      expect(
        violations.map(
          (v) =>
            `${name}: ${v.id} at ${v.nodes
              .slice(0, 3)
              .map((n) => `${n.target.join(' ')} ${n.failureSummary ?? ''}`)
              .join('; ')}`,
        ),
      ).toEqual([])
    }
    for (const [path, heading] of pages) {
      await goOn(page, path)
      await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible()
      await page.waitForLoadState('networkidle')
      await scan(path)
    }
    for (const station of stops) {
      await goOn(page, await jobPath(page, 'Pole and case rack, survey van', station))
      await expect(page.getByText('Governs')).toBeVisible()
      await page.waitForLoadState('networkidle')
      if (station === 'cut') await expect(page.getByRole('heading', { name: 'Cut list' })).toBeVisible({ timeout: 30_000 })
      await scan(station)
    }
  })
}

test('nothing runs off the side at 360 and 768 px', async ({ page }) => {
  const check = async (name: string) => {
    for (const width of [360, 768]) {
      await page.setViewportSize({ width, height: 800 })
      await expect
        .poll(
          () =>
            page.evaluate(() => {
              const main = document.querySelector('main')!
              if (main.scrollWidth <= main.clientWidth + 1 && document.documentElement.scrollWidth <= innerWidth) return ''
              // what sticks out, for whoever mends it: the innermost, its own way of scrolling left aside
              const out = [...document.querySelectorAll('body *')].filter(
                (e) => e.getBoundingClientRect().right > innerWidth + 1 && !e.closest('[style*="overflow"], .MuiTabs-scroller, nav'),
              )
              const named = out
                .slice(-3)
                .map((e) => `${e.tagName} “${(e.textContent ?? '').slice(0, 60)}” to ${Math.round(e.getBoundingClientRect().right)}`)
              return named.join('; ') || 'wider than the window'
            }),
          { message: `${name} at ${width}`, timeout: 3000 },
        )
        .toBe('')
    }
  }
  for (const [path, heading] of shelves) {
    await goOn(page, path)
    await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible()
    await check(path)
  }
  for (const station of stations) {
    await goOn(page, await jobPath(page, 'Pole and case rack, survey van', station))
    await expect(page.getByText('Governs')).toBeVisible()
    await check(station)
  }
})

test('the 3D view is built from the same assembly, and nothing is fetched from outside', async ({ page, shop }) => {
  const outside: string[] = []
  page.on('request', (r) => {
    if (!r.url().startsWith(shop.address) && !r.url().startsWith('blob:') && !r.url().startsWith('data:')) outside.push(r.url())
  })
  await openDemoJob(page, 'Pole and case rack, survey van', 'layout')
  await page.getByRole('button', { name: '3D' }).click()
  await expect(page.locator('canvas')).toBeVisible({ timeout: 60_000 })
  expect(outside).toEqual([])
})

test('a calculator: the example, a wrong figure, the field named', async ({ page }) => {
  await page.goto('/calculators/section')
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('3.303 kg/m')
  const wall = page.getByLabel('Wall')
  await wall.fill('30')
  await wall.press('Enter')
  await expect(page.getByRole('alert')).toContainText('shape.wallMm')
})

test('the rack: a piece is added, kept, and comes out as CSV', async ({ page }) => {
  await page.goto('/stock')
  await page.getByRole('button', { name: 'Add a piece' }).click()
  const length = page.getByLabel(/^Length of piece-/).first()
  await length.fill('1234')
  await length.press('Enter')
  await expect.poll(async () => (await (await page.request.get('/api/shelves/stock/remnants.csv')).text()).includes('1234')).toBe(true)
})

test('a foot measured on the parts shelf sets the height of the rack; a part without a height is not offered', async ({ page }) => {
  await page.goto('/parts')
  await page.getByRole('button', { name: 'Add a part' }).click()
  const card = page.getByRole('article', { name: 'New part' })
  await card.getByLabel('Kind').click()
  await page.getByRole('option', { name: 'foot' }).click()
  await openDemoJob(page, 'Spar carrier', 'layout')
  const choice = page.getByLabel('Foot from the parts shelf')
  await choice.click()
  await expect(page.getByRole('option', { name: /New part/ })).toHaveCount(0)
  await page.getByRole('option', { name: /SQ-F140/ }).click()
  await expect(page.getByRole('textbox', { name: 'Foot height' })).toHaveValue('5 9/16')
})
